import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boardsFor,
  cardFormatSchema,
  cardSizes,
  cuttingList,
  cutRequestSchema,
  cutSheet,
  ENVELOPES,
  envelopesFor,
  facesOf,
  grainAlongFold,
  offcutsOf,
  sheetsOnBoard,
  tapeRound,
  USUAL_SHEETS,
  weighCard,
  type CardFormat,
  type Size,
} from '.';

const C6 = { widthMm: 162, heightMm: 114 };
const format = (change: object = {}): CardFormat =>
  cardFormatSchema.parse({ envelope: C6, fold: 'side', border: 'taped', ...change });
const PAPER = { weightGm2: 300, thicknessMm: 0.5 };

const someMat = fc.record({
  thicknessMm: fc.double({ min: 0.2, max: 5, noNaN: true }),
  showsMm: fc.double({ min: 0, max: 30, noNaN: true }),
});
const anyFormat = fc
  .record({
    envelope: fc.constantFrom(...ENVELOPES.map(({ widthMm, heightMm }) => ({ widthMm, heightMm }))),
    fold: fc.constantFrom('side', 'top', 'flat'),
    border: fc.constantFrom('taped', 'bleed', 'bare'),
    stands: fc.constantFrom('lying', 'upright'),
    edge: fc.constantFrom('cut', 'rounded', 'deckled', 'torn'),
    mats: fc.array(someMat, { maxLength: 3 }),
    panelRevealMm: fc.constantFrom(0, 3.175, 12.7, 40),
    foamMm: fc.constantFrom(0, 1.5, 3),
    linerMm: fc.constantFrom(0, 0.12, 0.5),
    bulkMm: fc.constantFrom(0, 4, 20),
    clearanceMm: fc.constantFrom(0, 1, 1.5, 3, 6),
    card: fc.option(
      fc.record({ widthMm: fc.constantFrom(127, 148, 210), heightMm: fc.constantFrom(105, 178) }),
    ),
  })
  .map((choice) => cardFormatSchema.parse(choice));

const inside = (inner: Size, outer: Size): void => {
  expect(inner.widthMm).toBeLessThanOrEqual(outer.widthMm + 1e-6);
  expect(inner.heightMm).toBeLessThanOrEqual(outer.heightMm + 1e-6);
  expect(Math.min(inner.widthMm, inner.heightMm)).toBeGreaterThanOrEqual(0);
};

describe('every envelope, fold, border and mat', () => {
  it('has no negative and no overlapping size', () => {
    fc.assert(
      fc.property(anyFormat, (asked) => {
        const sizes = cardSizes(asked, PAPER.thicknessMm);
        const { card, flat, mats, panel, paint, scores } = sizes;
        inside(card, flat);
        [card, ...mats, panel].reduce((outer, inner) => (inside(inner, outer), inner));
        if (panel.widthMm > 0 && panel.heightMm > 0) inside(panel, paint);
        const edge = asked.fold === 'side' ? flat.widthMm : flat.heightMm;
        for (const { atMm } of scores) expect(atMm).toBeLessThanOrEqual(edge);
        const faces = facesOf(asked.fold, sizes).filter(({ side }) => side === 'outside');
        for (const face of faces) {
          expect(face.x + face.widthMm).toBeLessThanOrEqual(flat.widthMm + 1e-6);
          expect(face.y + face.heightMm).toBeLessThanOrEqual(flat.heightMm + 1e-6);
        }
        if (faces.length === 2)
          expect(faces[1].x + faces[1].y).toBeGreaterThanOrEqual(
            asked.fold === 'side' ? card.widthMm - 1e-6 : card.heightMm - 1e-6,
          );
      }),
      { numRuns: 2000 },
    );
  });

  it('fits only with air on every side, bulk allowed for; a card too thick is told the envelope that would do', () => {
    let [refused, named] = [0, 0];
    fc.assert(
      fc.property(anyFormat, (asked) => {
        const { card, bulkMm, fits, panel, warning } = cardSizes(asked, PAPER.thicknessMm);
        const lying = asked.stands === 'lying';
        const { widthMm, heightMm } = asked.envelope;
        const [wide, high] = lying ? [widthMm, heightMm] : [heightMm, widthMm];
        const air = Math.min(wide - card.widthMm, high - card.heightMm) - bulkMm;
        if (fits) expect(air).toBeGreaterThanOrEqual(3 - 1e-6);
        else expect(warning).toMatch(/too tight|too large|nothing is left/);
        if (fits || !asked.card || panel.widthMm === 0) return;
        refused++;
        const name = /mm; (.+?), [\d.]+ × [\d.]+ mm, would do/.exec(warning!)?.[1];
        if (name === undefined) return;
        named++;
        const would = ENVELOPES.find((envelope) => envelope.name === name)!;
        const turned = card.heightMm > card.widthMm;
        expect(
          cardSizes(
            {
              ...asked,
              envelope: { widthMm: would.widthMm, heightMm: would.heightMm },
              stands: turned ? 'upright' : 'lying',
            },
            PAPER.thicknessMm,
          ).clearance.perSideMm,
        ).toBeGreaterThanOrEqual(2.5 - 1e-6);
      }),
      { numRuns: 2000 },
    );
    expect(refused).toBeGreaterThan(100);
    expect(named).toBeGreaterThan(50);
  });

  it('names the smallest envelope that takes a card', () => {
    expect(envelopesFor({ widthMm: 178, heightMm: 127 }, 2.5, 0)[0].name).toBe('US A7');
    expect(envelopesFor({ widthMm: 127, heightMm: 178 }, 2.5, 4)[0].name).toBe('US A8');
    expect(envelopesFor({ widthMm: 400, heightMm: 300 }, 2.5, 0)).toEqual([]);
  });
});

