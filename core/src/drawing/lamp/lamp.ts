import * as z from 'zod';

/**
 * A lamp far off. `sideDeg` is the way to it as seen from above: 0 from the right, 90 from the viewer’s side, 180 from
 * the left, −90 from behind; `heightDeg` how high it stands.
 */
export const lampSchema = z.strictObject({
  sideDeg: z.number().min(-180).max(180),
  heightDeg: z.number().min(5).max(85),
});
export type Lamp = z.infer<typeof lampSchema>;

/** What body an area is the picture of. */
export const FORMS = ['ball', 'cylinder', 'cone', 'box', 'flat'] as const;
export type Form = (typeof FORMS)[number];

/** A direction in the room: right, up, towards the viewer. */
export type Direction = readonly [right: number, up: number, near: number];

/** How far the eye looks down on the table, degrees: a card is painted as a table is looked at. Ours. */
export const LOOKS_DOWN_DEG = 20;

const DEG = Math.PI / 180;

/** The way to the lamp, of length 1. */
export function toLamp({ sideDeg, heightDeg }: Lamp): Direction {
  const flat = Math.cos(heightDeg * DEG);
  return [flat * Math.cos(sideDeg * DEG), Math.sin(heightDeg * DEG), flat * Math.sin(sideDeg * DEG)];
}

/** The way to the eye, of length 1. */
export const TO_EYE: Direction = [0, Math.sin(LOOKS_DOWN_DEG * DEG), Math.cos(LOOKS_DOWN_DEG * DEG)];

/** Where a point of the room is seen on the panel from the origin, mm: right, and down (parallel projection). */
export const seen = ([right, up, near]: Direction): readonly [number, number] => [
  right,
  -up * TO_EYE[2] + near * TO_EYE[1],
];

export const dot = (a: Direction, b: Direction): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
