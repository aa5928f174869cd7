import type { CardSizes, Fold } from './size';

/** A face of a card on its opened sheet, mm from the top left corner of the side that is looked at. */
export interface Face {
  readonly name: 'front' | 'back' | 'inside left' | 'inside right' | 'inside top' | 'inside bottom';
  /** Which side of the sheet is up. */
  readonly side: 'outside' | 'inside';
  readonly x: number;
  readonly y: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Painted head down when the sheet lies flat, so that it stands upright on the folded card. */
  readonly headDown: boolean;
}

/**
 * Where each face lies on the opened sheet. A side fold has the back left of the front and is turned over sideways; a
 * top fold has the back above the front, head down, and is turned over lengthways. Faces lie clear of a spine.
 */
export function facesOf(fold: Fold, { card, flat }: Pick<CardSizes, 'card' | 'flat'>): Face[] {
  const right = flat.widthMm - card.widthMm;
  const below = flat.heightMm - card.heightMm;
  const face = (name: Face['name'], side: Face['side'], x: number, y: number, headDown = false): Face => ({
    ...{ name, side, x, y, ...card, headDown },
  });
  switch (fold) {
    case 'flat':
      return [face('front', 'outside', 0, 0), face('back', 'inside', 0, 0)];
    case 'side':
      return [
        face('back', 'outside', 0, 0),
        face('front', 'outside', right, 0),
        face('inside left', 'inside', 0, 0),
        face('inside right', 'inside', right, 0),
      ];
    case 'top':
      return [
        face('back', 'outside', 0, 0, true),
        face('front', 'outside', 0, below),
        face('inside top', 'inside', 0, 0),
        face('inside bottom', 'inside', 0, below),
      ];
  }
}

/** The way the grain of a card's sheet should run, along the fold, so that it folds clean; a flat card does not mind. */
export const grainAlongFold = (fold: Fold): 'width' | 'height' | 'any' =>
  fold === 'side' ? 'height' : fold === 'top' ? 'width' : 'any';
