import { gapBetween } from '../../kit/geometry';
import { areasTouch, patchesOf, reachedBy, type Patch } from '../areas';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommands, isSensible } from '../../testing/arbitrary-plan';
import { runChecks } from '../../advice/checks';
import { smallPlan, applyCommands, choreOf, handsOn, maskedAfter, type Plan } from '../../document/plan';
import { areaLooks, dryAt, layOut, stageAt, washAt, type TimelineAtTable } from '.';

const anyPlan = anyCommands.map((commands) =>
  commands.reduce<Plan>(
    (plan, command) => (isSensible(plan, command) ? applyCommands(plan, [command]).plan : plan),
    smallPlan(),
  ),
);

const everyPlan = (check: (plan: Plan, timeline: TimelineAtTable) => void, numRuns = 80): void => {
  fc.assert(
    fc.property(anyPlan, (plan) => check(plan, layOut(plan))),
    { numRuns },
  );
};

const NEAR_S = 1e-6;

describe('any order of acts', () => {
  it('keeps the painter’s order in one pair of hands, each act its full time', () => {
    everyPlan((plan, { steps, never }) => {
      expect([...steps.map(({ act }) => act.id), ...never]).toEqual(plan.acts.map((act) => act.id));
      steps.forEach(({ act, startS, endS }, i) => {
        // In air where nothing dries for years a clock has no finer digits than this.
        expect(endS - startS).toBeCloseTo(handsOn(plan, act), 4);
        const before =
          i === 0
            ? 0
            : steps[i - 1].endS +
              (steps[i - 1].act.kind === 'chore'
                ? choreOf((steps[i - 1].act as { chore: string }).chore).waitS
                : 0);
        expect(startS).toBeGreaterThanOrEqual(before - NEAR_S);
      });
    });
  });

  it('starts nothing that waits for dry paper while what it touches is wet, and not a moment later than need be', () => {
    everyPlan((plan, { steps }) => {
      for (const { act, startS, before } of steps) {
        if (act.kind !== 'pass' || act.start !== 'when-dry') continue;
        // Patches measured one against the other, in place of the lists the table goes by.
        const own = [...reachedBy(plan, act, (id) => before.masks.has(id)).keys()];
        const isNear = (patch: Patch): boolean =>
          own.some(({ regions }) =>
            regions.some((one) =>
              patch.regions.some((other) => gapBetween(one, other) < plan.rules.bleedGapMm),
            ),
          );
        const touched = patchesOf(plan).flatMap((patch) => {
          const wash = before.washed.get(patch.index)?.wash;
          return wash && isNear(patch) ? [wash] : [];
        });
        for (const wash of touched) expect(stageAt(wash, startS)).toBe('dry');
        const masks = [...before.masks.values()].filter((mask) =>
          act.areas.some((area) => areasTouch(plan, area, mask.area)),
        );
        for (const { setS } of masks) expect(startS).toBeGreaterThanOrEqual(setS! - NEAR_S);
        const reasons = [
          before.freeS,
          ...touched.map((wash) => dryAt(wash)!),
          ...masks.map(({ setS }) => setS!),
        ];
        expect(startS).toBeCloseTo(Math.max(...reasons), 4);
      }
    });
  });

  it('wets only what is named and not masked', () => {
    everyPlan((plan, { steps, washes }) => {
      for (const wash of washes) {
        const index = plan.acts.findIndex((act) => act.id === wash.act);
        expect(plan.acts[index].areas).toContain(wash.through);
        expect(maskedAfter(plan.acts, index).has(wash.through)).toBe(false);
        expect(wash.laidS).toBe(steps.find(({ act }) => act.id === wash.act)!.endS);
        expect(wash.untilS).toBeGreaterThanOrEqual(wash.laidS);
      }
    });
  });

  it('has each area wet by one wash at a time, and carries its water over', () => {
    everyPlan((plan, { washes }) => {
      for (const { id } of plan.areas) {
        const own = washes.filter(({ area }) => area === id).sort((a, b) => a.laidS - b.laidS);
        own.slice(1).forEach((wash, i) => {
          expect(own[i].untilS).toBeLessThanOrEqual(wash.laidS + NEAR_S);
          const left = washAt(own[i], wash.laidS);
          const act = plan.acts.find((a) => a.id === wash.act) as { filmUm: number };
          expect(wash.filmUm).toBeCloseTo(left.filmUm + act.filmUm, 6);
          // Washes are told apart to a quarter of a gram of water.
          expect(wash.course.paperGm2[0]).toBeCloseTo(Math.round(4 * left.paperGm2) / 4, 6);
        });
      }
    });
  });

  it('is worked out the same again, and shows every area from the start', () => {
    everyPlan((plan, timeline) => {
      expect(layOut(plan)).toEqual(timeline);
      const looks = areaLooks(plan, timeline);
      for (const { id } of plan.areas) {
        const frames = looks.get(id)!;
        expect(frames[0].atS).toBe(0);
        expect(frames.map(({ atS }) => atS)).toEqual(frames.map(({ atS }) => atS).sort((a, b) => a - b));
        for (const { hex } of frames) expect(hex).toMatch(/^#[0-9a-f]{6}$/);
      }
    }, 25);
  });
});

describe('the checks on any order', () => {
  it('find no wet neighbour and no soft mask where every pass waits', () => {
    everyPlan((plan) => {
      const patient: Plan = {
        ...plan,
        acts: plan.acts.map((act) => (act.kind === 'pass' ? { ...act, start: 'when-dry' } : act)),
      };
      const stops = runChecks(patient, layOut(patient)).filter(({ severity }) => severity === 'stop');
      expect(stops).toEqual([]);
    });
  });

  it('name areas and passes that exist, one finding a key, and a fix that is a valid change', () => {
    everyPlan((plan, timeline) => {
      const findings = runChecks(plan, timeline);
      expect(new Set(findings.map(({ key }) => key)).size).toBe(findings.length);
      for (const { where, fix, why } of findings) {
        expect(where.pass === undefined || plan.acts.some(({ id }) => id === where.pass)).toBe(true);
        const pointedAt = where.mix ?? where.area;
        expect([...plan.areas, ...plan.resists, ...plan.mixes].some(({ id }) => id === pointedAt)).toBe(true);
        expect(why.length).toBeGreaterThan(20);
        if (fix) expect(applyCommands(plan, fix.commands).plan).not.toBe(plan);
      }
    });
  });

  it('one press of each fix after another leaves nothing that stops', () => {
    everyPlan((plan) => {
      let mended = plan;
      for (let presses = 0; presses < 20; presses++) {
        const stop = runChecks(mended, layOut(mended)).find(
          ({ fix, severity }) => severity === 'stop' && fix,
        );
        if (!stop) break;
        mended = applyCommands(mended, stop.fix!.commands).plan;
      }
      expect(runChecks(mended, layOut(mended)).filter(({ severity }) => severity === 'stop')).toEqual([]);
    }, 40);
  });
});
