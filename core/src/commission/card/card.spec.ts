import { describe, expect, it } from 'vitest';
import { readInput } from '../../kit/units';
import { cardFormatSchema, cardSizes } from '.';

const ENVELOPES = [
  ['C6', 162, 114],
  ['US A7', 184.15, 133.35],
  ['155 square', 155, 155],
  ['DL', 220, 110],
] as const;

const format = (change: object) =>
  readInput(cardFormatSchema, {
    envelope: { widthMm: 162, heightMm: 114 },
    fold: 'side',
    border: 'taped',
    ...change,
  });

describe.each(ENVELOPES)('from a %s envelope', (_, widthMm, heightMm) => {
  const card = { widthMm: expect.closeTo(widthMm - 6, 9), heightMm: expect.closeTo(heightMm - 6, 9) };

  it.each(['side', 'top', 'flat'] as const)('a card with fold %s', (fold) => {
    const sizes = cardSizes(format({ envelope: { widthMm, heightMm }, fold }));
    expect(sizes.card).toEqual(card);
    expect(sizes.flat).toEqual({
      widthMm: expect.closeTo((widthMm - 6) * (fold === 'side' ? 2 : 1), 9),
      heightMm: expect.closeTo((heightMm - 6) * (fold === 'top' ? 2 : 1), 9),
    });
    expect(sizes.scores).toEqual(
      {
        side: [{ axis: 'x', atMm: sizes.card.widthMm }],
        top: [{ axis: 'y', atMm: sizes.card.heightMm }],
        flat: [],
      }[fold],
    );
    expect(sizes.fits).toBe(true);
    expect(sizes.warning).toBeUndefined();
  });
});

describe('the panel', () => {
  const { card } = cardSizes(format({}));

  it('taped: the rim under the tape stays white on the sheet', () => {
    const { panel, paint } = cardSizes(format({}));
    expect(panel).toEqual({ widthMm: card.widthMm - 8, heightMm: card.heightMm - 8 });
    expect(paint).toEqual(card);
  });

  it('bleed: painted past the trim line', () => {
    const { panel, paint } = cardSizes(format({ border: 'bleed' }));
    expect(panel).toEqual(card);
    expect(paint).toEqual({ widthMm: card.widthMm + 6, heightMm: card.heightMm + 6 });
  });

  it('bare, mounted with a reveal', () => {
    const { panel, paint } = cardSizes(format({ border: 'bare', panelRevealMm: 6 }));
    expect(panel).toEqual({ widthMm: card.widthMm - 12, heightMm: card.heightMm - 12 });
    expect(paint).toEqual(panel);
  });
});

describe('allowances', () => {
  it('takes the bulk off both directions', () =>
    expect(cardSizes(format({ bulkMm: 2 })).card).toEqual({ widthMm: 154, heightMm: 106 }));

  it.each([
    [1, false, /too tight: 1 mm a side, 2 mm in all/],
    [1.4, false, /too tight/],
    [1.5, true, /tight/],
    [2.4, true, /2.5 mm a side goes in easily/],
    [2.5, true, null],
  ])('clearance of %d mm', (clearanceMm, fits, warning) => {
    const sizes = cardSizes(format({ clearanceMm }));
    expect(sizes.fits).toBe(fits);
    expect(sizes.clearance).toEqual({ perSideMm: clearanceMm, inAllMm: 2 * clearanceMm });
    if (warning) expect(sizes.warning).toMatch(warning);
    else expect(sizes.warning).toBeUndefined();
  });

  it('does not fit when nothing is left of the panel', () => {
    const sizes = cardSizes(format({ panelRevealMm: 60 }));
    expect(sizes.fits).toBe(false);
    expect(sizes.warning).toMatch(/nothing is left/);
  });
});

describe('refuses', () => {
  it.each([
    [{ envelope: { widthMm: 0, heightMm: 114 } }, /^envelope\.widthMm/],
    [{ envelope: { widthMm: 114, heightMm: 162 } }, /^envelope\.widthMm: is the longer edge/],
    [{ clearanceMm: -1 }, /^clearanceMm/],
    [{ bulkMm: Number.POSITIVE_INFINITY }, /^bulkMm/],
    [{ fold: 'gate' }, /^fold/],
    [{ colour: 'red' }, /^colour: unknown key/],
  ])('%j', (change, message) => expect(() => format(change)).toThrow(message));
});
