import fc from 'fast-check';
import { expect, it } from 'vitest';
import { bounds, polygonArea } from '../../kit/geometry';
import {
  cardFormatSchema,
  cardSizes,
  cornersOf,
  croppedFormat,
  heldOnPainting,
  openingOf,
  type CropFrame,
} from '.';

const C6 = { name: 'C6', widthMm: 162, heightMm: 114 };
const format = cardFormatSchema.parse({ envelope: C6, fold: 'flat', border: 'taped' });
const frame: CropFrame = { id: 'f', envelope: C6, stands: 'lying', xMm: 120, yMm: 90, turnDeg: 0 };
const PAINTING = { widthMm: 240, heightMm: 180 };

it('a frame of a flat card is the card, without the tape; of a folded one what the base leaves', () => {
  expect(openingOf(format, frame, 0.4)).toEqual({ widthMm: 156, heightMm: 108 });
  // 0.4 mm of panel lie on the base: the card is that much smaller, and shows 3 mm round the panel.
  expect(openingOf({ ...format, fold: 'side' }, frame, 0.4)).toEqual({ widthMm: 149.6, heightMm: 101.6 });
  expect(openingOf(format, { ...frame, stands: 'upright' }, 0.4)).toEqual({ widthMm: 108, heightMm: 156 });
});

it('a frame turned by a right angle has its sides changed over, and its first corner at the top right', () => {
  const corners = cornersOf({ widthMm: 60, heightMm: 40 }, { ...frame, xMm: 100, yMm: 80, turnDeg: 90 });
  expect(corners.map((corner) => corner.map((mm) => Math.round(mm)))).toEqual([
    [120, 50],
    [120, 110],
    [80, 110],
    [80, 50],
  ]);
});

it('a frame is slid onto its painting by the least way, keeps its size, and is refused only when it is too large', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -100, max: 400, noNaN: true }),
      fc.double({ min: -100, max: 400, noNaN: true }),
      fc.double({ min: -180, max: 180, noNaN: true }),
      fc.double({ min: 10, max: 260, noNaN: true }),
      fc.double({ min: 10, max: 260, noNaN: true }),
      (xMm, yMm, turnDeg, widthMm, heightMm) => {
        const opening = { widthMm, heightMm };
        const asked = { ...frame, xMm, yMm, turnDeg };
        const a = (Math.PI * turnDeg) / 180;
        const across = Math.abs(widthMm * Math.cos(a)) + Math.abs(heightMm * Math.sin(a));
        const down = Math.abs(widthMm * Math.sin(a)) + Math.abs(heightMm * Math.cos(a));
        const held = heldOnPainting(PAINTING, opening, asked);
        if (held === null) {
          expect(across > PAINTING.widthMm || down > PAINTING.heightMm).toBe(true);
          return;
        }
        const corners = cornersOf(opening, held);
        expect(Math.abs(polygonArea([corners]) / (widthMm * heightMm) - 1)).toBeLessThan(1e-9);
        const [x, y, w, h] = bounds([corners]);
        expect(Math.min(x, y)).toBeGreaterThan(-1e-6);
        expect(x + w).toBeLessThan(PAINTING.widthMm + 1e-6);
        expect(y + h).toBeLessThan(PAINTING.heightMm + 1e-6);
        // The nearest place: it moves along an axis only when it must, and then to the very edge.
        if (held.xMm !== xMm) expect(Math.min(x, PAINTING.widthMm - x - w)).toBeLessThan(1e-6);
        if (held.yMm !== yMm) expect(Math.min(y, PAINTING.heightMm - y - h)).toBeLessThan(1e-6);
      },
    ),
  );
});

it('a folded card shows its base round what is cropped, however it was planned; what was planned wider stays', () => {
  const folded = { ...format, fold: 'side' as const };
  expect(croppedFormat(folded)).toMatchObject({ border: 'bare', panelRevealMm: 3 });
  expect(croppedFormat({ ...folded, panelRevealMm: 8 }).panelRevealMm).toBe(8);
  expect(cardSizes(croppedFormat(format)).panel).toEqual(cardSizes(croppedFormat(format)).card);
});
