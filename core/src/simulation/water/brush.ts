import { BadInput } from '../../kit/units';

/** A brush as water knows it. */
export interface Brush {
  readonly id: string;
  readonly name: string;
  /** Width of its mark at no and at full pressure, mm. */
  readonly tipMm: number;
  readonly widthMm: number;
  /** Water its belly gives off before it is dry, ml. */
  readonly bellyMl: number;
}

/** Brushes by kind and size. Bellies are our own defaults, scaled with the cube of the size. */
export const BRUSHES: readonly Brush[] = [
  ...[2, 4, 6, 8, 10, 12].map((size) => ({
    id: `round-${size}`,
    name: `round, size ${size}`,
    tipMm: 0.2 + 0.04 * size,
    widthMm: 0.75 * size,
    bellyMl: 0.12 * (size / 8) ** 2.5,
  })),
  { id: 'flat-12', name: 'flat, 12 mm', tipMm: 8, widthMm: 12, bellyMl: 0.25 },
  { id: 'flat-25', name: 'flat, 25 mm', tipMm: 18, widthMm: 25, bellyMl: 0.9 },
  { id: 'mop-12', name: 'mop, 12 mm', tipMm: 1.5, widthMm: 14, bellyMl: 0.8 },
  { id: 'rigger-2', name: 'rigger, size 2', tipMm: 0.3, widthMm: 1.2, bellyMl: 0.03 },
];

/** A full belly lays this film, µm; it falls with what is left in the belly. */
export const FULL_FILM_UM = 130;

/** Line on which a brush's film falls to 1/e, mm, at a mark of `widthMm`: it gives off film as its belly is full. */
export const reachMm = ({ bellyMl }: Brush, widthMm: number): number =>
  (bellyMl * 1e6) / (FULL_FILM_UM * widthMm);

/** How wide a brush's mark is at a pressure 0…1, mm. */
export const widthAt = ({ tipMm, widthMm }: Brush, pressure: number): number =>
  tipMm + (widthMm - tipMm) * pressure;

/** Mean film that a full brush lays on a line of `lengthMm`, µm. */
export function meanFilmUm(brush: Brush, lengthMm: number, widthMm: number): number {
  const falls = lengthMm / reachMm(brush, widthMm);
  return FULL_FILM_UM * (falls < 1e-6 ? 1 : (1 - Math.exp(-falls)) / falls);
}

/** How full a brush comes to the paper, as a share of its belly. */
export const BRUSH_LOADS = { thirsty: 0, damp: 0.15, loaded: 0.7, dripping: 1 } as const;
export type BrushLoad = keyof typeof BRUSH_LOADS;

/** Finds a brush by id; throws `BadInput` on `field` with the known ids. */
export function brushById(id: string, field = 'brush'): Brush {
  const found = BRUSHES.find((brush) => brush.id === id);
  if (!found)
    throw new BadInput(field, `unknown brush “${id}”; known: ${BRUSHES.map((b) => b.id).join(', ')}`);
  return found;
}
