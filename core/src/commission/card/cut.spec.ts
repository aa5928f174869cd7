import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutRequestSchema, cutSheet, type CutPlan, type CutRequest } from '.';
import { cases } from '../../testing/cases';

const asked = (more: object): CutRequest =>
  cutRequestSchema.parse({ sheet: { widthMm: 560, heightMm: 380 }, pieces: [], ...more });
const planned = (more: object): CutPlan => cutSheet(asked(more));

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
const boxOf = ({ xMm, yMm, widthMm, heightMm }: CutPlan['placed'][number]): Box => ({
  left: xMm,
  top: yMm,
  right: xMm + widthMm,
  bottom: yMm + heightMm,
});
const NEAR = 1e-4;

/** Follows the cuts on paper: every cut goes through exactly one part, edge to edge, and every piece comes out as a part. */
function follow(request: CutRequest, plan: CutPlan): void {
  const sheets = Math.max(0, ...plan.placed.map(({ sheet }) => sheet));
  for (let sheet = 1; sheet <= sheets; sheet++) {
    let parts: Box[] = [{ left: 0, top: 0, right: request.sheet.widthMm, bottom: request.sheet.heightMm }];
    for (const { from, atMm, acrossMm } of plan.cuts.filter((cut) => cut.sheet === sheet)) {
      const through = parts.filter((part) =>
        from === 'left'
          ? part.left < atMm - NEAR &&
            part.right > atMm + NEAR &&
            Math.abs(part.top - acrossMm[0]) < NEAR &&
            Math.abs(part.bottom - acrossMm[1]) < NEAR
          : part.top < atMm - NEAR &&
            part.bottom > atMm + NEAR &&
            Math.abs(part.left - acrossMm[0]) < NEAR &&
            Math.abs(part.right - acrossMm[1]) < NEAR,
      );
      expect(through).toHaveLength(1);
      const [part] = through;
      parts = parts.filter((other) => other !== part);
      if (from === 'left') parts.push({ ...part, right: atMm }, { ...part, left: atMm });
      else parts.push({ ...part, bottom: atMm }, { ...part, top: atMm });
    }
    for (const piece of plan.placed.filter((placed) => placed.sheet === sheet).map(boxOf)) {
      const same = parts.filter((part) =>
        (['left', 'top', 'right', 'bottom'] as const).every(
          (edge) => Math.abs(part[edge] - piece[edge]) < NEAR,
        ),
      );
      expect(same).toHaveLength(1);
    }
  }
}

/** Everything a plan must keep: size, grain, margin, gap, counts, and that it can be cut. */
function check(request: CutRequest, plan: CutPlan): void {
  const { sheet, pieces, marginMm, gapMm } = request;
  for (const placed of plan.placed) {
    const piece = pieces.find(({ name }) => name === placed.name)!;
    const lies = placed.turned ? [piece.heightMm, piece.widthMm] : [piece.widthMm, piece.heightMm];
    expect([placed.widthMm, placed.heightMm]).toEqual(lies.map((mm) => expect.closeTo(mm, 4) as number));
    if (piece.grain !== 'any' && sheet.grain !== undefined)
      expect(placed.turned, 'grain').toBe(piece.grain !== sheet.grain);
    const box = boxOf(placed);
    expect(box.left).toBeGreaterThanOrEqual(marginMm - NEAR);
    expect(box.top).toBeGreaterThanOrEqual(marginMm - NEAR);
    expect(box.right).toBeLessThanOrEqual(sheet.widthMm - marginMm + NEAR);
    expect(box.bottom).toBeLessThanOrEqual(sheet.heightMm - marginMm + NEAR);
    for (const other of plan.placed) {
      if (other === placed || other.sheet !== placed.sheet) continue;
      const with_ = boxOf(other);
      const apart = Math.max(
        with_.left - box.right,
        box.left - with_.right,
        with_.top - box.bottom,
        box.top - with_.bottom,
      );
      expect(apart).toBeGreaterThanOrEqual(gapMm - NEAR);
    }
  }
  for (const piece of pieces) {
    expect(plan.counts[piece.name]).toBe(plan.placed.filter(({ name }) => name === piece.name).length);
    if (!('count' in piece)) continue;
    const left = plan.unplaced.find(({ name }) => name === piece.name)?.count ?? 0;
    expect(plan.counts[piece.name] + left).toBe(piece.count);
  }
  follow(request, plan);
}

