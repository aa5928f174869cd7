import type { LineKind, PencilLine } from '../sketch';
import type { TracedDrawing } from './read-svg';

/** Pressure of a line that no hand has drawn. */
const EVEN = 0.5;

/** Room left round a drawing that is made smaller, as a share of the panel. */
const ROOM = 0.05;

/**
 * The lines of a drawing on a panel, in its middle: at true size where it goes on the panel, else as large as goes. `scale`
 * tells which; 1 is true size.
 */
export function placeOnPanel(
  { widthMm, heightMm, lines }: TracedDrawing,
  panel: { readonly widthMm: number; readonly heightMm: number },
  kind: LineKind,
  newId: () => string,
): { readonly lines: PencilLine[]; readonly scale: number } {
  const fits = widthMm <= panel.widthMm && heightMm <= panel.heightMm;
  const scale = fits ? 1 : (1 - 2 * ROOM) * Math.min(panel.widthMm / widthMm, panel.heightMm / heightMm);
  const [left, top] = [(panel.widthMm - scale * widthMm) / 2, (panel.heightMm - scale * heightMm) / 2];
  const hundredth = (mm: number): number => Math.round(100 * mm) / 100;
  return {
    scale,
    lines: lines.map(({ points }) => ({
      id: newId(),
      kind,
      points: points.map(
        ([x, y]) => [hundredth(left + scale * x), hundredth(top + scale * y), EVEN] as const,
      ),
    })),
  };
}
