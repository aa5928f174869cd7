import { describe, expect, it } from 'vitest';
import { quinceBranch } from '../../../../demo/quince-branch';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { cutAway, footprint } from '../../order/areas';
import { contains, polygonArea, rectangle } from '../../kit/geometry';
import { cardsBegun } from '../../commission/occasion';
import { loadsByCode } from '../../materials/pigment';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  covers,
  LIES,
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
} from '../../document/plan';
import { chance } from '../../kit/units';
import { jarsFor, mixingList, paintByMix, wetted } from '.';

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
    expect(paintByMix(half, passAt(half, 'wash')).get('blue')).toBeCloseTo((0.5 * 148 * 50 * 100) / 1e6, 9);
  });
});

describe('drops of mask', () => {
  const spattered = (drops: [number, number, number][]): Plan =>
    smallPlan(
      { do: 'put-resist', resist: { id: 'r', name: 'r', tool: 'toothbrush', strokes: [], drops } },
      addPass('wash', 'sky', 'blue', { filmUm: 100 }),
      { do: 'mask-when', masked: 'r', on: null, off: null },
    );
  const mm2 = (plan: Plan): number => (paintByMix(plan, passAt(plan, 'wash')).get('blue')! * 1e6) / 100;
  const sky = 148 * 50;

  it('keep off what lies under them: whole, across an edge, beside it, and twice but once', () => {
    const disc = Math.PI * 9;
    expect(sky - mm2(spattered([[30, 20, 6]]))).toBeCloseTo(disc, 0);
    expect(sky - mm2(spattered([[30, 50, 6]]))).toBeCloseTo(disc / 2, 0);
    expect(mm2(spattered([[30, 80, 6]]))).toBeCloseTo(sky, 6);
    expect(sky - mm2(spattered([[30, 20, 6], [30, 20, 6]]))).toBeCloseTo(disc, 0); // prettier-ignore
  });

  it('are the same counted as cut out, to a hundredth, and thousands take no second', () => {
    const random = chance(5);
    const many = spattered(
      Array.from({ length: 1500 }, () => [148 * random(), 50 * random(), 0.3 + 0.8 * random()]),
    );
    const cut = cutAway([outlineOf(many, 'sky')], footprint(many, 'r'));
    const left = cut.reduce((sum, region) => sum + polygonArea(region), 0);
    const beganMs = performance.now();
    expect(Math.abs((sky - mm2(many)) / (sky - left) - 1)).toBeLessThan(0.02);
    expect(performance.now() - beganMs).toBeLessThan(1000);
  });
});

describe('a pass of several mixes', () => {
  it.each(LIES)('gives the one that lies %s its share of a rectangle, and loses nothing', (lies) => {
    const plan = smallPlan(addPass('wash', 'sky', 'blue', { also: [{ mix: 'lemon', lies, share: 0.3 }] }));
    const index = passAt(plan, 'wash');
    const parts = paintByMix(plan, index);
    const all = (148 * 50 * (plan.acts[index] as Pass).filmUm) / 1e6;
    expect(parts.get('lemon')! / all).toBeCloseTo(0.3, 2);
    expect(parts.get('blue')! + parts.get('lemon')!).toBeCloseTo(all, 9);
  });

  it('gives a place that two would have to the later', () => {
    const also = [
      { mix: 'lemon', lies: 'above', share: 0.5 } as const,
      { mix: 'dark', lies: 'left', share: 0.5 } as const,
    ];
    const plan = smallPlan(addPass('wash', 'sky', 'blue', { also }));
    const parts = paintByMix(plan, passAt(plan, 'wash'));
    const all = [...parts.values()].reduce((sum, ml) => sum + ml, 0);
    expect(['dark', 'lemon', 'blue'].map((mix) => parts.get(mix)! / all)).toEqual([
      expect.closeTo(0.5, 6),
      expect.closeTo(0.25, 6),
      expect.closeTo(0.25, 6),
    ]);
  });

  it('is mixed for the copies that are painted so, and only for them', () => {
    const plan = smallPlan(addPass('wash', 'sky', 'blue'), {
      do: 'set-brief',
      change: { copies: 5, spares: 1 },
    });
    const [alike] = mixingList(plan, dish);
    const varied = applyCommands(plan, [
      {
        do: 'vary',
        variant: {
          ...{ id: 'v', name: 'in yellow', copies: 2 },
          changes: [{ do: 'lay-in', pass: 'wash', mix: 'lemon' }],
        },
      },
    ]).plan;
    const used = new Map(mixingList(varied, dish).map(({ mix, usedMl }) => [mix, usedMl]));
    expect(used.get('blue')).toBeCloseTo((4 / 6) * alike.usedMl, 9);
    expect(used.get('lemon')).toBeCloseTo((2 / 6) * alike.usedMl, 9);
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
          const mm2 = cardsBegun(plan.brief) * counted(plan, index) * act.covers;
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
