import { describe, expect, it } from 'vitest';
import { eventsOf, panelActSchema, spatteredDrops, type PanelAct, type PanelEvent } from '../water';
import { depthAt } from './outline-field';
import { PaintedOutlines } from './painted-outlines';

const SHEET = { widthMm: 60, heightMm: 40 };
const SEED = 9;

const acts = (...asked: object[]): PanelAct[] => asked.map((act) => panelActSchema.parse(act));
const happened = (all: readonly PanelAct[]): PanelEvent[] =>
  eventsOf(all.map((act) => ({ act, field: 'act' })));
const followed = (...all: readonly PanelEvent[][]): PaintedOutlines => {
  const outlines = new PaintedOutlines(SHEET, SEED);
  for (const events of all) outlines.follow(events);
  return outlines;
};
const wash = (atS: number, rect: readonly number[]): object => ({
  ...{ kind: 'wash', atS, shape: { rect }, filmUm: 60 },
  pigments: [{ pigment: 'PB29', gm2: 1 }],
});
const stroke = (atS: number, points: readonly (readonly number[])[]): object => ({
  ...{ kind: 'stroke', atS, points, brush: 'round-8', load: 'loaded', dips: true, strength: 0.2 },
  parts: [{ pigment: 'PB29', parts: 1 }],
});

/** How deep a place lies in any layer, mm. */
const deepest = ({ layers }: PaintedOutlines, x: number, y: number): number =>
  Math.max(-1.5, ...layers.map(({ field }) => depthAt(field, x, y)));

describe('outlines of what was painted', () => {
  it('are one while what they touch is wet, and two once it has dried', () => {
    const [soon, late] = [60, 900].map((atS) =>
      followed(happened(acts(wash(0, [5, 5, 20, 20]), wash(atS, [15, 5, 30, 20])))),
    );
    expect(soon.layers).toHaveLength(1);
    expect(deepest(soon, 25, 15)).toBeGreaterThan(1.4);
    expect(late.layers).toHaveLength(2);
    const apart = happened(acts(wash(0, [5, 5, 10, 10]), wash(1, [30, 5, 10, 10])));
    expect(followed(apart).layers).toHaveLength(2);
  });

  it('join what lies between two of one wet', () => {
    const bridge = acts(wash(0, [5, 5, 10, 20]), wash(1, [30, 5, 10, 20]), wash(2, [14, 10, 17, 8]));
    expect(followed(happened(bridge)).layers).toHaveLength(1);
  });

  it('of a stroke that goes on, and of one that was taken back, are those it would have from the beginning', () => {
    const [act] = acts(
      stroke(5, [
        [10, 20, 0.6, 5],
        [20, 20, 0.6, 5],
        [40, 24, 0.6, 5],
      ]),
    );
    const [whole] = happened([act]);
    const begun = { ...whole, points: whole.points!.slice(0, 2) };
    const [goneOn, atOnce] = [followed([begun], [whole]), followed([whole])];
    for (const [x, y] of [
      [15, 20],
      [30, 22],
      [40, 24],
      [42, 30],
    ])
      expect(deepest(goneOn, x, y)).toBeCloseTo(deepest(atOnce, x, y), 5);
    const [before] = happened(acts(wash(0, [2, 2, 6, 6])));
    const takenBack = followed([before, whole], [before]);
    expect(deepest(takenBack, 30, 22)).toBe(-1.5);
    expect(deepest(takenBack, 5, 5)).toBeGreaterThan(1.4);
  });

  it('leave out what was masked, until the mask is off', () => {
    const mask = { kind: 'mask', atS: 0, shape: { circle: [20, 20, 5] } };
    const masked = followed(happened(acts(mask, wash(10, [5, 5, 30, 30]))));
    expect(deepest(masked, 20, 20)).toBeLessThan(-1.4);
    expect(depthAt(masked.mask!, 20, 20)).toBeGreaterThan(1.4);
    const off = { kind: 'unmask', atS: 900, shape: { circle: [20, 20, 5] } };
    const open = followed(happened(acts(mask, wash(10, [5, 5, 30, 30]), off, wash(950, [15, 15, 10, 10]))));
    expect(depthAt(open.mask!, 20, 20)).toBeLessThan(0);
    expect(deepest(open, 20, 20)).toBeGreaterThan(1.4);
  });

  it('of spatter are the drops that were thrown, by the acts before it', () => {
    const spatter = {
      ...{ kind: 'spatter', atS: 20, tool: 'tapped-brush', area: { rect: [0, 0, 60, 40] }, coverage: 0.1 },
      pigments: [{ pigment: 'PB29', gm2: 1 }],
    };
    const all = acts(
      stroke(0, [
        [5, 5, 0.5],
        [9, 5, 0.5],
      ]),
      spatter,
    );
    const outlines = followed(happened(all));
    const drops = spatteredDrops(all[1] as never, { seed: SEED, touches: 1 });
    expect(drops.length).toBeGreaterThan(20);
    for (const { xMm, yMm, diameterMm } of drops)
      expect(deepest(outlines, xMm, yMm)).toBeGreaterThan(Math.min(1.4, diameterMm / 2) - 0.2);
  });
});
