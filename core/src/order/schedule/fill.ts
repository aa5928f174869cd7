import { common, cutAway } from '../areas';
import { bounds, oneRing, polygonArea, rectangle, type Polygon } from '../../kit/geometry';
import { laidMix, mixOf, partLaid, techniqueOf, type Pass, type Plan } from '../../document/plan';
import { loadsByCode } from '../../materials/pigment';
import { asPart, type Work } from '../../kit/units';
import type { ActOf, PanelAct } from '../../simulation/water';
import { onSheet } from './on-sheet';

/** A hand lays a wash in bands so deep one below the other, each into the wet of the last, mm; a fading one in narrower ones. */
const BAND_MM = 6;
const FADING_BAND_MM = 2;

/** What a hand fills: the outline on the sheet, and what it goes round. */
export interface Covered {
  readonly outline: Polygon;
  readonly round: readonly Polygon[];
}

/** A part of a band, the mix laid on it, and how far down its area it lies, 0…1. */
interface Laid {
  readonly region: Polygon;
  /** The band of the sheet in which it lies, as the simulated hand lays it. */
  readonly band: NonNullable<ActOf<'wash'>['band']>;
  readonly mix: string | null;
  readonly share: number;
}

/**
 * A planned wash as a good painter lays it: in bands from the top down between two times, with exactly the film and the paint
 * that is planned on every place of its areas, up to their outlines and no further.
 */
export function* filling(
  plan: Plan,
  pass: Pass,
  areas: readonly Covered[],
  [startS, endS]: readonly [fromS: number, toS: number],
): Work<PanelAct[]> {
  const laid: Laid[] = [];
  for (const [i, { outline, round }] of areas.entries()) {
    // Where areas of one pass overlap, they are filled once.
    const filled = areas.slice(0, i).map((before) => before.outline);
    const bands = bandsOf(plan, pass, { outline, round: [...round, ...filled] });
    laid.push(...(yield* asPart(bands, i / areas.length, (i + 1) / areas.length)));
  }
  const whole = laid.reduce((sum, { region }) => sum + polygonArea(region), 0);
  const { fadesTo = 1 } = techniqueOf(pass.technique);
  let done = 0;
  return laid.map(({ region, band, mix, share }): PanelAct => {
    done += polygonArea(region);
    return {
      ...{ kind: 'wash', atS: endS - (1 - done / whole) * LAYING * (endS - startS), band },
      ...{ shape: { polygon: oneRing(region) }, filmUm: pass.filmUm },
      pigments: loads(plan, pass, mix, 1 + (fadesTo - 1) * share),
    };
  });
}

/** Of the time a wash takes, so much is the laying itself, at its end: before it the brush is filled and edges are cut in. Ours. */
const LAYING = 0.35;

/** Pigment of a mix on what a pass covers, g/m², at so much of its strength. */
function loads(
  plan: Plan,
  { filmUm }: Pass,
  id: string | null,
  ofStrength: number,
): { pigment: string; gm2: number }[] {
  if (id === null) return [];
  const mix = mixOf(plan, id);
  return loadsByCode(laidMix(plan, { ...mix, strength: mix.strength * ofStrength }, filmUm));
}

/** The bands of an area, from the top down, parted by the mixes that lie on them. */
function* bandsOf(plan: Plan, pass: Pass, { outline, round }: Covered): Work<Laid[]> {
  const open = cutAway(
    [outline],
    round.flatMap((white) => common([white], [outline])),
  );
  const [left, top, width, height] = bounds(outline);
  const fades = techniqueOf(pass.technique).fadesTo !== undefined;
  const count = Math.max(1, Math.round(height / (fades ? FADING_BAND_MM : BAND_MM)));
  const bands: Laid[] = [];
  /** The middle of a band; its neighbours' are where it ends. */
  const middle = (band: number): number => top + ((band + 0.5) * height) / count;
  for (let n = 0; n < count; n++) {
    yield n / count;
    const from = n === 0 ? top - BEYOND_MM : middle(n - 1);
    const to = n === count - 1 ? top + height + BEYOND_MM : middle(n + 1);
    const [full, thins] = [n === 0 ? from : middle(n), n === count - 1 ? to : middle(n)];
    const strip = rectangle(left - BEYOND_MM, from, width + 2 * BEYOND_MM, to - from);
    for (const { regions, mix } of byMix(plan, pass, common(open, [strip])))
      bands.push(
        ...regions.map((region): Laid => ({
          ...{ region, mix, band: [from, full, thins, to] },
          share: count === 1 ? 0 : n / (count - 1),
        })),
      );
  }
  return bands;
}

/** The first band and the last reach so far beyond the outline, mm. */
const BEYOND_MM = 1;

/** Regions by the mix a pass lays there: of those that lie at a place the last named. */
function byMix(
  plan: Plan,
  pass: Pass,
  regions: readonly Polygon[],
): { readonly regions: readonly Polygon[]; readonly mix: string | null }[] {
  let rest = regions;
  const parts = pass.also.toReversed().map((other) => {
    const place = onSheet(plan, partLaid(plan, pass, other));
    const own = common(rest, [place]);
    rest = cutAway(rest, [place]);
    return { regions: own, mix: other.mix };
  });
  return [...parts, { regions: rest, mix: pass.mix }];
}
