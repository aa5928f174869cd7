import { describe, expect, it } from 'vitest';
import { kettleInTheRain } from '../../../demo/kettle-in-the-rain';
import { runChecks } from '../checks';
import { applyCommands, type Command, type Plan } from '../plan';
import { addPass, smallPlan } from '../testing/small-plan';
import { done } from '../units';
import { criticalChain, inOrder, layOut } from '.';

const order = (plan: Plan): string[] => plan.acts.filter(({ kind }) => kind === 'pass').map(({ id }) => id);
const stops = (plan: Plan): number =>
  runChecks(plan, layOut(plan)).filter(({ severity }) => severity === 'stop').length;
const glazeFirst = smallPlan(
  addPass('sky-wash', 'sky', 'blue', { handsS: 120 }),
  addPass('sky-glaze', 'sky', 'dark', { handsS: 120 }),
  addPass('field-wash', 'field', 'lemon', { handsS: 300 }),
  addPass('field-glaze', 'field', 'dark', { handsS: 120 }),
);

describe('an order that ends sooner', () => {
  it('paints what touches nothing wet while the first wash dries', () => {
    const better = done(inOrder(glazeFirst))!;
    expect(order(better.plan).slice(0, 2).sort()).toEqual(['field-wash', 'sky-wash']);
    // All of the second drying is gained, but for the hands’ own time.
    expect(better.beforeS - better.afterS).toBeGreaterThan(900);
    expect(layOut(better.plan).endS).toBe(better.afterS);
    expect([...better.order].sort()).toEqual(glazeFirst.acts.map(({ id }) => id).sort());
  });

  it('is none where the acts stand well, and where one never can begin', () => {
    const { plan } = done(inOrder(glazeFirst))!;
    expect(done(inOrder(plan))).toBeNull();
    const muggy = applyCommands(glazeFirst, [{ do: 'set-climate', change: { rh: 1 } }]).plan;
    expect(done(inOrder(muggy))).toBeNull();
  });

  it('goes into the wet while it shines, and never lets what touches change places', () => {
    const plan = smallPlan(
      addPass('far', 'field', 'lemon', { handsS: 60 }),
      addPass('far-glaze', 'field', 'dark', { handsS: 60 }),
      addPass('wet', 'sky', null, { technique: 'pre-wet', handsS: 60 }),
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on', handsS: 60 }),
      // What goes into colour that was floated in goes into that, not into the water under it.
      addPass('charge', 'sky', 'dark', { technique: 'charge', start: 'straight-on', handsS: 20 }),
      addPass('boat-wash', 'boat', 'dark', { handsS: 60 }),
    );
    const better = done(inOrder(plan))!;
    const found = order(better.plan);
    expect(found.indexOf('float')).toBe(found.indexOf('wet') + 1);
    expect(found.indexOf('charge')).toBe(found.indexOf('float') + 1);
    expect(found.indexOf('boat-wash')).toBeGreaterThan(found.indexOf('float'));
    expect(found.indexOf('far-glaze')).toBeGreaterThan(found.indexOf('far'));
    expect(better.afterS).toBeLessThan(better.beforeS);
    expect(stops(better.plan)).toBeLessThanOrEqual(stops(plan));
  });

  it('keeps masks before what crosses them, and finishing where it is', () => {
    const mask: Command = {
      do: 'keep-white',
      white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
    };
    const plan = applyCommands(glazeFirst, [mask]).plan;
    const better = done(inOrder(plan))!.plan;
    const at = (id: string): number => better.acts.findIndex((act) => act.id === id);
    expect(at('mask-on')).toBeLessThan(at('sky-wash'));
    expect(at('mask-off')).toBeGreaterThan(at('sky-glaze'));
    expect(better.acts.slice(-4).map(({ id }) => id)).toEqual(plan.acts.slice(-4).map(({ id }) => id));
  });

  it('of the demo card breaks nothing', () => {
    const plan = kettleInTheRain();
    const better = done(inOrder(plan));
    if (better) {
      expect(better.afterS).toBeLessThan(better.beforeS);
      expect(stops(better.plan)).toBeLessThanOrEqual(stops(plan));
    }
  });
});

describe('the chain that decides', () => {
  it('goes from the last pass back over what it waited for', () => {
    const chain = criticalChain(layOut(glazeFirst));
    expect(chain.at(-1)).toMatchObject({ act: 'field-glaze', area: 'field' });
    const glaze = chain.find(({ act }) => act === 'sky-glaze')!;
    expect(glaze.area).toBe('sky');
    expect(glaze.waitedS).toBeGreaterThan(600);
    expect(chain[chain.indexOf(glaze) - 1].act).toBe('sky-wash');
  });
  it('is empty without passes', () => expect(criticalChain(layOut(smallPlan()))).toEqual([]));
});