describe('what lies on and in a card', () => {
  it('thickens it: panel on foam on two mats, a liner in the fold', () => {
    const sizes = cardSizes(
      format({
        ...{ panelRevealMm: 5, foamMm: 2, linerMm: 0.12 },
        mats: [
          { thicknessMm: 0.3, showsMm: 3 },
          { thicknessMm: 0.4, showsMm: 4 },
        ],
      }),
      0.5,
    );
    expect(sizes.bulkMm).toBeCloseTo(0.5 + 2 + 0.3 + 0.4 + 2 * 0.12, 9);
    expect(sizes.card.widthMm).toBeCloseTo(162 - 6 - 3.44, 9);
    expect(sizes.mats.map(({ widthMm }) => widthMm)).toEqual([
      expect.closeTo(sizes.card.widthMm - 10, 6),
      expect.closeTo(sizes.card.widthMm - 16, 6),
    ]);
    expect(sizes.panel.widthMm).toBeCloseTo(sizes.card.widthMm - 24 - 8, 6);
  });

  it('a painted base has no bulk of its own', () => expect(cardSizes(format(), 0.5).bulkMm).toBe(0));

  it('a thick liner makes a spine between two scores, clear of both faces', () => {
    const sizes = cardSizes(format({ linerMm: 0.5 }), 0.5);
    expect(sizes.scores).toEqual([
      { axis: 'x', atMm: sizes.card.widthMm },
      { axis: 'x', atMm: sizes.card.widthMm + 1 },
    ]);
    expect(sizes.flat.widthMm).toBe(2 * sizes.card.widthMm + 1);
    expect(facesOf('side', sizes)[1]).toMatchObject({ name: 'front', x: sizes.card.widthMm + 1, y: 0 });
  });

  it('an upright card turns its envelope', () => {
    expect(cardSizes(format({ stands: 'upright' })).card).toEqual({ widthMm: 108, heightMm: 156 });
  });

  it('a torn edge has paper to hold it by', () => {
    const { panel, paint } = cardSizes(format({ edge: 'torn', border: 'bare', panelRevealMm: 6 }));
    expect(paint.widthMm - panel.widthMm).toBe(16);
  });

  it('a card of a given size takes the air that is left', () => {
    const given = { widthMm: 148, heightMm: 105 };
    expect(cardSizes(format({ card: given }))).toMatchObject({ fits: true, clearance: { perSideMm: 4.5 } });
    const thick = cardSizes(format({ card: given, bulkMm: 7 }));
    expect(thick.fits).toBe(false);
    expect(thick.warning).toBe(
      'too large and thick for this envelope by 1 mm; US A6, 165.1 × 120.65 mm, would do',
    );
  });
});

