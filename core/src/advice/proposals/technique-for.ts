import { measuringWidths } from '../../order/areas';
import { deltaE00 } from '../../kit/colour';
import { polygonArea } from '../../kit/geometry';
import { glazeLab, type Mix } from '../../materials/pigment';
import {
  laidMix,
  outlineOf,
  paintedOf,
  planPaper,
  techniqueOf,
  type Plan,
  type PlannedMix,
} from '../../document/plan';
import type { Work } from '../../kit/units';

/** What an area is painted with, and how much water is laid, µm. */
export interface Chosen {
  readonly technique: string;
  readonly filmUm: number;
}

/** An area of more than this share of the panel is wetted first, if a second colour is to float in it. Ours. */
const LARGE = 0.25;

/** What is narrower than this is drawn, mm, and what is smaller than this share of the panel is painted in strokes. Ours. */
const DRAWN_MM = 2;
const SMALL = 0.02;

/** A hand takes so much less or more water than a technique’s usual, and no finer steps, µm. */
const LEAST = 0.5;
const MOST = 1.6;
const STEP_UM = 2;

/** Colours nearer than this are taken for the same, ΔE00. */
export const SAME_COLOUR = 5;

/** The technique and water for the first colour of an area, nearest to what is wanted of the mix when dry. */
export function* firstTechnique(
  plan: Plan,
  area: string,
  mix: PlannedMix,
  floatsMore: boolean,
): Work<Chosen> {
  const { panel } = paintedOf(plan);
  const outline = outlineOf(plan, area);
  const share = polygonArea(outline) / (panel.widthMm * panel.heightMm);
  const { narrowestMm } = yield* measuringWidths(outline);
  const ways = BY_MEDIUM[mix.medium] ?? [
    ...(share > LARGE && floatsMore ? ['wet-in-wet'] : []),
    ...(narrowestMm < DRAWN_MM ? ['line'] : share < SMALL ? ['loose-strokes'] : ['flat-wash']),
  ];
  return nearest(plan, mix, [], ways);
}

/** The technique and water for a further colour on an area: into the wash while it is wet, or over it when it is dry. */
export const furtherTechnique = (
  plan: Plan,
  mix: PlannedMix,
  below: readonly Mix[],
  isWet: boolean,
): Chosen => nearest(plan, mix, below, BY_MEDIUM[mix.medium] ?? [isWet ? 'charge' : 'glaze']);

/** Media that are not laid in washes. */
const BY_MEDIUM: Partial<Record<PlannedMix['medium'], readonly string[]>> = {
  opaque: ['opaque'],
  metallic: ['metallic'],
  ink: ['nib'],
};

/** The first of these ways that dries as wanted, or the one that comes nearest. */
function nearest(plan: Plan, mix: PlannedMix, below: readonly Mix[], ways: readonly string[]): Chosen {
  const { wanted } = mix;
  if (wanted === null) return { technique: ways[0], filmUm: techniqueOf(ways[0]).filmUm };
  const tried = ways.map((technique) => {
    const usual = techniqueOf(technique).filmUm;
    const films = Array.from(
      { length: Math.floor((usual * (MOST - LEAST)) / STEP_UM) + 1 },
      (_, i) => usual * LEAST + i * STEP_UM,
    );
    const off = (filmUm: number): number =>
      deltaE00(glazeLab(planPaper(plan), [...below, laidMix(plan, mix, filmUm)]), wanted);
    return films
      .map((filmUm) => ({ technique, filmUm, off: off(filmUm) }))
      .reduce((a, b) => (b.off < a.off ? b : a));
  });
  const { technique, filmUm } =
    tried.find(({ off }) => off <= SAME_COLOUR) ?? tried.reduce((a, b) => (b.off < a.off ? b : a));
  return { technique, filmUm };
}
