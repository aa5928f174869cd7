import { areasInFrame } from '@kettle/core/order/areas';
import { cornersOf, heldOnPainting, openingOf, type CropFrame } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { paintedOf, planPaper, type Plan } from '@kettle/core/document/plan';

type Length = (mm: number) => string;

/** A crop frame as it lies over the painting, mm, and what it comes to in words. */
export interface FrameRow {
  readonly frame: CropFrame;
  readonly name: string;
  readonly corners: readonly Point[];
  readonly points: string;
  readonly chosen: boolean;
  /** It cannot lie wholly on the painting as it is turned. */
  readonly tooLarge: boolean;
  readonly size: string;
  readonly keeps: string;
}

/** The frames of a painting that is cropped last. */
export function frameRows(plan: Plan, length: Length): FrameRow[] {
  if (!plan.crop) return [];
  const { painting, frames, chosen } = plan.crop;
  return frames.map((frame, i) => {
    const opening = openingOf(plan.card, frame, planPaper(plan).thicknessMm);
    const corners = cornersOf(opening, frame);
    const tooLarge = heldOnPainting(painting, opening, frame) === null;
    const share = (opening.widthMm * opening.heightMm) / (painting.widthMm * painting.heightMm);
    return {
      frame,
      name: `${i + 1}`,
      corners,
      points: corners.map(([x, y]) => `${x},${y}`).join(' '),
      chosen: frame.id === chosen,
      tooLarge,
      size: `shows ${length(opening.widthMm)} × ${length(opening.heightMm)}`,
      keeps: tooLarge
        ? 'It is larger than the painting as it is turned.'
        : [`Keeps ${Math.round(100 * share)} % of the painting.`, ...cutsInWords(plan, corners)].join(' '),
    };
  });
}

function cutsInWords(plan: Plan, corners: readonly Point[]): string[] {
  const names = new Map(plan.areas.map(({ id, name }) => [id, name]));
  const within = areasInFrame(plan, corners);
  const named = (is: 'cut' | 'out'): string =>
    within
      .filter((area) => area.is === is)
      .map(({ id, share }) => names.get(id)! + (is === 'cut' ? ` (${Math.round(100 * share)} % left)` : ''))
      .join(', ');
  const [cut, out] = [named('cut'), named('out')];
  return [...(cut ? [`Cuts through ${cut}.`] : []), ...(out ? [`Leaves out ${out}.`] : [])];
}

/** A frame moved and turned, held on the painting where it can be. */
export function frameMoved(
  plan: Plan,
  frame: CropFrame,
  change: Partial<Pick<CropFrame, 'xMm' | 'yMm' | 'turnDeg' | 'envelope' | 'stands'>>,
): CropFrame {
  const moved = { ...frame, ...change, turnDeg: wrapped(change.turnDeg ?? frame.turnDeg) };
  const opening = openingOf(plan.card, moved, planPaper(plan).thicknessMm);
  return heldOnPainting(paintedOf(plan).panel, opening, moved) ?? moved;
}

const wrapped = (deg: number): number => Math.round(10 * (deg - 360 * Math.round(deg / 360))) / 10;

/** Where the knife goes: the corners of the chosen frame from the painting’s left and top edge. */
export function trimInWords(row: FrameRow, length: Length): string {
  const marks = row.corners.map(([x, y]) => `${length(round(x))} / ${length(round(y))}`);
  return `Mark its corners from the left / from the top of the painting: ${marks.join(', ')}. Join them and cut.`;
}

const round = (mm: number): number => Math.round(10 * mm) / 10;