describe('faces', () => {
  it('a top fold has its back above the front, head down; inside, the top is the front’s reverse', () => {
    const sizes = cardSizes(format({ fold: 'top' }));
    const byName = new Map(facesOf('top', sizes).map((face) => [face.name, face]));
    expect(byName.get('back')).toMatchObject({ y: 0, headDown: true, side: 'outside' });
    expect(byName.get('front')).toMatchObject({ y: sizes.card.heightMm, headDown: false });
    expect(byName.get('inside top')).toMatchObject({ y: 0, headDown: false, side: 'inside' });
  });

  it('grain runs along the fold', () =>
    expect((['side', 'top', 'flat'] as const).map(grainAlongFold)).toEqual(['height', 'width', 'any']));
});

describe('what is cut', () => {
  const mounted = format({ panelRevealMm: 6, mats: [{ thicknessMm: 0.3, showsMm: 4 }], linerMm: 0.12 });

  it('a card painted itself is one piece; a mounted one is base, mat, panel and liner', () => {
    expect(cuttingList(format(), 12).painting).toEqual([
      { name: 'card', widthMm: 312, heightMm: 108, count: 12, grain: 'height' },
    ]);
    const list = cuttingList(mounted, 3, 0.5);
    expect(list.painting.map(({ name }) => name)).toEqual(['panel']);
    expect(list.base.map(({ name }) => name)).toEqual(['card', 'mat 1']);
    expect(list.liner[0].widthMm).toBeCloseTo(cardSizes(mounted, 0.5).flat.widthMm - 6, 6);
  });

  it('a painted edge is cut larger first', () =>
    expect(cuttingList(format({ border: 'bleed' }), 1).painting[0]).toMatchObject({
      widthMm: 318,
      heightMm: 114,
    }));

  it('offcuts and pieces together are the sheet, but for strips', () => {
    const request = cutRequestSchema.parse({
      sheet: { widthMm: 560, heightMm: 380 },
      pieces: [{ name: 'card', widthMm: 312, heightMm: 108, count: 2 }],
    });
    const plan = cutSheet(request);
    const area = (pieces: readonly Size[]): number =>
      pieces.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
    const offcuts = offcutsOf(request, plan);
    expect(area(offcuts) + area(plan.placed)).toBeCloseTo(560 * 380, 3);
    for (const offcut of offcuts)
      for (const piece of plan.placed)
        expect(
          offcut.xMm >= piece.xMm + piece.widthMm - 1e-4 ||
            piece.xMm >= offcut.xMm + offcut.widthMm - 1e-4 ||
            offcut.yMm >= piece.yMm + piece.heightMm - 1e-4 ||
            piece.yMm >= offcut.yMm + offcut.heightMm - 1e-4,
        ).toBe(true);
  });
});

describe('weight, tape and boards', () => {
  const letter = { weightG: 100, thicknessMm: 5 };
  const weigh = (change: object) => {
    const asked = format(change);
    return weighCard(asked, cardSizes(asked, PAPER.thicknessMm), PAPER, USUAL_SHEETS, letter);
  };

  it('weighs paper by its area, and the envelope', () => {
    const plain = weigh({});
    // 312 × 108 mm of 300 g/m², and two and a half faces of 162 × 114 mm at 100 g/m².
    expect(plain.weightG).toBeCloseTo(0.312 * 0.108 * 300 + 2.5 * 0.162 * 0.114 * 100, 6);
    expect(plain.thicknessMm).toBeCloseTo(2 * 0.5 + 0.24, 9);
    expect(plain.over).toBeNull();
  });

  it('says by how much a card is over the limits of the post', () =>
    expect(weigh({ bulkMm: 6 }).over).toBe('2.2 mm too thick'));

  it('a mounted panel and its mat weigh more than a plain base', () =>
    expect(weigh({ panelRevealMm: 6, mats: [{ thicknessMm: 0.6, showsMm: 4 }] }).weightG).toBeGreaterThan(
      weigh({ panelRevealMm: 6 }).weightG,
    ));

  it('tape goes round with its ends over the corners', () =>
    expect(tapeRound({ widthMm: 156, heightMm: 108 })).toBe(2 * (156 + 108) + 80));

  it('as many sheets as lie side by side share a board, at least one', () => {
    const board = { widthMm: 420, heightMm: 320 };
    expect(sheetsOnBoard({ widthMm: 156, heightMm: 108 }, board, 4)).toBe(4);
    expect(sheetsOnBoard({ widthMm: 156, heightMm: 100 }, board, 4)).toBe(6);
    expect(sheetsOnBoard({ widthMm: 500, heightMm: 400 }, board, 4)).toBe(1);
    expect(boardsFor(18, { widthMm: 156, heightMm: 108 }, board, 4)).toBe(5);
  });
});
