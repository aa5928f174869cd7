import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import {
  addArea,
  addMix,
  addPass,
  smallPlan,
  applyCommands,
  type Plan,
  type White,
} from '../../document/plan';
import { layOut } from '../../order/schedule';
import { runChecks, type Finding } from '.';
import { kept, maskedByHand } from './edge-plans';

const fixed = (plan: Plan, { fix }: Finding): Plan => applyCommands(plan, fix!.commands).plan;
const of = (plan: Plan, id: string): Finding[] =>
  runChecks(plan, layOut(plan)).filter((finding) => finding.id === id);
const wash = addPass('sky-wash', 'sky', 'blue');

describe('mask-too-large', () => {
  it('is worth a look above 6 cm² in one part, and its fix paints round it', () => {
    const [finding] = of(
      smallPlan(wash, addArea('sail', rectangle(20, 5, 30.1, 20)), kept('sail', 'mask')),
      'mask-too-large',
    );
    expect(finding).toMatchObject({ where: { area: 'sail' }, number: { value: 6, limit: 6 } });
    expect(
      of(
        fixed(smallPlan(wash, addArea('sail', rectangle(20, 5, 30.1, 20)), kept('sail', 'mask')), finding),
        'mask-too-large',
      ),
    ).toEqual([]);
  });
  it('is silent at 6 cm², and for what is painted round', () => {
    const sail = (way: White['way']): Plan =>
      smallPlan(wash, addArea('sail', rectangle(20, 5, 30, 20)), kept('sail', way));
    expect([...of(sail('mask'), 'mask-too-large'), ...of(sail('paint-round'), 'mask-too-large')]).toEqual([]);
  });
});

describe('mask-too-long', () => {
  it('is said of a mask that rests over two nights, and not over one evening', () => {
    const pressed = (hours: number): Plan =>
      smallPlan(wash, kept('boat', 'mask'), {
        do: 'change-pass',
        pass: 'sky-wash',
        change: { start: { atS: hours * 3600 } },
      });
    expect(of(pressed(40), 'mask-too-long')[0]).toMatchObject({
      where: { area: 'boat' },
      number: { limit: 86_400 },
    });
    expect(of(pressed(20), 'mask-too-long')).toEqual([]);
    const line = maskedByHand([[9, 9, 1]]);
    const after = { do: 'change-pass', pass: 'sky-wash', change: { start: { atS: 40 * 3600 } } } as const;
    const hand = (tool: 'wax' | 'marker'): Plan =>
      smallPlan(wash, line.do === 'put-resist' ? { ...line, resist: { ...line.resist, tool } } : line, after);
    // What stays for good may stay for days.
    expect(of(hand('marker'), 'mask-too-long')).toHaveLength(1);
    expect(of(hand('wax'), 'mask-too-long')).toEqual([]);
  });
});

describe('mask-line-too-fine', () => {
  const stay = (wide: number, tool: White['tool']): Plan =>
    smallPlan(wash, addArea('stay', rectangle(20, 10, wide, 30)), kept('stay', 'mask', { tool }));
  it('names the tool that draws it, and where none does, opaque white', () => {
    const plan = stay(0.9, 'marker');
    const [finding] = of(plan, 'mask-line-too-fine');
    expect(finding).toMatchObject({
      number: { limit: 1.5 },
      fix: { says: 'Mask stay with a fine-tip bottle' },
    });
    expect(of(fixed(plan, finding), 'mask-line-too-fine')).toEqual([]);
    const finest = of(stay(0.2, null), 'mask-line-too-fine')[0];
    expect(finest.fix!.says).toMatch(/opaque white/);
    expect(of(fixed(stay(0.2, null), finest), 'mask-line-too-fine')).toEqual([]);
  });
  it('is silent where the tool is fine enough', () =>
    expect(of(stay(0.9, 'fine-tip'), 'mask-line-too-fine')).toEqual([]));
});