/** Most pieces of one size out of a rectangle, by trying every cut at every sum of sides; whole millimetres. */
function most(width: number, height: number, a: number, b: number): number {
  const known = new Map<string, number>();
  const sums = (limit: number): number[] => {
    const found: number[] = [];
    for (let i = 0; i * a <= limit; i++)
      for (let j = 0; i * a + j * b <= limit; j++) found.push(i * a + j * b);
    return [...new Set(found)].filter((sum) => sum > 0).sort((x, y) => x - y);
  };
  const best = (w: number, h: number): number => {
    const key = `${w}/${h}`;
    const had = known.get(key);
    if (had !== undefined) return had;
    let found = (a <= w && b <= h) || (b <= w && a <= h) ? 1 : 0;
    for (const at of sums(w / 2)) found = Math.max(found, best(at, h) + best(w - at, h));
    for (const at of sums(h / 2)) found = Math.max(found, best(w, at) + best(w, h - at));
    known.set(key, found);
    return found;
  };
  return best(width, height);
}

/** Whether all of some pieces can be cut out of a rectangle, by trying every guillotine tree there is. */
function allFit(pieces: readonly (readonly [number, number])[], width: number, height: number): boolean {
  if (pieces.length === 0) return true;
  if (pieces.length === 1) {
    const [[a, b]] = pieces;
    return (a <= width && b <= height) || (b <= width && a <= height);
  }
  const cutsAt = (limit: number): number[] => {
    let sums = [0];
    for (const [a, b] of pieces) sums = [...new Set(sums.flatMap((sum) => [sum, sum + a, sum + b]))];
    return sums.filter((sum) => sum > 0 && sum < limit);
  };
  for (let taken = 1; taken < 2 ** pieces.length - 1; taken++) {
    const ones = pieces.filter((_, i) => taken & (1 << i));
    const others = pieces.filter((_, i) => !(taken & (1 << i)));
    if (cutsAt(width).some((at) => allFit(ones, at, height) && allFit(others, width - at, height)))
      return true;
    if (cutsAt(height).some((at) => allFit(ones, width, at) && allFit(others, width, height - at)))
      return true;
  }
  return false;
}

describe('pieces of one size', () => {
  it('are as many as can be cut, on 200 sheets', () => {
    const anySheet = fc.record({
      width: fc.integer({ min: 60, max: 330 }),
      height: fc.integer({ min: 60, max: 330 }),
      a: fc.integer({ min: 31, max: 140 }),
      b: fc.integer({ min: 31, max: 140 }),
    });
    fc.assert(
      fc.property(anySheet, ({ width, height, a, b }) => {
        const request = asked({
          sheet: { widthMm: width, heightMm: height },
          pieces: [{ name: 'card', widthMm: a, heightMm: b, asMany: true }],
        });
        const plan = cutSheet(request);
        expect(plan.counts['card']).toBe(most(width, height, a, b));
        check(request, plan);
      }),
      { numRuns: cases(200), seed: 11 },
    );
  });

  it('quarter a sheet in three cuts', () => {
    const plan = planned({ pieces: [{ name: 'base', widthMm: 280, heightMm: 190, count: 4 }] });
    expect(plan.placed).toHaveLength(4);
    expect(plan.cuts).toHaveLength(3);
    expect(plan.wastePct).toBeCloseTo(0, 9);
  });

  it('lie along the grain when they have to', () => {
    const along = (grain: string): CutPlan =>
      planned({
        sheet: { widthMm: 300, heightMm: 200, grain: 'width' },
        pieces: [{ name: 'base', widthMm: 150, heightMm: 60, asMany: true, grain }],
      });
    expect(along('any').counts['base']).toBe(6);
    expect(along('width').placed.every(({ turned }) => !turned)).toBe(true);
    expect(along('height').placed.every(({ turned }) => turned)).toBe(true);
    expect(along('height').counts['base']).toBe(5);
  });
});

