import { describe, expect, it } from 'vitest';
import { contains, rectangle } from '../../kit/geometry';
import { paperById } from '../../materials/paper';
import { matchIn, mixTable, pigmentByCode } from '../../materials/pigment';
import { chance, done } from '../../kit/units';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  colourAt,
  layersAt,
  paintedOf,
  type Command,
  type Plan,
} from '../../document/plan';
import {
  counterchanges,
  lightnessOfTone,
  oneTone,
  reachAt,
  sharedEdges,
  toneOf,
  toneShares,
  valueLadder,
  whiteShare,
} from '.';

const painted = smallPlan(
  addMix('pale', 0.05, 'PB29'),
  addPass('sky-wash', 'sky', 'pale'),
  addPass('field-wash', 'field', 'dark'),
  addPass('boat-wash', 'boat', 'lemon'),
);
const keep = (area: string, way: 'mask' | 'paint-round'): Command => ({
  do: 'keep-white',
  white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard' },
});

describe('the value ladder', () => {
  it('goes from light to dark, areas as they dry and mixes on bare paper', () => {
    const rungs = valueLadder(painted);
    expect(rungs).toHaveLength(painted.areas.length + painted.mixes.length);
    const levels = rungs.map(({ lightness }) => lightness);
    expect([...levels].sort((a, b) => b - a)).toEqual(levels);
    expect(rungs.find(({ id }) => id === 'boat')!.lightness).toBe(colourAt(painted, 'boat', 99)[0]);
    expect(rungs.at(-1)!.name).toBe('dark');
  });
});

describe('shared edges', () => {
  it('tell how far neighbours differ, the least first, and which edges are lost', () => {
    const [edge, ...others] = sharedEdges(painted);
    expect([edge.one, edge.other, edge.lost]).toEqual(['sky', 'boat', true]);
    expect(edge.sharedMm).toBeCloseTo(80, 0);
    // The field lies ten millimetres from the sky.
    expect(others).toEqual([]);
    const dark = applyCommands(painted, [
      { do: 'change-pass', pass: 'boat-wash', change: { mix: 'dark' } },
    ]).plan;
    expect(sharedEdges(dark)[0].lost).toBe(false);
  });
});

describe('squinting', () => {
  it('sorts lightness into equal tones', () => {
    expect([0, 30, 50, 80, 100].map((l) => toneOf(l, 3))).toEqual([0, 0, 1, 2, 2]);
    for (const tones of [3, 5])
      for (let tone = 0; tone < tones; tone++) expect(toneOf(lightnessOfTone(tone, tones), tones)).toBe(tone);
  });

  /** What lies uppermost, counted cell by cell. */
  const counted = (plan: Plan, of: (top: string | null) => boolean): number => {
    const { widthMm, heightMm } = paintedOf(plan).panel;
    let [hits, all] = [0, 0];
    for (let y = 0.25; y < heightMm; y += 0.5)
      for (let x = 0.25; x < widthMm; x += 0.5) {
        all++;
        if (of(plan.areas.findLast(({ outline }) => contains(outline, [x, y]))?.id ?? null)) hits++;
      }
    return hits / all;
  };

  it('shares the whole panel out among its tones, as counted cell by cell', () => {
    const lightness = new Map<string | null, number>([[null, 97]]);
    for (const { id } of painted.areas) lightness.set(id, colourAt(painted, id, 99)[0]);
    for (const tones of [3, 5]) {
      const shares = toneShares(painted, tones);
      expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      shares.forEach((share, tone) => {
        const cells = counted(painted, (top) => toneOf(lightness.get(top)!, tones) === tone);
        expect(Math.abs(share - cells)).toBeLessThan(0.005);
      });
    }
  });

  it('calls a panel all one value when more than 85 % of it lie in one tone', () => {
    expect([oneTone([0.02, 0.86, 0.12]), oneTone([0.1, 0.85, 0.05]), oneTone([0, 0, 1])]).toEqual([
      1,
      null,
      2,
    ]);
  });

  it('finds how much paper is left: masked and unpainted parts count, an area over the edge counts inside', () => {
    expect(whiteShare(smallPlan())).toBeCloseTo(1, 9);
    const plan = applyCommands(painted, [
      { do: 'remove-act', act: 'boat-wash' },
      keep('boat', 'mask'),
      addArea('over', rectangle(120, 70, 80, 20)),
    ]).plan;
    const bare = new Set(
      plan.areas.filter(({ id }) => layersAt(plan, id, 99).length === 0).map(({ id }) => id),
    );
    const white = counted(plan, (top) => top === null || bare.has(top));
    expect(Math.abs(whiteShare(plan) - white)).toBeLessThan(0.005);
  });
});

describe('counterchange', () => {
  // A lamp from the right, low: a dark ground there sets the lit side off.
  const lit = (ground: 'dark' | 'pale'): Plan =>
    smallPlan(
      addMix('pale', 0.05, 'PB29'),
      addArea('right', rectangle(81, 10, 40, 40)),
      addPass('ground', 'right', ground),
      addPass('boat-wash', 'boat', 'lemon'),
      { do: 'see-as', area: 'boat', form: 'ball' },
      { do: 'set-lamp', lamp: { sideDeg: 0, heightDeg: 10 } },
    );
  it('compares a body with its ground where the light falls and where it does not', () => {
    const [boat] = counterchanges(lit('dark'));
    expect(boat.lit[0]).toBe(80);
    expect(boat.litL).toBeGreaterThan(30);
    // On the other side lies bare paper, lighter than the boat.
    expect(boat.shadeL).toBeLessThan(0);
  });
  it('is no contrast where a side is as light as its ground', () => {
    const [boat] = counterchanges(lit('pale'));
    expect(Math.abs(boat.litL)).toBeLessThan(10);
  });
  it('is nothing without a lamp or a body', () => {
    expect(counterchanges(painted)).toEqual([]);
    expect(counterchanges(applyCommands(lit('dark'), [{ do: 'set-lamp', lamp: null }]).plan)).toEqual([]);
  });
});

describe('what a palette reaches', () => {
  const palette = ['PY150', 'PR122', 'PB29', 'PBr7-burnt-sienna'].map((code) => pigmentByCode(code));
  const table = done(mixTable(palette, paperById('cotton-cold-300')));

  it('is just what is mixed: of places inside all are near a mix, of places well outside none', () => {
    const random = chance(3);
    for (const lightness of [70, 50, 35]) {
      const regions = done(reachAt(table, lightness));
      let [inside, outside] = [0, 0];
      for (let i = 0; i < 160; i++) {
        const [a, b] = [random() * 130 - 65, random() * 130 - 65];
        const holds = regions.some((region) => contains(region, [a, b]));
        const near = [-5, 5].some((d) =>
          regions.some((region) => contains(region, [a + d, b]) || contains(region, [a, b + d])),
        );
        if (!holds && near) continue;
        const { deltaE00 } = matchIn(table, [lightness, a, b]).best;
        if (holds) expect(deltaE00).toBeLessThan(3.5);
        else expect(deltaE00).toBeGreaterThan(1.2);
        if (holds) inside++;
        else outside++;
      }
      expect(inside).toBeGreaterThan(5);
      expect(outside).toBeGreaterThan(20);
    }
  });
  it('is nothing beyond the paper’s white', () => expect(done(reachAt(table, 110))).toEqual([]));
});
