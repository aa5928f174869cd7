import { describe, expect, it } from 'vitest';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { applyCommands, type HandAct, type Plan, type Trial } from '../../document/plan';
import { plainPaintKernel } from '../../materials/pigment';
import { layOut, rehearse } from '../../order/schedule';
import { done } from '../../kit/units';
import { pictureOf, type PanelPicture } from '../../simulation/picture';
import { Replay, simulationSchema } from '../../simulation/water';
import { polygonArea } from '../../kit/geometry';
import {
  asPasses,
  carryOut,
  difference,
  laidOver,
  layerBetween,
  newSheet,
  remediesFor,
  sheetLayers,
  SYMPTOMS,
  coveredBy,
  type Mishap,
} from '.';

const plan = kettleInTheRain();
const kernel = panelKernelFromBuild();
const [low] = plan.mixes;

type Spot = readonly [number, number];
const strokeAt = (
  atS: number,
  from: Spot,
  to: Spot,
  change: object = {},
  onto: HandAct['onto'] = 'dry',
): HandAct => ({
  onto,
  waterMl: 0.05,
  act: {
    ...{ kind: 'stroke', atS, brush: 'round-8', load: 'loaded', dips: true },
    ...{ parts: low.parts.map((part) => ({ ...part })), strength: low.strength },
    points: [
      [from[0], from[1], 0.7, atS],
      [to[0], to[1], 0.7, atS + 1.5],
    ],
    ...change,
  },
});
const sheetOf = (...acts: HandAct[]): Trial => {
  const sheet = newSheet(plan, { id: 'try', name: 'try', cellMm: 1 });
  return { ...sheet, acts: [...sheet.acts, ...acts] };
};
const replayOf = (trial: Trial): Replay =>
  new Replay(
    simulationSchema.parse({
      ...{ widthMm: trial.widthMm, heightMm: trial.heightMm, cellMm: trial.cellMm, seed: 1, stopS: 1 },
      ...{ paper: trial.paper, climate: trial.climate, pigments: trial.pigments },
      acts: trial.acts.map(({ act }) => act),
    }),
    kernel,
    1e8,
    plan.embedded,
  );
const flat = (...colour: [number, number, number]): PanelPicture => ({
  ...{ columns: 6, rows: 4 },
  rgba: Uint8ClampedArray.from({ length: 96 }, (_, i) => (i % 4 === 3 ? 255 : colour[i % 4])),
});

describe('a new sheet', () => {
  it('is as large as the paper, taped, and has the card’s pigments set out', () => {
    const sheet = newSheet(plan, { id: 'a', name: 'a', cellMm: 1 });
    expect(sheet.acts).toHaveLength(1);
    expect(sheet.acts[0].act.kind).toBe('mask');
    expect(new Set(sheet.pigments)).toEqual(new Set(plan.palette));
    const { plan: laid } = applyCommands(plan, [{ do: 'lay-sheet', trial: sheet }]);
    expect(laid.trials).toEqual([sheet]);
  });

  it('as planned has every stroke the plan would paint, at its time', () => {
    const sheet = newSheet(plan, { id: 'a', name: 'a', cellMm: 1 }, 'as-planned');
    const planned = rehearse(plan, layOut(plan), { cellMm: 1, seed: 1 }).acts;
    expect(sheet.acts.slice(1).map(({ act }) => act)).toEqual(planned);
  });
});

describe('strokes as passes', () => {
  const near = strokeAt(10, [40, 30], [70, 30]);
  const next = strokeAt(14, [40, 34], [70, 34]);

  it('of one mix that follow closely are one pass, with the mix they were painted with', () => {
    const { commands, passes } = asPasses(plan, sheetOf(near, next));
    expect(passes).toBe(1);
    const [act] = commands.flatMap((c) => (c.do === 'add-act' ? [c.act] : []));
    expect(act).toMatchObject({ kind: 'pass', mix: low.id, start: { atS: 10 } });
    expect(act.kind === 'pass' && act.strokes).toHaveLength(2);
    expect(commands.some(({ do: what }) => what === 'put-mix')).toBe(false);
  });

  it('apart in time, in paint or in what they met are passes of their own', () => {
    const water = strokeAt(20, [40, 30], [70, 30], { parts: [] });
    const later = strokeAt(500, [40, 30], [70, 30]);
    const wet = strokeAt(30, [40, 30], [70, 30], {}, 'shiny');
    const made = asPasses(plan, sheetOf(near, water, wet, later));
    expect(made.passes).toBe(4);
    const techniques = made.commands.flatMap((c) =>
      c.do === 'add-act' && c.act.kind === 'pass' ? [c.act.technique] : [],
    );
    expect(techniques.slice(1, 3)).toEqual(['pre-wet', 'wet-in-wet']);
  });

  it('are painted again just as they were, in the time their pass begins', () => {
    const { commands } = asPasses(plan, sheetOf(near, next));
    const bare: Plan = { ...plan, acts: plan.acts.filter(({ kind }) => kind === 'chore') };
    const after = applyCommands(bare, commands).plan;
    const acts = rehearse(after, layOut(after), { cellMm: 1, seed: 1 }).acts.filter(
      ({ kind }) => kind === 'stroke',
    );
    expect(acts).toHaveLength(2);
    acts.forEach((act, i) => {
      const made = [near, next][i].act;
      if (act.kind !== 'stroke' || made.kind !== 'stroke') throw new Error('no stroke');
      const shift = act.atS - made.atS;
      act.points.forEach(([x, y, pressure, atS], k) => {
        expect([x, y, pressure, atS! - shift].map((n) => Math.round(n * 1e6) / 1e6)).toEqual([
          ...made.points[k],
        ]);
      });
    });
  });

  it('over an area of the plan paint that area; elsewhere their footprint becomes one', () => {
    const made = asPasses(plan, sheetOf(near));
    const [area] = made.commands.flatMap((c) => (c.do === 'add-area' ? [c.area] : []));
    expect(polygonArea(area.outline) / polygonArea(coveredBy(near.act)[0])).toBeCloseTo(1, 1);
  });

  it('says what no pass can stand for yet', () => {
    const salt: HandAct = {
      onto: 'shiny',
      waterMl: 0,
      act: { kind: 'salt', atS: 20, points: [[50, 30]], grainMm: 1 },
    };
    expect(asPasses(plan, sheetOf(near, salt)).leftOut).toEqual(['salt']);
  });
});

