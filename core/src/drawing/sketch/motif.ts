import * as z from 'zod';
import { bounds, linesOfPath, middleOf, type Point } from '../../kit/geometry';
import { id } from '../../kit/units';
import { pencilLineSchema, type PencilLine, type PencilPoint } from './sketch';

/** A drawing kept to be laid on cards; its lines in mm about their own middle. */
export const motifSchema = z.strictObject({
  id,
  name: z.string().min(1).max(60),
  lines: z
    .array(pencilLineSchema.omit({ id: true }))
    .min(1)
    .max(2000),
});
export type Motif = z.infer<typeof motifSchema>;

/** Straight pieces stand off a motif’s curves by no more, mm. */
const FLAT_MM = 0.1;

/** Pressure of a line that no hand has pressed. */
const EVEN = 0.5;

/** A few drawings of the house as paths in mm. */
const DRAWN: Readonly<Record<string, string>> = {
  leaf: 'M0 20 C-13 10 -13 -8 0 -20 C13 -8 13 10 0 20 Z M0 24 C-1 12 1 -2 0 -15 M0 10 C-3 8 -5 6 -7 2 M0 10 C3 8 5 6 7 2 M0 1 C-3 -1 -4 -3 -6 -6 M0 1 C3 -1 4 -3 6 -6',
  'sprig of berries':
    'M0 26 C2 12 -2 0 1 -22 M0 12 C4 9 8 8 11 4 M0 3 C-4 0 -8 -1 -11 -5 M0 -7 C4 -9 7 -11 9 -15 M15 2 C15 4.8 12.8 6 11 6 C9 6 7 4.5 7 2 C7 -0.5 9 -2 11 -2 C13 -2 15 -0.6 15 2 Z M-8 -8 C-8 -5.4 -10 -4 -12 -4 C-14.2 -4 -16 -5.6 -16 -8 C-16 -10.5 -14 -12 -12 -12 C-9.8 -12 -8 -10.4 -8 -8 Z M13.5 -18 C13.5 -15.5 11.5 -14 9.5 -14 C7.4 -14 5.5 -15.6 5.5 -18 C5.5 -20.4 7.5 -22 9.5 -22 C11.6 -22 13.5 -20.5 13.5 -18 Z M5 -26 C5 -23.6 3 -22 1 -22 C-1 -22 -3 -23.6 -3 -26 C-3 -28.5 -1 -30 1 -30 C3 -30 5 -28.4 5 -26 Z',
  star: 'M0 -18 L4.6 -6 L17.2 -5.4 L7.4 2.4 L10.8 14.8 L0 7.6 L-10.4 14.4 L-7.4 2.2 L-17 -5.8 L-4.4 -6.2 Z',
  heart: 'M0 17 C-7 10 -18 3 -17 -7 C-16 -16 -4 -17 0 -8 C4 -17 16.4 -16 17 -7 C17.6 3 7 10 0 17 Z',
  cup: 'M-13 -12 C-13 4 -11 14 -6 16 L6 16 C11 14 13 4 13 -12 M13 -12 C13 -9.5 7 -8 0 -8 C-7 -8 -13 -9.5 -13 -12 C-13 -14.5 -7 -16 0 -16 C7 -16 13 -14.5 13 -12 Z M12.6 -6 C20 -8 22 4 10.4 7',
  gull: 'M-24 -4 C-16 -12 -7 -9 0 0 C7 -9 16 -12 24 -4 C16 -8 8 -5 1 4 L-1 4 C-8 -5 -16 -8 -24 -4 Z',
};

const line = (points: readonly Point[]): Motif['lines'][number] => ({
  kind: 'pencil',
  points: points.map(([x, y]): PencilPoint => [x, y, EVEN]),
});

/** The drawings that come with the house. */
export const MOTIFS: readonly Motif[] = Object.entries(DRAWN).map(([name, path]) => ({
  id: `house-${name.replaceAll(' ', '-')}`,
  name,
  lines: linesOfPath(path, FLAT_MM).map(({ points, closed }) =>
    line(closed ? [...points, points[0]] : points),
  ),
}));

/** Lines of a card kept as a motif, about their own middle. */
export function motifOf(lines: readonly PencilLine[], name: string, id: string): Motif {
  const [x, y] = middleOf([lines.flatMap(({ points }) => points.map(([px, py]): Point => [px, py]))]);
  return { id, name, lines: lines.map(({ kind, points }) => ({ kind, points: movedBy(points, -x, -y) })) };
}

/** A motif laid in the middle of a panel, made smaller where it would not go on it. */
export function laidMotif(
  { lines }: Motif,
  panel: { readonly widthMm: number; readonly heightMm: number },
  newId: () => string,
): PencilLine[] {
  const [, , width, height] = bounds([lines.flatMap(({ points }) => points.map(([x, y]): Point => [x, y]))]);
  const scale = Math.min(1, (0.9 * panel.widthMm) / width, (0.9 * panel.heightMm) / height);
  return lines.map(({ kind, points }) => ({
    id: newId(),
    kind,
    points: movedBy(
      points.map(([x, y, p]) => [x * scale, y * scale, p] as const),
      panel.widthMm / 2,
      panel.heightMm / 2,
    ),
  }));
}

const hundredth = (mm: number): number => Math.round(100 * mm) / 100;

const movedBy = (points: readonly PencilPoint[], right: number, down: number): PencilPoint[] =>
  points.map(([x, y, p]) => [hundredth(x + right), hundredth(y + down), p]);
