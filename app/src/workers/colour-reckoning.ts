import { jarsFor, reckoningAmounts, type Jars, type MixAmount } from '@kettle/core/advice/amounts';
import { muddinessOf, REFERENCE_FILM_UM, type Verdict } from '@kettle/core/materials/pigment';
import { laidMix, planPaper, type Plan, type Studio } from '@kettle/core/document/plan';
import { asPart, type Work } from '@kettle/core/kit/units';
import {
  counterchanges,
  findingWhite,
  edgesOfThings,
  squinting,
  toneShares,
  tracingBorders,
  valueLadder,
  wetMeetings,
  type Counterchange,
  type Rung,
  type SharedEdge,
  type WetMeeting,
} from '@kettle/core/advice/values';

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

export function* reckoningColours(plan: Plan, dish: Studio['dish']): Work<ColourReckoning> {
  yield* tracingBorders(plan);
  yield 0.2;
  const ladder = valueLadder(plan);
  yield 0.3;
  yield* asPart(squinting(plan), 0.3, 0.4);
  const tones = toneShares(plan, TONES);
  yield 0.4;
  const edges = edgesOfThings(plan);
  yield 0.42;
  const white = yield* asPart(findingWhite(plan), 0.42, 0.46);
  yield 0.46;
  const changes = counterchanges(plan);
  const meetings = yield* asPart(wetMeetings(plan), 0.5, 0.6);
  yield 0.6;
  const verdicts = new Map<string, Verdict>();
  for (const mix of plan.mixes) {
    verdicts.set(
      mix.id,
      muddinessOf(laidMix(plan, mix, REFERENCE_FILM_UM), planPaper(plan), mix.wanted).verdict,
    );
    yield 0.8;
  }
  const amounts = yield* asPart(reckoningAmounts(plan, dish), 0.8, 0.9);
  const jars = jarsFor(plan);
  return {
    ladder,
    tones,
    edges,
    whiteShare: white,
    counterchanges: changes,
    meetings,
    verdicts,
    amounts,
    jars,
  };
}
