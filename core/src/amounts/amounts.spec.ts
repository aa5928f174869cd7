import { describe, expect, it } from 'vitest';
import { quinceBranch } from '../../../demo/quince-branch';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { contains, rectangle } from '../geometry';
import { loadsByCode } from '../pigment';
import {
  applyCommands,
  covers,
  isPaintedRound,
  isShielded,
  laidMix,
  maskedAfter,
  mixOf,
  NEW_STUDIO,
  outlineOf,
  paintedOf,
  type Command,
  type Pass,
  type Plan,
} from '../plan';
import { addArea, addMix, addPass, smallPlan } from '../testing/small-plan';
import { copiesOf, jarsFor, mixingList, paintOf, wetted } from '.';
import { polygonArea } from '../geometry';

const { dish } = NEW_STUDIO;
const passAt = (plan: Plan, id: string): number => plan.acts.findIndex((act) => act.id === id);
const area = (plan: Plan, id: string): number =>
  wetted(plan, passAt(plan, id)).reduce((sum, region) => sum + polygonArea(region), 0);

/** What a pass wets, counted cell by cell, mm²: an oracle that cuts nothing. */
function counted(plan: Plan, index: number, cellMm = 0.5): number {
  const pass = plan.acts[index] as Pass;
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const masked = [...maskedAfter(plan.acts, index)];
  let cells = 0;
  for (let y = cellMm / 2; y < heightMm; y += cellMm)
    for (let x = cellMm / 2; x < widthMm; x += cellMm) {
      const at = [x, y] as const;
      if (!pass.areas.some((id) => contains(outlineOf(plan, id), at))) continue;
      if (masked.some((id) => covers(plan, id, at)) || isShielded(plan, pass, at)) continue;
      const round = plan.whites.some(
        ({ way, area: white }) =>
          isPaintedRound(way) && !pass.areas.includes(white) && contains(outlineOf(plan, white), at),
      );
      if (!round) cells++;
    }
  return cells * cellMm * cellMm;
}

describe('what a pass wets', () => {
  const moon = addArea('moon', rectangle(20, 10, 10, 10));
  const white = (way: 'mask' | 'paint-round' | 'lift'): Command => ({
    do: 'keep-white',
    white: { id: 'w', area: 'moon', way, tool: null, wanted: null, edge: 'hard' },
  });
  const wash = addPass('wash', 'sky', 'blue');

  it('is its areas, less what is masked, painted round or shielded', () => {
    const sky = 148 * 50;
    expect(area(smallPlan(wash), 'wash')).toBeCloseTo(sky, 6);
    expect(area(smallPlan(moon, wash, white('mask')), 'wash')).toBeCloseTo(sky - 100, 6);
    expect(area(smallPlan(moon, wash, white('paint-round')), 'wash')).toBeCloseTo(sky - 100, 6);
    expect(area(smallPlan(moon, wash, white('lift')), 'wash')).toBeCloseTo(sky, 6);
    const shielded = (lies: 'over' | 'round'): Plan =>
      smallPlan(moon, addPass('wash', 'sky', 'blue', { shields: [{ area: 'moon', lies, edge: 'cut' }] }));
    expect(area(shielded('over'), 'wash')).toBeCloseTo(sky - 100, 6);
    expect(area(shielded('round'), 'wash')).toBeCloseTo(100, 6);
  });

  it('counts what two of its areas share once', () => {
    const both = addPass('wash', 'sky', 'blue', { areas: ['sky', 'boat'] });
    expect(area(smallPlan(both), 'wash')).toBeCloseTo(148 * 50, 6);
  });

  it('takes paint by its share and its film', () => {
    const half = smallPlan(addPass('wash', 'sky', 'blue', { covers: 0.5, filmUm: 100 }));
    expect(paintOf(half, passAt(half, 'wash'))).toBeCloseTo((0.5 * 148 * 50 * 100) / 1e6, 9);
  });
});

