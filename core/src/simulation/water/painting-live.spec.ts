import { describe, expect, it } from 'vitest';
import { done } from '../../kit/units';
import {
  fingerprintOf,
  panelActSchema,
  plainPanelKernel,
  Replay,
  simulationSchema,
  type ActOf,
  type PanelAct,
} from '.';

const PIGMENTS = ['PB29', 'PR122'];
const sheet = (acts: readonly object[] = []): Replay =>
  new Replay(
    simulationSchema.parse({
      ...{ widthMm: 22, heightMm: 14, cellMm: 0.5, paper: 'cotton-cold-300', seed: 3, stopS: 1 },
      climate: { tempC: 20, rh: 0.5, airMs: 0 },
      pigments: PIGMENTS,
      acts,
    }),
    plainPanelKernel,
    1e8,
  );

const strokeOf = (change: object): ActOf<'stroke'> =>
  panelActSchema.parse({
    ...{ atS: 0, kind: 'stroke', brush: 'round-8', load: 'loaded', strength: 0.2 },
    parts: [{ pigment: 'PB29', parts: 1 }],
    points: [[3, 3, 0.5, 0]],
    ...change,
  }) as ActOf<'stroke'>;

/** Lets the paper’s clock run for some steps, as it does between two looks at the pen. */
function steps(replay: Replay, count: number): void {
  const course = replay.advance(Infinity);
  for (let i = 0; i < count; i++) course.next();
}

/** A stroke by hand, the paper’s clock running all the while. */
function paint(replay: Replay, change: object, ...places: readonly [number, number, number][]): PanelAct {
  const nowS = replay.run.atS;
  const [[x, y, pressure], ...rest] = places;
  const stroke = strokeOf({ ...change, atS: nowS, points: [[x, y, pressure, nowS]] });
  replay.doNow(stroke, true);
  rest.forEach((place, i) => {
    steps(replay, 1 + (i % 2));
    replay.goOn(stroke, [place]);
  });
  // The pen may be seen twice at one moment of the paper.
  replay.goOn(stroke, [[rest.at(-1)![0] + 0.5, rest.at(-1)![1], 0.5]]);
  replay.endStroke(stroke);
  return stroke;
}

const across: [number, number, number][] = Array.from({ length: 12 }, (_, i) => [
  3 + i * 1.2,
  5,
  0.4 + i / 30,
]);
const down: [number, number, number][] = Array.from({ length: 8 }, (_, i) => [9, 2 + i, 0.8]);

function session(): { readonly replay: Replay; readonly acts: PanelAct[] } {
  const replay = sheet();
  const acts = [paint(replay, {}, ...across)];
  steps(replay, 5);
  const nowS = replay.run.atS;
  const salt = panelActSchema.parse({ atS: nowS, kind: 'salt', points: [[8, 5]], grainMm: 0.8 });
  replay.doNow(salt);
  steps(replay, 7);
  acts.push(salt, paint(replay, { parts: [{ pigment: 'PR122', parts: 1 }] }, ...down));
  steps(replay, 20);
  return { replay, acts };
}

describe('painting by hand', () => {
  it('is the very same paper when its acts are done again from the start', () => {
    const { replay, acts } = session();
    const again = sheet(structuredClone(acts));
    done(again.goTo(replay.run.atS));
    expect(again.run.atS).toBe(replay.run.atS);
    expect(again.run.steps).toBe(replay.run.steps);
    expect(fingerprintOf(again.run)).toBe(fingerprintOf(replay.run));
  });

  it('goes back exactly to before a stroke, and forward again', () => {
    const { replay, acts } = session();
    const [endS, ended] = [replay.run.atS, fingerprintOf(replay.run)];
    const copies = structuredClone(acts);
    replay.setActs(copies.slice(0, 2));
    done(replay.goTo(copies[2].atS));
    const before = sheet(copies.slice(0, 2));
    done(before.goTo(copies[2].atS));
    expect(replay.run.atS).toBe(copies[2].atS);
    expect(fingerprintOf(replay.run)).toBe(fingerprintOf(before.run));
    replay.setActs(copies);
    done(replay.goTo(endS));
    expect(fingerprintOf(replay.run)).toBe(ended);
  });

  it('needs no step to go back before the last stroke', () => {
    const { replay, acts } = session();
    replay.setActs(acts.slice(0, 2));
    expect(replay.run.atS).toBe(acts[2].atS);
  });

  it('keeps no state while a stroke is under way', () => {
    const replay = sheet();
    paint(
      replay,
      {},
      ...Array.from({ length: 200 }, (_, i): [number, number, number] => [3 + (i % 15), 6, 0.5]),
    );
    expect(replay.keptAt).toEqual([0]);
  });

  it('refuses a pigment the sheet was not set out with, and nothing is done', () => {
    const replay = sheet();
    const foreign = strokeOf({ parts: [{ pigment: 'PY150', parts: 1 }] });
    expect(() => replay.doNow(foreign, true)).toThrow('PY150');
    expect(fingerprintOf(replay.run)).toBe(fingerprintOf(sheet().run));
  });

  it('a brush that is not dipped goes on with what it holds', () => {
    const laid = (dips: boolean): number => {
      const replay = sheet();
      paint(replay, { brush: 'rigger-2' }, ...across);
      const before = replay.run.ledger.applied[0];
      paint(replay, { brush: 'rigger-2', dips }, ...down);
      return replay.run.ledger.applied[0] - before;
    };
    expect(laid(false)).toBeGreaterThan(0);
    expect(laid(false)).toBeLessThan(0.97 * laid(true));
  });

  it('a squeezed brush takes up a film and what floats in it', () => {
    const replay = sheet();
    replay.doNow(
      panelActSchema.parse({
        ...{ atS: 0, kind: 'wash', shape: { rect: [2, 2, 14, 8] }, filmUm: 120 },
        pigments: [{ pigment: 'PB29', gm2: 1 }],
      }),
    );
    steps(replay, 3);
    paint(replay, { load: 'thirsty', parts: [] }, ...across);
    expect(replay.run.ledger.waterRemoved).toBeGreaterThan(0.1 * replay.run.ledger.waterApplied);
    expect(replay.run.ledger.removed[0]).toBeGreaterThan(0);
  });

  it('a tissue through a stencil takes only where that is open', () => {
    const replay = sheet();
    const wash = { atS: 0, kind: 'wash', shape: { rect: [2, 2, 14, 8] }, filmUm: 100 };
    replay.doNow(panelActSchema.parse(wash));
    const held = (): number => replay.run.panel.film.reduce((sum, film) => sum + film, 0);
    const before = held();
    const blot = { atS: 0, kind: 'blot', shape: { rect: [0, 0, 22, 14] }, share: 1 };
    replay.doNow(panelActSchema.parse({ ...blot, through: { rect: [2, 2, 7, 8] } }));
    expect(held() / before).toBeCloseTo(0.5, 6);
  });
});
