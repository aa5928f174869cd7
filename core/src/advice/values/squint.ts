import { common, cutAway, footprint, joined } from '../../order/areas';
import { boxesMeet, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { colourAt, everMasked, layersAt, paintedOf, planPaper, type Plan } from '../../document/plan';
import { glazeLab } from '../../materials/pigment';
import { done, remembered, type Work } from '../../kit/units';

/** Between these lightnesses lie the tones one squints for, L*: black paint, and paper. */
const DARKEST_L = 20;
const LIGHTEST_L = 95;

/** Which of so many equal tones a lightness belongs to, 0 the darkest. */
export const toneOf = (lightness: number, tones: number): number =>
  Math.min(tones - 1, Math.max(0, Math.floor((tones * (lightness - DARKEST_L)) / (LIGHTEST_L - DARKEST_L))));

/** The lightness that stands for a tone, L*. */
export const lightnessOfTone = (tone: number, tones: number): number =>
  DARKEST_L + ((LIGHTEST_L - DARKEST_L) * (tone + 0.5)) / tones;

const mm2 = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + polygonArea(region), 0);

interface Seen {
  readonly id: string;
  readonly mm2: number;
}

/** What is seen of areas is asked for with one mix after another. */
const seenKnown = remembered<number>();

/** What is seen of each area: all of it that no later one covers. Done beforehand, what asks for tones has it at once. */
export function* squinting(plan: Plan): Work<readonly Seen[]> {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const panel = [rectangle(0, 0, widthMm, heightMm)];
  const all: Seen[] = [];
  for (const [i, { id, outline }] of plan.areas.entries()) {
    yield i / plan.areas.length;
    const seen = seenKnown(plan.areas, `${id} ${widthMm} ${heightMm}`, () => {
      const over = plan.areas
        .slice(i + 1)
        .map((area) => area.outline)
        .filter((above) => boxesMeet(above, outline));
      return mm2(cutAway(common([outline], panel), over));
    });
    all.push({ id, mm2: seen });
  }
  return all;
}

/** Share of the panel in each of so many tones, the darkest first; they add up to 1. What no area covers is paper. */
export function toneShares(plan: Plan, tones: number): number[] {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const shares = Array.from({ length: tones }, () => 0);
  let covered = 0;
  for (const { id, mm2: size } of done(squinting(plan))) {
    shares[toneOf(colourAt(plan, id, plan.acts.length)[0], tones)] += size / (widthMm * heightMm);
    covered += size / (widthMm * heightMm);
  }
  shares[toneOf(glazeLab(planPaper(plan), [])[0], tones)] += Math.max(0, 1 - covered);
  return shares;
}

/** More of a panel than this in one of three tones, and it is all one value. Ours. */
export const ONE_TONE = 0.85;

/** The tone nearly all of a panel lies in, 0 the darkest; `null` where it has more than one. */
export function oneTone(shares: readonly number[]): number | null {
  const at = shares.findIndex((share) => share > ONE_TONE);
  return at < 0 ? null : at;
}

/** Share of the panel that is bare paper when all is uncovered, 0…1. */
export function* findingWhite(plan: Plan): Work<number> {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const panel = [rectangle(0, 0, widthMm, heightMm)];
  let painted: Polygon[] = [];
  for (const [i, { id, outline }] of plan.areas.entries()) {
    yield i / plan.areas.length;
    painted =
      layersAt(plan, id, plan.acts.length).length > 0
        ? joined([...painted, outline])
        : cutAway(painted, [outline]);
  }
  yield 1;
  const byHand = everMasked(plan).filter((id) => plan.resists.some((resist) => resist.id === id));
  const kept = byHand.flatMap((id) => footprint(plan, id));
  return mm2(cutAway(panel, cutAway(painted, kept))) / (widthMm * heightMm);
}

/** The same in one go. */
export const whiteShare = (plan: Plan): number => done(findingWhite(plan));
