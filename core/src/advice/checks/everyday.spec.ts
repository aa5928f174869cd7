import { describe, expect, it } from 'vitest';
import { TECHNIQUES, type Plan } from '../../document/plan';
import { layOut } from '../../order/schedule';
import { EVERYDAY, MISTAKEN } from '../../testing/everyday-plans';
import { runChecks, type Finding } from '.';

const found = (plan: Plan): Finding[] => runChecks(plan, layOut(plan));
const keys = (findings: readonly Finding[], severity: Finding['severity']): string[] =>
  findings.filter((finding) => finding.severity === severity).map(({ key }) => key);

describe('what painters do every day', () => {
  it('is thirty plans and more, of all techniques', () => {
    expect(EVERYDAY.length).toBeGreaterThanOrEqual(30);
    expect(MISTAKEN.length).toBeGreaterThanOrEqual(30);
    const used = EVERYDAY.flatMap(({ plan }) =>
      plan.acts.flatMap((act) => (act.kind === 'pass' ? [act.technique] : [])),
    );
    expect(TECHNIQUES.map(({ id }) => id).filter((id) => !used.includes(id))).toEqual([]);
  });

  it.each(EVERYDAY.map(({ does, plan }) => [does, plan] as const))('%s: stops nowhere', (_, plan) => {
    expect(layOut(plan).never).toEqual([]);
    const findings = found(plan);
    expect(keys(findings, 'stop')).toEqual([]);
    expect(keys(findings, 'look').length).toBeLessThanOrEqual(1);
  });
});

describe('one real mistake', () => {
  it.each(MISTAKEN.map(({ does, found: id, plan }) => [does, id, plan] as const))('%s: %s', (_, id, plan) => {
    const mistakes = found(plan).filter((finding) => finding.id === id);
    expect(mistakes).toHaveLength(1);
    expect(mistakes[0].why.length).toBeGreaterThan(20);
  });
});
