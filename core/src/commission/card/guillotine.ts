import { DUST_MM } from './piece-kind';

/**
 * Patterns that can be cut from edge to edge: a piece, or two patterns side by side (`row`) or one over the other
 * (`column`). Sizes are with the gap to the next.
 */
export type Pattern =
  | { readonly kind: number; readonly turned: boolean; readonly width: number; readonly height: number }
  | {
      readonly join: 'row' | 'column';
      readonly first: Pattern;
      readonly second: Pattern;
      readonly width: number;
      readonly height: number;
    };

/** Two patterns side by side. */
export const rowOf = (first: Pattern, second: Pattern): Pattern => ({
  join: 'row',
  first,
  second,
  width: first.width + second.width,
  height: Math.max(first.height, second.height),
});

/** One pattern over another. */
export const columnOf = (first: Pattern, second: Pattern): Pattern => ({
  join: 'column',
  first,
  second,
  width: Math.max(first.width, second.width),
  height: first.height + second.height,
});

export interface LaidPiece {
  readonly kind: number;
  readonly turned: boolean;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where each piece of a pattern lies that starts at the corner within the margin, mm. */
export function laidPieces(pattern: Pattern, marginMm: number, gapMm: number): LaidPiece[] {
  const laid: LaidPiece[] = [];
  const lay = (part: Pattern, x: number, y: number): void => {
    if ('kind' in part) {
      const { kind, turned } = part;
      laid.push({
        kind,
        turned,
        x: mm(x),
        y: mm(y),
        width: mm(part.width - gapMm),
        height: mm(part.height - gapMm),
      });
    } else {
      lay(part.first, x, y);
      if (part.join === 'row') lay(part.second, x + part.first.width, y);
      else lay(part.second, x, y + part.first.height);
    }
  };
  lay(pattern, marginMm, marginMm);
  return laid;
}

/** A cut as far as the pattern knows it. */
export interface PatternCut {
  readonly from: 'left' | 'top';
  readonly atMm: number;
  readonly acrossMm: readonly [number, number];
}

/** A part of the sheet as it lies before a cut. */
interface Part {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/**
 * The cuts of a pattern in an order a person can follow: each goes from edge to edge of the part in hand. Margins first,
 * then what is too much of a part, then the part in two, and the gap off the second.
 */
export function cutsOf(
  pattern: Pattern,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  marginMm: number,
  gapMm: number,
): PatternCut[] {
  const cuts: PatternCut[] = [];
  /** Cuts a part so far from the sheet's left or top edge; returns what lies before and beyond. */
  const cut = (part: Part, from: 'left' | 'top', at: number): readonly [Part, Part] => {
    const [low, high] = from === 'left' ? [part.left, part.right] : [part.top, part.bottom];
    if (at > low + DUST_MM && at < high - DUST_MM)
      cuts.push({
        from,
        atMm: mm(at),
        acrossMm: from === 'left' ? [mm(part.top), mm(part.bottom)] : [mm(part.left), mm(part.right)],
      });
    return from === 'left'
      ? [
          { ...part, right: at },
          { ...part, left: at },
        ]
      : [
          { ...part, bottom: at },
          { ...part, top: at },
        ];
  };
  const divide = (node: Pattern, whole: Part): void => {
    const [wide] = cut(whole, 'left', whole.left + node.width - gapMm);
    const [part] = cut(wide, 'top', wide.top + node.height - gapMm);
    if ('kind' in node) return;
    const from = node.join === 'row' ? 'left' : 'top';
    const start = node.join === 'row' ? part.left : part.top;
    const size = node.join === 'row' ? node.first.width : node.first.height;
    const [first, rest] = cut(part, from, start + size - gapMm);
    const [, second] = cut(rest, from, start + size);
    divide(node.first, first);
    divide(node.second, second);
  };
  const whole: Part = { left: 0, top: 0, right: widthMm, bottom: heightMm };
  const [, withoutLeft] = cut(whole, 'left', marginMm);
  const [, usable] = cut(withoutLeft, 'top', marginMm);
  divide(pattern, usable);
  return cuts;
}

const mm = (value: number): number => Math.round(value * 1e6) / 1e6;
