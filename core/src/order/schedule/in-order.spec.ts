import { describe, expect, it } from 'vitest';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { runChecks } from '../../advice/checks';
import { addPass, smallPlan, applyCommands, newPass, type Command, type Plan } from '../../document/plan';
import { chance, done } from '../../kit/units';
import {
  batchOf,
  cheapestWayOut,
  criticalChain,
  dryAt,
  dryBand,
  idleWaits,
  inOrder,
  keepsWindows,
  layOut,
  type BetterOrder,
  type NoOrder,
} from '.';

const order = (plan: Plan): string[] => plan.acts.filter(({ kind }) => kind === 'pass').map(({ id }) => id);
const stops = (plan: Plan): number =>
  runChecks(plan, layOut(plan)).filter(({ severity }) => severity === 'stop').length;
const betterOf = (plan: Plan): BetterOrder | null => {
  const found = done(inOrder(plan));
  return found && 'plan' in found ? found : null;
};
const glazeFirst = smallPlan(
  addPass('sky-wash', 'sky', 'blue', { handsS: 120 }),
  addPass('sky-glaze', 'sky', 'dark', { handsS: 120 }),
  addPass('field-wash', 'field', 'lemon', { handsS: 300 }),
  addPass('field-glaze', 'field', 'dark', { handsS: 120 }),
);

describe('an order that ends sooner', () => {
  it('paints what touches nothing wet while the first wash dries', () => {
    const better = betterOf(glazeFirst)!;
    expect(order(better.plan).slice(0, 2).sort()).toEqual(['field-wash', 'sky-wash']);
    // All of the second drying is gained, but for the hands’ own time.
    expect(better.beforeS - better.afterS).toBeGreaterThan(900);
    expect(layOut(better.plan).endS).toBe(better.afterS);
    expect([...better.order].sort()).toEqual(glazeFirst.acts.map(({ id }) => id).sort());
  });

  it('is worth telling from a minute on', () => {
    const savesS = (handsS: number): Plan =>
      smallPlan(
        addPass('sky-wash', 'sky', 'blue', { handsS: 60 }),
        addPass('sky-glaze', 'sky', 'dark', { handsS: 60 }),
        addPass('field-wash', 'field', 'lemon', { handsS }),
      );
    const savingS = (handsS: number): number => {
      const plan = savesS(handsS);
      const sooner = applyCommands(plan, [
        { do: 'move-act', act: 'field-wash', to: plan.acts.findIndex(({ id }) => id === 'sky-glaze') },
      ]).plan;
      return layOut(plan).endS - layOut(sooner).endS;
    };
    /** The hands-on time with which the better order saves so much. */
    const handsToSave = (wantedS: number): number => {
      let [less, more] = [0, 2000];
      while (more - less > 0.01) {
        const middle = (less + more) / 2;
        if (savingS(middle) < wantedS) less = middle;
        else more = middle;
      }
      return more;
    };
    expect([56, 64].map((wantedS) => betterOf(savesS(handsToSave(wantedS))) !== null)).toEqual([false, true]);
  });

  it('is none where the acts stand well, and where one never can begin', () => {
    const { plan } = betterOf(glazeFirst)!;
    expect(betterOf(plan)).toBeNull();
    const muggy = applyCommands(glazeFirst, [{ do: 'set-climate', change: { rh: 1 } }]).plan;
    expect(betterOf(muggy)).toBeNull();
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
    const better = betterOf(plan)!;
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
    const better = betterOf(plan)!.plan;
    const at = (id: string): number => better.acts.findIndex((act) => act.id === id);
    expect(at('mask-on')).toBeLessThan(at('sky-wash'));
    expect(at('mask-off')).toBeGreaterThan(at('sky-glaze'));
    expect(better.acts.slice(-4).map(({ id }) => id)).toEqual(plan.acts.slice(-4).map(({ id }) => id));
  });

  it('of the demo card breaks nothing', () => {
    const plan = kettleInTheRain();
    const better = betterOf(plan);
    if (better) {
      expect(better.afterS).toBeLessThan(better.beforeS);
      expect(stops(better.plan)).toBeLessThanOrEqual(stops(plan));
    }
  });
});

/** Colour is to be floated into the sky, but the boat in it is to go under mask in between. */
const maskBetween = (): Plan => {
  const plan = smallPlan(
    addPass('wet', 'sky', null, { technique: 'pre-wet', handsS: 60 }),
    addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on', handsS: 60 }),
  );
  return applyCommands(plan, [
    {
      do: 'add-act',
      before: 'float',
      act: { kind: 'chore', id: 'mask', chore: 'mask-on', areas: ['boat'], handsS: 90 },
    },
  ]).plan;
};

