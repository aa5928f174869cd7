import { describe, expect, it } from 'vitest';
import { done } from '../../kit/units';
import { plainPanelKernel, Replay, simulationSchema, type PanelRun, type Simulation } from '.';
import { keptBytes, RestartStates } from './restart';

const wash = {
  atS: 0,
  kind: 'wash',
  shape: { rect: [2, 2, 12, 8] },
  filmUm: 80,
  pigments: [{ pigment: 'PB29', gm2: 1 }],
};
const drop = { atS: 40.3, kind: 'drop', shape: { circle: [8, 6, 1.5] }, filmUm: 60 };
const rose = { ...wash, atS: 95, shape: { circle: [12, 8, 3] }, pigments: [{ pigment: 'PR122', gm2: 1 }] };
const salt = { atS: 20, kind: 'salt', points: [[5, 5]], grainMm: 0.6 };
const heat = { atS: 150, kind: 'heat', seconds: 45 };

const asked = (...acts: object[]): Simulation =>
  simulationSchema.parse({
    widthMm: 18,
    heightMm: 12,
    cellMm: 0.5,
    paper: 'cotton-cold-300',
    climate: { tempC: 20, rh: 0.5, airMs: 0 },
    seed: 8,
    acts,
    stopS: 1,
  });
const replay = (acts: object[], cap = 1e8): Replay => new Replay(asked(...acts), plainPanelKernel, cap);
const all = [wash, salt, drop, rose, heat];

/** Everything on the panel, bit by bit. */
const bitsOf = ({ panel, atS, steps, nextS, ledger }: PanelRun): unknown => ({
  planes: [panel.film, panel.paper, panel.binder, panel.wettability, panel.suspended, panel.deposited].map(
    (plane) => Array.from(new Uint32Array(plane.slice().buffer)),
  ),
  ...{ atS, steps, nextS },
  applied: [...ledger.applied],
  evaporated: ledger.waterEvaporated,
});
function after(acts: object[], ...stops: number[]): unknown {
  const one = replay(acts);
  for (const stop of stops) done(one.goTo(stop));
  return bitsOf(one.run);
}

describe('a replay', () => {
  const straight = after(all, 260);

  it('is the same whatever way it is gone', () => {
    expect(after(all, 17, 41, 33.3, 120, 90, 160, 260)).toEqual(straight);
    expect(after(all, 400, 2, 260)).toEqual(straight);
  });

  it('is the same however few states may be kept', () => {
    const poor = replay(all, 1);
    done(poor.goTo(300));
    expect(poor.keptAt.length).toBeLessThanOrEqual(2);
    done(poor.goTo(260));
    expect(bitsOf(poor.run)).toEqual(straight);
  });

  it('keeps states as it goes, and goes back from the nearest', () => {
    const one = replay(all);
    done(one.goTo(900));
    expect(one.keptAt.length).toBeGreaterThan(3);
    const before = one.run.steps;
    const back = one.goTo(one.keptAt.at(-2)! + 0.001);
    let taken = 0;
    while (!back.next().done) taken++;
    expect(taken).toBeLessThan(0.5 * before);
  });

  it('undoes an act as if it had never been', () => {
    const one = replay([wash, salt, drop, rose]);
    done(one.goTo(260));
    one.setActs(asked(wash, salt, rose).acts);
    done(one.goTo(260));
    // The rose pigment and the salt are the panel's from the start, so that a fresh run has the same planes.
    expect(bitsOf(one.run)).toEqual(after([wash, salt, rose], 260));
  });

  it('takes a new act at the present as if it had been planned', () => {
    const one = replay([wash, { ...rose, atS: 9999 }]);
    done(one.goTo(73));
    const nowS = one.run.atS;
    const late = { ...drop, atS: nowS };
    one.setActs(asked(wash, late, { ...rose, atS: 9999 }).acts);
    done(one.goTo(200));
    expect(bitsOf(one.run)).toEqual(after([wash, late, { ...rose, atS: 9999 }], 200));
  });
});

describe('kept states', () => {
  it('bring everything back to the last bit', () => {
    const { run } = replay(all);
    const states = new RestartStates(run);
    const one = replay(all);
    done(one.goTo(100));
    const kept = new RestartStates(one.run);
    const state = kept.keep();
    const then = bitsOf(one.run);
    done(one.goTo(180));
    expect(bitsOf(one.run)).not.toEqual(then);
    kept.restore(state);
    expect(bitsOf(one.run)).toEqual(then);
    expect(states.keep().tiles.length).toBe(state.tiles.length);
  });

  it('hold what has not changed only once', () => {
    const one = replay([wash]);
    const states = new RestartStates(one.run);
    const bare = states.keep();
    const again = states.keep();
    expect(keptBytes([bare, again])).toBe(keptBytes([bare]));
    done(one.goTo(5));
    expect(keptBytes([bare, states.keep()])).toBeGreaterThan(keptBytes([bare]));
  });
});
