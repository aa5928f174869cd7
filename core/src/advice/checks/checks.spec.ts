import { describe, expect, it } from 'vitest';
import { addPass, smallPlan, applyCommands, type Plan } from '../../document/plan';
import { layOut } from '../../order/schedule';
import { CHECKS, runChecks, type Finding } from '.';

const found = (plan: Plan): Finding[] => runChecks(plan, layOut(plan));
/** The rules told of here; a small plan breaks others on its way. */
const HERE = ['bleed-into-wet', 'mask-not-set', 'lighter-over-darker', 'card-off-envelope'];
const ids = (plan: Plan): string[] =>
  found(plan)
    .map(({ id }) => id)
    .filter((id) => HERE.includes(id));
const fixed = (plan: Plan, { fix }: Finding): Plan => applyCommands(plan, fix!.commands).plan;

describe('bleed-into-wet', () => {
  const plan = smallPlan(
    addPass('sky-wash', 'sky', 'blue'),
    addPass('boat-wash', 'boat', 'dark', { start: 'straight-on' }),
  );

  it('stops a pass beside a wet one, says how long, and its fix cures it', () => {
    const [finding] = found(plan);
    expect(finding).toMatchObject({
      id: 'bleed-into-wet',
      severity: 'stop',
      where: { area: 'sky', pass: 'boat-wash' },
    });
    expect(finding.number.value).toBeGreaterThan(600);
    expect(finding.why).toMatch(/shiny/);
    expect(ids(fixed(plan, finding))).toEqual([]);
  });

  it('is silent when the areas do not touch', () =>
    expect(
      ids(smallPlan(addPass('a', 'sky', 'blue'), addPass('b', 'field', 'lemon', { start: 'straight-on' }))),
    ).toEqual([]));

  it('lets colours run where the house does, but only while it shines', () => {
    const run = { ...plan, rules: { ...plan.rules, letColoursRun: true } };
    expect(ids(run)).toEqual([]);
    const late = smallPlan(
      addPass('sky-wash', 'sky', 'blue'),
      addPass('boat-wash', 'boat', 'dark', { start: { atS: 1900 } }),
    );
    expect(ids({ ...late, rules: { ...late.rules, letColoursRun: true } })).toEqual(['bleed-into-wet']);
  });

  it('leaves what goes into its own wet wash to its own rule', () =>
    expect(
      ids(
        smallPlan(
          addPass('sky-wash', 'sky', 'blue'),
          addPass('charge', 'sky', 'dark', { technique: 'charge', start: { atS: 400 }, handsS: 5 }),
        ),
      ),
    ).toEqual([]));
});

describe('mask-not-set', () => {
  const plan = smallPlan(addPass('sky-wash', 'sky', 'blue', { start: 'straight-on' }), {
    do: 'keep-white',
    white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
  });

  it('stops a brush over it, with time had and time needed, and its fix cures it', () => {
    const [finding] = found(plan);
    expect(finding).toMatchObject({ id: 'mask-not-set', where: { area: 'boat', pass: 'sky-wash' } });
    expect(finding.number.value).toBeLessThan(finding.number.limit!);
    expect(ids(fixed(plan, finding))).toEqual([]);
  });
});

describe('lighter-over-darker', () => {
  it('says that lemon will not show on a dark ground, by how much', () => {
    const plan = smallPlan(addPass('dark-wash', 'sky', 'dark'), addPass('lemon-wash', 'sky', 'lemon'));
    const [finding] = found(plan);
    expect(finding).toMatchObject({
      id: 'lighter-over-darker',
      severity: 'look',
      where: { area: 'sky', pass: 'lemon-wash' },
    });
    expect(finding.number.value).toBeGreaterThan(30);
  });

  it('is silent for dark over light, on bare paper, and for a glaze without a wanted colour', () => {
    expect(ids(smallPlan(addPass('a', 'sky', 'lemon'), addPass('b', 'sky', 'dark')))).toEqual([]);
    expect(ids(smallPlan(addPass('a', 'field', 'lemon')))).toEqual([]);
    expect(
      ids(smallPlan(addPass('a', 'sky', 'dark'), addPass('b', 'sky', 'lemon', { technique: 'glaze' }))),
    ).toEqual([]);
  });
});

describe('card-off-envelope', () => {
  const given = (change: object): Plan =>
    applyCommands(smallPlan(), [
      { do: 'set-format', change: { card: { widthMm: 148, heightMm: 105 }, ...change } },
    ]).plan;

  it('stops a card too thick for its envelope, and its fix takes one that would do', () => {
    const plan = given({ bulkMm: 7 });
    const [finding] = found(plan);
    expect(finding).toMatchObject({
      id: 'card-off-envelope',
      severity: 'stop',
      number: { value: 1, unit: 'mm', limit: 1.5 },
      fix: { says: 'Take US A6 instead' },
    });
    expect(ids(fixed(plan, finding))).toEqual([]);
  });

  it('is silent for one that goes in, and has no fix where no envelope would do', () => {
    expect(ids(given({}))).toEqual([]);
    const [finding] = found(given({ card: { widthMm: 600, heightMm: 400 } }));
    expect(finding.fix).toBeUndefined();
    expect(finding.why).toMatch(/measure one of your own/);
  });

  it('stops a panel of which nothing is left', () =>
    expect(found(given({ card: null, panelRevealMm: 60 }))[0].why).toMatch(/^nothing is left of the panel/));
});

describe('the registry', () => {
  it('names each check once', () => expect(new Set(CHECKS.map(({ id }) => id)).size).toBe(CHECKS.length));

  it('leaves out what the painter has accepted, and only that', () => {
    const plan = smallPlan(
      addPass('dark-wash', 'sky', 'dark'),
      addPass('boat-wash', 'boat', 'lemon', { start: 'straight-on' }),
    );
    const all = found(plan);
    expect(all[0].severity).toBe('stop');
    const accepted = applyCommands(plan, [
      { do: 'accept-finding', finding: all[0].key, reason: 'I want the bloom' },
    ]).plan;
    expect(found(accepted)).toHaveLength(all.length - 1);
  });
});
