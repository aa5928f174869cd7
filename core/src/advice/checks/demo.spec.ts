import { describe, expect, it } from 'vitest';
import { demoCards } from '../../../../demo';
import { applyCommands, type Plan } from '../../document/plan';
import { layOut } from '../../order/schedule';
import { runChecks, type Finding } from '.';

/** More open findings a finished card should not show. */
const MOST = 3;

const found = (plan: Plan): Finding[] => runChecks(plan, layOut(plan));

describe.each(demoCards().map((plan) => [plan.title, plan] as const))('the finished card %s', (_, plan) => {
  // What it says of itself where the painter has accepted nothing.
  const bare: Plan = { ...plan, accepted: [] };

  it('shows few open findings and stops nowhere', () => {
    const open = found(plan);
    expect(open.length).toBeLessThanOrEqual(MOST);
    expect(open.filter(({ severity }) => severity === 'stop')).toEqual([]);
  });

  it('says of each its number and its limit, and mends it at one press without a stop', () => {
    for (const { key, number, fix } of found(bare)) {
      expect(number.value, key).not.toBeNull();
      expect(number.limit, key).not.toBeNull();
      expect(fix, key).toBeDefined();
      const mended = found(applyCommands(bare, [...fix!.commands]).plan);
      expect(mended.map((finding) => finding.key)).not.toContain(key);
      expect(mended.filter(({ severity }) => severity === 'stop')).toEqual([]);
    }
  });
});
