import { describe, expect, it } from 'vitest';
import { demoCards, heronAtLowTide } from '../../../../demo';
import { runChecks } from '../checks';
import { deltaE00 } from '../../kit/colour';
import { glazeLab } from '../../materials/pigment';
import {
  smallPlan,
  applyCommands,
  colourAt,
  mixOf,
  planPaper,
  planSchema,
  type Plan,
} from '../../document/plan';
import { layOut } from '../../order/schedule';
import { sketchedScene } from '../../testing/sketched-scene';
import { proposePasses } from '.';

const SCENES: [string, Plan][] = [
  ...demoCards().map((plan): [string, Plan] => [plan.id, plan]),
  ...Array.from({ length: 10 }, (_, i): [string, Plan] => [`scene ${i + 1}`, sketchedScene(i + 1)]),
];

describe.each(SCENES)('a proposal for %s', (_, plan) => {
  const { plan: proposed, commands } = proposePasses(plan);
  const findings = runChecks(proposed, layOut(proposed));
  const kept = new Set(
    plan.whites
      .filter(({ way, wanted }) => wanted === null && way !== 'lift' && way !== 'opaque')
      .map(({ area }) => area),
  );

  it('is a plan, and what its commands make of the plan as it was', () => {
    expect(planSchema.parse(proposed)).toEqual(proposed);
    expect(applyCommands(plan, commands).plan).toEqual(proposed);
  });

  it('covers every area that is not kept white, and keeps every white', () => {
    const paper = glazeLab(planPaper(plan), []);
    for (const { id } of proposed.areas) {
      const painted = plan.acts.some((act) => act.kind === 'pass' && act.areas.includes(id));
      if (kept.has(id) && !painted)
        expect(deltaE00(colourAt(proposed, id, proposed.acts.length), paper)).toBeLessThan(0.5);
      else
        expect(
          proposed.acts.some((act) => act.kind === 'pass' && act.mix !== null && act.areas.includes(id)),
        ).toBe(true);
    }
    for (const white of plan.whites) expect(proposed.whites).toContainEqual(white);
  });

  it('dries within five of what is wanted, or a finding says so', () => {
    for (const act of proposed.acts) {
      if (act.kind !== 'pass' || act.mix === null) continue;
      const { wanted } = mixOf(proposed, act.mix);
      if (wanted === null) continue;
      for (const area of act.areas) {
        if (proposed.whites.some((white) => white.area === area && white.way === 'lift')) continue;
        const off = deltaE00(colourAt(proposed, area, proposed.acts.length), wanted);
        const told = findings.some(({ where }) => where.pass === act.id || where.area === area);
        expect(off < 5 || told, `${area} is ${off.toFixed(1)} off`).toBe(true);
      }
    }
  });

  it('has nothing that stops the work', () =>
    expect(findings.filter(({ severity }) => severity === 'stop').map(({ key }) => key)).toEqual([]));
});

it('proposes in one grey where no colour is mixed, and refuses a bare sheet', () => {
  const sketched = applyCommands(
    smallPlan(),
    ['blue', 'dark', 'lemon'].map((mix) => ({ do: 'remove-mix' as const, mix })),
  ).plan;
  const { plan } = proposePasses(sketched);
  expect(plan.mixes.map(({ name }) => name)).toEqual(['grey, for the values']);
  expect(planSchema.parse(plan)).toEqual(plan);
  const bare = applyCommands(
    sketched,
    ['sky', 'field', 'boat'].map((area) => ({ do: 'remove-area' as const, area })),
  ).plan;
  expect(() => proposePasses(bare)).toThrow(/nothing is drawn yet/);
});

it('keeps what the painter has said of a colour: the technique, and how wet', () => {
  const { plan } = proposePasses(heronAtLowTide());
  const sky = plan.acts.find((act) => act.kind === 'pass' && act.areas.includes('sky'));
  expect(sky).toMatchObject({ technique: 'graded-wash', mix: 'dawn' });
});