describe('pieces of several sizes', () => {
  const anyPieces = fc.array(fc.tuple(fc.integer({ min: 20, max: 110 }), fc.integer({ min: 20, max: 110 })), {
    minLength: 2,
    maxLength: 4,
  });

  it('are all placed exactly when all can be', () => {
    let could = 0;
    fc.assert(
      fc.property(anyPieces, (sizes) => {
        const request = asked({
          sheet: { widthMm: 170, heightMm: 130 },
          pieces: sizes.map(([widthMm, heightMm], i) => ({ name: `p${i}`, widthMm, heightMm, count: 1 })),
        });
        const plan = cutSheet(request);
        check(request, plan);
        const can = allFit(sizes, 170, 130);
        if (can) could++;
        expect(plan.unplaced.length === 0).toBe(can);
      }),
      { numRuns: 60, seed: 5 },
    );
    expect(could).toBeGreaterThan(10);
    expect(could).toBeLessThan(58);
  });

  it('keep margin, gap and grain over several sheets, however many there are', () => {
    const anyRequest = fc.record({
      sheets: fc.integer({ min: 1, max: 3 }),
      marginMm: fc.constantFrom(0, 5, 12.5),
      gapMm: fc.constantFrom(0, 2, 3.2),
      grain: fc.constantFrom(undefined, 'width', 'height'),
      pieces: fc.array(
        fc.record({
          widthMm: fc.double({ min: 18, max: 260, noNaN: true }),
          heightMm: fc.double({ min: 18, max: 260, noNaN: true }),
          count: fc.integer({ min: 1, max: 7 }),
          grain: fc.constantFrom('any', 'width', 'height'),
        }),
        { minLength: 1, maxLength: 7 },
      ),
    });
    fc.assert(
      fc.property(anyRequest, ({ grain, pieces, ...more }) => {
        const request = asked({
          sheet: { widthMm: 560, heightMm: 380, ...(grain ? { grain } : {}) },
          pieces: pieces.map((piece, i) => ({ name: `p${i}`, ...piece })),
          ...more,
        });
        check(request, cutSheet(request));
      }),
      { numRuns: cases(40), seed: 3 },
    );
  });

  it('come out of a sheet again that was cut into forty by chance', () => {
    let state = 7;
    const random = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
    const shatter = (w: number, h: number, n: number): [number, number][] => {
      if (n === 1) return [[w, h]];
      const first = Math.max(1, Math.min(n - 1, Math.round(n * (0.3 + 0.4 * random()))));
      const at = (first / n) * (0.9 + 0.2 * random());
      return w > h
        ? [...shatter(Math.round(w * at), h, first), ...shatter(w - Math.round(w * at), h, n - first)]
        : [...shatter(w, Math.round(h * at), first), ...shatter(w, h - Math.round(h * at), n - first)];
    };
    const sizes = shatter(760, 560, 40);
    const request = asked({
      // A sheet a few per cent larger than the puzzle: with none to spare a search need not find it again.
      sheet: { widthMm: 790, heightMm: 585 },
      pieces: sizes.map(([widthMm, heightMm], i) => ({ name: `p${i}`, widthMm, heightMm, count: 1 })),
    });
    const plan = cutSheet(request);
    check(request, plan);
    const area = plan.placed.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
    expect(area / (760 * 560)).toBeGreaterThan(0.95);
  });
});

describe('what cannot be cut', () => {
  it('is said, not left out silently', () => {
    const plan = planned({ pieces: [{ name: 'poster', widthMm: 600, heightMm: 100, count: 2 }] });
    expect(plan).toMatchObject({
      placed: [],
      cuts: [],
      unplaced: [{ name: 'poster', count: 2 }],
      wastePct: 0,
    });
  });

  it('a margin that leaves nothing leaves nothing', () =>
    expect(
      planned({ marginMm: 200, pieces: [{ name: 'a', widthMm: 10, heightMm: 10, count: 1 }] }).placed,
    ).toEqual([]));

  it('and bad input is refused', () => {
    const piece = { name: 'a', widthMm: 10, heightMm: 10, count: 1 };
    expect(() => asked({ pieces: [piece, piece] })).toThrow('two pieces have the same name');
    expect(() => asked({ pieces: [{ ...piece, widthMm: 0 }] })).toThrow();
    expect(() => asked({ pieces: [] })).toThrow();
    const dust = { name: 'dust', widthMm: 1, heightMm: 1, asMany: true };
    expect(() => planned({ sheets: 50, pieces: [dust] })).toThrow(/pieces: come to \d+, more than 5000/);
  });
});