describe('the difference of two sheets', () => {
  it('is nothing between a sheet and itself, and ΔE00 between two colours', () => {
    expect(difference(flat(120, 90, 60), flat(120, 90, 60))).toMatchObject({ meanDeltaE: 0, seenShare: 0 });
    const { meanDeltaE, seenShare, picture } = difference(flat(255, 255, 255), flat(0, 0, 0));
    expect(meanDeltaE).toBeCloseTo(100, 1);
    expect(seenShare).toBe(1);
    expect(picture.rgba[0]).toBe(0);
  });

  it('refuses sheets of another shape', () =>
    expect(() => difference(flat(0, 0, 0), { columns: 5, rows: 4, rgba: new Uint8ClampedArray(80) })).toThrow(
      'shape',
    ));
});

describe('a sheet pass by pass', () => {
  const trial = sheetOf(
    strokeAt(0, [30, 30], [90, 34]),
    strokeAt(900, [60, 20], [64, 60], { parts: plan.mixes[2].parts }),
  );

  it('laid over each other its layers are the sheet again, to two bytes', () => {
    const spans = [
      { name: 'one', untilS: 900 },
      { name: 'two', untilS: 4000 },
    ];
    const layers = done(sheetLayers(replayOf(trial), plainPaintKernel, spans, 2));
    expect(layers.map(({ name }) => name)).toEqual(['paper', 'one', 'two', 'mask']);
    expect(layers[1].lies).toBe('multiplied');
    const again = layers
      .filter(({ hidden }) => !hidden)
      .slice(1)
      .reduce(laidOver, layers[0].picture);
    const whole = replayOf(trial);
    done(whole.goTo(4000));
    const { rgba } = pictureOf(whole, plainPaintKernel, { pxPerMm: 2, look: 'dry' });
    let worst = 0;
    for (let i = 0; i < rgba.length; i++) worst = Math.max(worst, Math.abs(rgba[i] - again.rgba[i]));
    expect(worst).toBeLessThanOrEqual(2);
  });

  it('what lightens lies over what was there', () => {
    const layer = layerBetween(flat(40, 40, 40), flat(200, 200, 200), 'white')!;
    expect(layer.lies).toBe('over');
    expect(layerBetween(flat(1, 2, 3), flat(1, 2, 3), 'nothing')).toBeNull();
  });
});

describe('ways out', () => {
  const mishap = (change: Partial<Mishap>): Mishap => ({
    ...{ symptom: 'bloom', stage: 'damp', at: [50, 40], radiusMm: 6 },
    ...{ paint: [{ pigment: low.parts[0].pigment, gm2: 0.5 }], white: null },
    ...change,
  });

  it('are two to four for every mishap at every stage, and to leave it is always one', () => {
    for (const { id: symptom } of SYMPTOMS)
      for (const stage of ['puddled', 'shiny', 'satin', 'damp', 'cool', 'dry'] as const) {
        const remedies = remediesFor(mishap({ symptom, stage }));
        expect(remedies.length).toBeGreaterThanOrEqual(2);
        expect(remedies.length).toBeLessThanOrEqual(4);
        expect(remedies.at(-1)!.id).toBe('leave');
      }
  });

  it('opaque white is offered only where there is some', () => {
    const has = (white: string | null) =>
      remediesFor(mishap({ stage: 'dry', white })).some(({ id }) => id === 'white');
    expect([has(null), has('PW6')]).toEqual([false, true]);
  });

  it('a tissue on a wet wash leaves it lighter than leaving it alone, once all is dry', () => {
    const wash = strokeAt(0, [30, 40], [80, 40], { load: 'dripping', brush: 'flat-25' });
    const held = (id: string): number => {
      const replay = replayOf(sheetOf(wash));
      done(replay.goTo(5));
      const remedy = remediesFor(mishap({ stage: 'shiny' })).find((way) => way.id === id)!;
      done(carryOut(replay, remedy));
      return replay.run.panel.deposited.reduce((sum, gm2) => sum + gm2, 0);
    };
    expect(held('tissue')).toBeLessThan(0.95 * held('leave'));
  });
});
