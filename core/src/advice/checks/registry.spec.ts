import { describe, expect, it } from 'vitest';
import { applyCommands, type Plan } from '../../document/plan';
import { layOut } from '../../order/schedule';
import { CHECKS, runChecks, unheeded, type CheckContext, type Finding } from '.';

const found = (id: string, plan: Plan, desk?: CheckContext['desk']): Finding[] =>
  runChecks(plan, layOut(plan), desk).filter((finding) => finding.id === id);
const stops = (plan: Plan): number =>
  runChecks(plan, layOut(plan)).filter(({ severity }) => severity === 'stop').length;

const edges = CHECKS.flatMap(({ id, edges: all }) => all().map((edge, i) => ({ id, n: i + 1, ...edge })));

describe('every check, at each edge it names', () => {
  it.each(edges)('$id $n: finds what is wrong, and only that', ({ id, wrong, right, desk }) => {
    const [finding] = found(id, wrong, desk);
    expect(finding.why.length).toBeGreaterThan(20);
    expect(found(id, right, desk)).toEqual([]);
  });

  it.each(edges)('$id $n: its fix, where it has one, removes it and stops nothing', ({ id, wrong, desk }) => {
    const [finding] = found(id, wrong, desk);
    if (!finding.fix) return;
    const mended = applyCommands(wrong, finding.fix.commands).plan;
    expect(found(id, mended, desk).map(({ key }) => key)).not.toContain(finding.key);
    expect(stops(mended)).toBeLessThanOrEqual(stops(wrong));
  });

  it.each(CHECKS)('$id: says in plain words when it finds something, and where that comes from', (check) => {
    const words = [check.name, check.when, check.source];
    for (const text of words) expect(text).not.toMatch(/NaN|undefined|\d\.\d{4}/);
    expect(check.name.length).toBeLessThan(40);
    expect(check.when.length).toBeGreaterThan(15);
  });
});

describe('the registry', () => {
  const [check] = CHECKS;

  it('names the checks a plan turns off, and makes them not', () => {
    const [{ wrong }] = check.edges();
    const off = applyCommands(wrong, [{ do: 'set-rules', change: { weights: { [check.id]: 'off' } } }]).plan;
    expect(unheeded(wrong)).toEqual([]);
    expect(unheeded(off)).toEqual([{ id: check.id, name: check.name }]);
    expect(found(check.id, off)).toEqual([]);
  });
});