describe('the mixing list', () => {
  const batch = quinceBranch();

  it('of the demo batch mixes what its passes use, counted cell by cell, and what is said to be lost: to 1 %', () => {
    for (const plan of [batch, kettleInTheRain()])
      for (const amount of mixingList(plan, dish)) {
        let used = 0;
        const grams = new Map<string, number>();
        plan.acts.forEach((act, index) => {
          if (act.kind !== 'pass' || act.mix !== amount.mix) return;
          const mm2 = copiesOf(plan) * counted(plan, index) * act.covers;
          used += (mm2 * act.filmUm) / 1e6;
          for (const { pigment, gm2 } of loadsByCode(laidMix(plan, mixOf(plan, act.mix), act.filmUm)))
            grams.set(pigment, (grams.get(pigment) ?? 0) + (mm2 * gm2) / 1e6);
        });
        const lost = used / (1 - dish.rinsed) - used + amount.wells * dish.leftMl;
        expect(Math.abs(amount.mixMl - lost - used) / used).toBeLessThan(0.01);
        // And the pigment that is mixed is that of the paint on the paper, and of what is lost.
        for (const { pigment, dryG } of amount.paint) {
          const onPaper = dryG * (amount.usedMl / amount.mixMl);
          expect(Math.abs(onPaper - grams.get(pigment)!) / onPaper).toBeLessThan(0.01);
        }
      }
  });

  it('grows with the copies, and asks for more wells before one runs over', () => {
    const of = (copies: number) =>
      mixingList(applyCommands(batch, [{ do: 'set-brief', change: { copies, spares: 0 } }]).plan, dish)[0];
    expect(of(20).usedMl).toBeCloseTo(20 * of(1).usedMl, 9);
    for (const copies of [1, 5, 18, 60]) {
      const { mixMl, wells } = of(copies);
      expect(mixMl).toBeLessThanOrEqual(wells * dish.wellMl + 1e-9);
      expect(mixMl).toBeGreaterThan((wells - 1) * (dish.wellMl - dish.leftMl));
    }
    expect(of(60).wells).toBeGreaterThan(of(5).wells);
  });

  it('parts water and paint by the strength, and paint by its parts', () => {
    const [quince] = mixingList(batch, dish);
    const paint = quince.paint.reduce((sum, { ml }) => sum + ml, 0);
    expect(paint + quince.waterMl).toBeCloseTo(quince.mixMl, 9);
    expect(paint / quince.mixMl).toBeCloseTo(0.24, 9);
    expect(quince.paint[0].ml / quince.paint[1].ml).toBeCloseTo(3, 9);
  });

  it('says what is short of what is mixed, and what has to stand ready before any wetting', () => {
    const said = (mixedMl: number | null) => {
      const plan = smallPlan(
        addPass('wet', 'sky', null, { technique: 'pre-wet' }),
        addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on' }),
        addPass('field-wash', 'field', 'dark'),
      );
      const mixes = plan.mixes.map((mix) => (mix.id === 'blue' ? { ...mix, mixedMl } : mix));
      return mixingList({ ...plan, mixes }, dish);
    };
    const [blue, dark] = said(0.2);
    expect([blue.beforeWetting, dark.beforeWetting]).toEqual([true, false]);
    expect(blue.shortMl).toBeCloseTo(blue.mixMl - 0.2, 9);
    expect(said(null)[0].shortMl).toBe(0);
    expect(said(50)[0].shortMl).toBe(0);
  });

  it('holds for a dish of thimbles: something always comes out of a well', () => {
    const [quince] = mixingList(batch, { ...dish, wellMl: 0.1, leftMl: 0.5 });
    expect(quince.mixMl).toBeLessThanOrEqual(0.1 * quince.wells + 1e-9);
  });
});

describe('jars', () => {
  it('are three where opposites are rinsed, two where all lie together', () => {
    const painted = (code: string): Plan =>
      smallPlan(
        addMix('other', 0.4, code),
        addMix('blue', 0.5, 'PB29'),
        addPass('a', 'sky', 'blue'),
        addPass('b', 'field', 'other'),
      );
    expect(jarsFor(painted('PO48'))).toEqual({ jars: 3, opposites: [{ one: 'blue', other: 'other' }] });
    expect(jarsFor(painted('PB15:3'))).toEqual({ jars: 2, opposites: [] });
    // What is mixed and never used fouls nothing.
    expect(jarsFor(smallPlan(addMix('other', 0.4, 'PO48'), addPass('a', 'sky', 'blue'))).jars).toBe(2);
  });
});