describe('rules that cannot hold together', () => {
  const plan = maskBetween();
  const found = done(inOrder(plan)) as NoOrder;

  it('are named, as few as there are, and hold when any one of them is left out', () => {
    expect(found.conflict.map(({ from, to }) => `${from}>${to}`).sort()).toEqual([
      'mask>float',
      'wet>float',
      'wet>mask',
    ]);
    const window = found.conflict.find(({ from, to }) => from === 'wet' && to === 'float')!;
    const others = found.conflict.filter((lag) => lag !== window);
    // The paper dries and the mask sets in more time than the water shines.
    expect(others.reduce((sum, { minS }) => sum + minS, 90)).toBeGreaterThan(window.maxS!);
  });

  it('are told by the name of their card where copies of it are to be painted', () => {
    const batch = (): unknown =>
      done(batchOf([{ ...plan, title: 'Two moons' }], { evenings: [], today: '2026-03-02' }));
    expect(batch).toThrow(/rules of “Two moons” cannot hold together/);
  });

  it('have a cheapest way out: the mask goes on first, which costs less than wetting again', () => {
    const way = done(cheapestWayOut(plan, found.conflict))!;
    expect(way).toMatchObject({ kind: 'mask-first', act: 'mask', other: 'wet' });
    const mended = applyCommands(plan, way.commands).plan;
    expect(keepsWindows(layOut(plan))).toBe(false);
    expect(keepsWindows(layOut(mended))).toBe(true);
    expect(done(inOrder(mended))).toBeNull();
    const again = applyCommands(plan, [
      {
        do: 'add-act',
        before: 'float',
        act: newPass({ id: 'again', areas: ['sky'], technique: 'pre-wet', mix: null }),
      },
    ]).plan;
    expect(way.endS).toBeLessThan(layOut(again).endS);
  });

  it('are none where another order keeps the window that is missed', () => {
    const late = smallPlan(
      addPass('wet', 'sky', null, { technique: 'pre-wet', handsS: 60 }),
      addPass('field-wash', 'field', 'lemon', { handsS: 1500 }),
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on', handsS: 60 }),
    );
    const better = betterOf(late)!;
    expect(better.keepsWindows).toBe(true);
    expect(keepsWindows(layOut(better.plan))).toBe(true);
  });
});

describe('what can be done in a wait', () => {
  it('is any later act that touches nothing before it, and is over when the wait is', () => {
    const [wait] = idleWaits(glazeFirst, layOut(glazeFirst));
    expect(wait).toMatchObject({ before: 'sky-glaze', area: 'sky' });
    // The glaze on the field has to wait for its own wash.
    expect(wait.meanwhile).toEqual(['field-wash']);
    const long = applyCommands(glazeFirst, [
      { do: 'change-pass', pass: 'field-wash', change: { handsS: wait.waitS + 1 } },
    ]).plan;
    expect(idleWaits(long, layOut(long))[0].meanwhile).toEqual([]);
  });

  it('is told of a minute and a half, and not of less', () => {
    const waiting = (waitS: number): Plan => {
      const first = smallPlan(addPass('sky-wash', 'sky', 'blue', { handsS: 60 }));
      const { endS } = layOut(first).steps.find(({ act }) => act.id === 'sky-wash')!;
      const later = addPass('field-wash', 'field', 'lemon', { handsS: 30, start: { atS: endS + waitS } });
      return applyCommands(first, [later]).plan;
    };
    expect([89, 91].map((waitS) => idleWaits(waiting(waitS), layOut(waiting(waitS))).length)).toEqual([0, 1]);
  });

  it('puts nothing into the wet out of its window', () => {
    const late = smallPlan(
      addPass('sky-wash', 'sky', 'blue', { handsS: 60 }),
      addPass('sky-glaze', 'sky', 'dark', { handsS: 60 }),
      addPass('wet', 'field', null, { technique: 'pre-wet', handsS: 60 }),
      addPass('float', 'field', 'lemon', { technique: 'wet-in-wet', start: 'straight-on', handsS: 60 }),
    );
    expect(idleWaits(late, layOut(late))[0].meanwhile).toEqual(['wet']);
  });

  it('knows nothing of what can never begin', () => {
    const damp = { ...glazeFirst, climate: { ...glazeFirst.climate, rh: 1 } };
    expect(layOut(damp).never.length).toBeGreaterThan(0);
    expect(idleWaits(damp, layOut(damp)).flatMap(({ meanwhile }) => meanwhile)).not.toContain('sky-glaze');
  });
});

describe('a wash on a quick and on a slow day', () => {
  it('is dry within its band four days in five', () => {
    const [wash] = layOut(glazeFirst).washes;
    const [fromS, toS] = dryBand(wash)!;
    const computedS = dryAt(wash)! - wash.laidS;
    const random = chance(7);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const days = Array.from({ length: 4000 }, () => computedS * Math.exp(0.2 * normal()));
    const inside = days.filter((s) => s >= fromS - wash.laidS && s <= toS - wash.laidS).length;
    expect(inside / days.length).toBeCloseTo(0.8, 1);
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
