import { jarsFor, mixingList, type Jars, type MixAmount } from '@kettle/core/amounts';
import { muddinessOf, REFERENCE_FILM_UM, type Verdict } from '@kettle/core/pigment';
import { laidMix, planPaper, type Plan, type Studio } from '@kettle/core/plan';
import {
  counterchanges,
  sharedEdges,
  toneShares,
  valueLadder,
  wetMeetings,
  whiteShare,
  type Counterchange,
  type Rung,
  type SharedEdge,
  type WetMeeting,
} from '@kettle/core/values';

/** How the colours of a card stand to one another, and what of them it takes. */
export interface ColourReckoning {
  readonly ladder: readonly Rung[];
  readonly edges: readonly SharedEdge[];
  /** Share of the panel in each of three tones, the darkest first. */
  readonly tones: readonly number[];
  readonly whiteShare: number;
  readonly counterchanges: readonly Counterchange[];
  readonly meetings: readonly WetMeeting[];
  /** What becomes of the pigments of each mix, by its id. */
  readonly verdicts: ReadonlyMap<string, Verdict>;
  readonly amounts: readonly MixAmount[];
  readonly jars: Jars;
}

const TONES = 3;

export const reckonColours = (plan: Plan, dish: Studio['dish']): ColourReckoning => ({
  ladder: valueLadder(plan),
  edges: sharedEdges(plan),
  tones: toneShares(plan, TONES),
  whiteShare: whiteShare(plan),
  counterchanges: counterchanges(plan),
  meetings: wetMeetings(plan),
  verdicts: new Map(
    plan.mixes.map((mix) => {
      const laid = laidMix(plan, mix, REFERENCE_FILM_UM);
      return [mix.id, muddinessOf(laid, planPaper(plan), mix.wanted).verdict];
    }),
  ),
  amounts: mixingList(plan, dish),
  jars: jarsFor(plan),
});