describe('counter-closed', () => {
  const ring = (counter: number): Plan =>
    smallPlan(
      wash,
      {
        do: 'add-area',
        area: {
          ...{ id: 'o', name: 'Thanks: o' },
          outline: [
            rectangle(20, 10, counter + 4, counter + 4)[0],
            [...rectangle(22, 12, counter, counter)[0]].reverse(),
          ],
        },
      },
      kept('o', 'mask', { tool: 'fine-tip' }),
    );
  it('rings the letter whose inside the mask closes, and the one no brush gets into', () => {
    const [finding] = of(ring(0.7), 'counter-closed');
    expect(finding).toMatchObject({ where: { area: 'o' }, number: { value: 0.7, limit: 0.8 } });
    expect(finding.where.point![0]).toBeCloseTo(22.35, 1);
    expect(
      of({ ...ring(0.2), whites: ring(0.2).whites.map((w) => ({ ...w, tool: null })) }, 'counter-closed')[0]
        .why,
    ).toMatch(/closes it|no brush/);
  });
  it('is mended by a pen that touches it in once the mask is off, and only then', () => {
    const plan = ring(0.7);
    const [finding] = of(plan, 'counter-closed');
    const mended = fixed(plan, finding);
    expect(of(mended, 'counter-closed')).toEqual([]);
    expect(mended.areas.at(-1)).toMatchObject({ id: 'inside', name: 'inside of Thanks: o' });
    const [touch, off] = ['touch-in', 'mask-off'].map((id) => mended.acts.findIndex((act) => act.id === id));
    expect(touch).toBe(off + 1);
    const early = applyCommands(mended, [{ do: 'move-act', act: 'touch-in', to: off }]).plan;
    expect(of(early, 'counter-closed')).toHaveLength(1);
    expect(runChecks(mended, layOut(mended)).filter(({ severity }) => severity === 'stop')).toEqual([]);
  });
  it('is silent where the brush gets in', () => expect(of(ring(0.9), 'counter-closed')).toEqual([]));
});

describe('barrier-gap', () => {
  const line = (to: number): Plan =>
    smallPlan(
      wash,
      maskedByHand(
        [],
        [
          [0, 30],
          [60, 34],
          [to, 30],
        ],
      ),
    );
  it('is told with its place and width', () => {
    const [finding] = of(line(147), 'barrier-gap');
    expect(finding).toMatchObject({ where: { area: 'hand' }, number: { value: 0.6, unit: 'mm' } });
    expect(finding.where.point![0]).toBeGreaterThan(146);
  });
  it('is silent for a line that closes', () => expect(of(line(148), 'barrier-gap')).toEqual([]));
});

describe('white-crossed', () => {
  it('is said of what is to stay bare, and its fix paints round it', () => {
    const plan = smallPlan(wash, kept('boat', 'bare'));
    const [finding] = of(plan, 'white-crossed');
    expect(finding).toMatchObject({ where: { area: 'boat', pass: 'sky-wash' }, number: { value: 1 } });
    expect(of(fixed(plan, finding), 'white-crossed')).toEqual([]);
  });
  it('is silent where nothing crosses, and for what is masked', () => {
    expect(
      of(smallPlan(addPass('field-wash', 'field', 'blue'), kept('boat', 'bare')), 'white-crossed'),
    ).toEqual([]);
    expect(of(smallPlan(wash, kept('boat', 'mask')), 'white-crossed')).toEqual([]);
  });
});

describe('contour-lost', () => {
  it('is said of a white sail on a sky that is hardly darker, and not on a dark one', () => {
    const pale = smallPlan(
      addMix('mist', 0.01, 'PB29'),
      addPass('sky-wash', 'sky', 'mist'),
      kept('boat', 'mask'),
    );
    expect(of(pale, 'contour-lost')[0]).toMatchObject({
      where: { area: 'boat' },
      number: { value: 100, limit: 50 },
    });
    expect(of(smallPlan(addPass('sky-wash', 'sky', 'dark'), kept('boat', 'mask')), 'contour-lost')).toEqual(
      [],
    );
    expect(
      of(
        smallPlan(
          addMix('mist', 0.01, 'PB29'),
          addPass('sky-wash', 'sky', 'mist'),
          kept('boat', 'mask', { edge: 'soft' }),
        ),
        'contour-lost',
      ),
    ).toEqual([]);
  });
});

describe('lift-on-staining', () => {
  const lifted = (code: string): Plan =>
    smallPlan(
      addMix('sky-mix', 0.15, code),
      addPass('sky-wash', 'sky', 'sky-mix'),
      kept('boat', 'lift', { wanted: [86, 0, 0] }),
    );
  it('is said of a pigment that stains, and its fix masks instead; not of one that lifts', () => {
    const plan = lifted('PB15:3');
    const [finding] = of(plan, 'lift-on-staining');
    expect(finding.number.value!).toBeGreaterThan(5);
    expect(of(fixed(plan, finding), 'lift-on-staining')).toEqual([]);
    expect(of(lifted('PB29'), 'lift-on-staining')).toEqual([]);
  });
});

describe('spatter-too-small', () => {
  it('notes drops most of which nobody sees', () => {
    const drops = (mm: number): Plan =>
      smallPlan(
        wash,
        maskedByHand([
          [10, 10, mm],
          [20, 10, mm],
          [30, 10, 0.9],
        ]),
      );
    expect(of(drops(0.29), 'spatter-too-small')[0].number).toMatchObject({ value: 0.29, limit: 0.3 });
    expect(of(drops(0.3), 'spatter-too-small')).toEqual([]);
  });
});
