import { chance, done, type Work } from '../../kit/units';
import type { Paper } from '../../materials/paper';
import { inverseTransform } from './fourier';

/** Points along the side of a tile of relief, and how many of them a millimetre has; it repeats after 102 mm. */
const SIDE = 1024;
export const RELIEF_PX_MM = 10;

/**
 * How a surface rises and falls: its felt marks are about so long, mm, the slopes of its spectrum below and above that
 * length, and how far its hills are pressed flat. Plausible for the three surfaces of the trade, not measured from sheets.
 */
const SURFACES: Readonly<
  Record<
    Paper['surface'],
    { readonly markMm: number; readonly rise: number; readonly fall: number; readonly pressed: number }
  >
> = {
  hot: { markMm: 0.55, rise: 0.6, fall: 2.2, pressed: 0.5 },
  card: { markMm: 0.55, rise: 0.6, fall: 2.2, pressed: 0.5 },
  cold: { markMm: 1.05, rise: 0.8, fall: 2.1, pressed: 0.4 },
  rough: { markMm: 2, rise: 1, fall: 2.1, pressed: 0.25 },
};

/** Fibres make a finer field over the felt marks: their size, mm, and height as a share of the marks'. Ours. */
const FIBRE_MM = 0.28;
const FIBRE_SHARE = 0.12;

/** Where grains of a granulating pigment lie together: the size of their clumps, mm. Ours. */
const CLUMP_MM = 0.32;

/** The relief of a kind of surface, a tile that repeats, `[row · side + column]`. */
export interface Relief {
  readonly side: number;
  /** Height about the mean, in standard deviations. */
  readonly height: Float32Array;
  /** A field of its own for what clumps together, in standard deviations. */
  readonly clumps: Float32Array;
}

const known = new Map<string, Relief>();

/** The relief of a surface, worked out once. */
export function* lookingAtRelief(surface: Paper['surface']): Work<Relief> {
  const { markMm, rise, fall, pressed } = SURFACES[surface];
  const key = [markMm, rise, fall, pressed].join(' ');
  const found = known.get(key);
  if (found) return found;
  // The shorter the waves, the more of them there are: a hump's spread goes with its height over its length.
  const marks = (perMm: number): number =>
    band(perMm * markMm, rise, fall) * markMm + FIBRE_SHARE * band(perMm * FIBRE_MM, rise, fall) * FIBRE_MM;
  const clumping = (perMm: number): number => band(perMm * CLUMP_MM, 2, 4);
  const [height, clumps] = yield* waves(marks, clumping);
  for (let i = 0; i < height.length; i++) height[i] = (1 - Math.exp(-pressed * height[i])) / pressed;
  yield 0.9;
  const relief = {
    side: SIDE,
    height: Float32Array.from(normalised(height)),
    clumps: Float32Array.from(clumps),
  };
  known.set(key, relief);
  return relief;
}

/** A hump of a spectrum about one, with the slopes it rises and falls by. */
const band = (k: number, rise: number, fall: number): number => 1 / (k ** -rise + k ** fall);

/** The same in one go. */
export const reliefOf = (surface: Paper['surface']): Relief => done(lookingAtRelief(surface));

/**
 * Two fields made of waves with chance phases, each by how high its waves are that have so many to the mm. Both come of one
 * transform: the waves of each lie as a real field's do, one as the real part and one as the imaginary.
 */
function* waves(
  one: (perMm: number) => number,
  other: (perMm: number) => number,
): Work<[Float64Array, Float64Array]> {
  const random = chance(SIDE);
  const [re, im] = [new Float64Array(SIDE * SIDE), new Float64Array(SIDE * SIDE)];
  // Heights by the distance from the middle of the spectrum, in its own steps.
  const reach = Math.ceil(SIDE * Math.SQRT1_2) + 1;
  const [ones, others] = [one, other].map((height) =>
    Float64Array.from({ length: reach }, (_, k) => (k === 0 ? 0 : height((k * RELIEF_PX_MM) / SIDE))),
  );
  const mirror = (k: number): number => (SIDE - k) % SIDE;
  for (let row = 0; row < SIDE / 2; row++) {
    if (row % 64 === 0) yield (0.3 * row) / SIDE;
    for (let column = 0; column < SIDE; column++) {
      const across = column < SIDE / 2 ? column : SIDE - column;
      const ring = Math.round(Math.sqrt(row * row + across * across));
      const phase = 2 * Math.PI * random();
      const otherPhase = 2 * Math.PI * random();
      const a = ones[ring] * Math.cos(phase);
      const b = ones[ring] * Math.sin(phase);
      const c = others[ring] * Math.cos(otherPhase);
      const d = others[ring] * Math.sin(otherPhase);
      const here = row * SIDE + column;
      const there = mirror(row) * SIDE + mirror(column);
      re[here] = a - d;
      im[here] = b + c;
      re[there] = a + d;
      im[there] = c - b;
    }
  }
  inverseTransform({ side: SIDE, re, im });
  yield 0.8;
  return [normalised(re), normalised(im)];
}

/** A field in standard deviations about its mean, in place. */
function normalised(field: Float64Array): Float64Array {
  let sum = 0;
  let squares = 0;
  for (const value of field) {
    sum += value;
    squares += value * value;
  }
  const mean = sum / field.length;
  const spread = Math.sqrt(squares / field.length - mean * mean);
  for (let i = 0; i < field.length; i++) field[i] = (field[i] - mean) / spread;
  return field;
}

/** Where on the tile a sheet begins, whole points of it: every sheet has its own. */
export function cornerOf(seed: number): readonly [column: number, row: number] {
  const random = chance(seed);
  return [Math.floor(SIDE * random()), Math.floor(SIDE * random())];
}
