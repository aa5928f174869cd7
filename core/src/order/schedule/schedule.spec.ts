import { describe, expect, it } from 'vitest';
import { labOfHex } from '../../kit/colour';
import { addPass, smallPlan, planPaper } from '../../document/plan';
import { dry, maskSetting } from '../../simulation/water';
import { areaLooks, layOut, minutesAtTable, stageAt, washAt, type Step, type Timeline } from '.';

const step = (timeline: Timeline, id: string): Step => timeline.steps.find(({ act }) => act.id === id)!;

describe('the order in time', () => {
  const plan = smallPlan(
    addPass('sky-wash', 'sky', 'blue'),
    addPass('field-wash', 'field', 'lemon'),
    addPass('boat-wash', 'boat', 'dark'),
  );
  const timeline = layOut(plan);
  const dryS = dry({ paper: planPaper(plan), filmUm: 80, climate: plan.climate }).stages.coolEndS!;

  it('begins each act when hands are free and what it touches is dry', () => {
    expect(step(timeline, 'field-wash').startS).toBe(step(timeline, 'sky-wash').endS);
    expect(step(timeline, 'boat-wash').startS).toBeCloseTo(step(timeline, 'sky-wash').endS + dryS, 6);
    expect(step(timeline, 'boat-wash').waited).toEqual({
      area: 'sky',
      fromS: step(timeline, 'field-wash').endS,
    });
  });

  it('ends a strand exactly when drying says', () => {
    const span = timeline.washes.find(({ area }) => area === 'sky')!;
    expect(span.untilS - span.laidS).toBeCloseTo(dryS, 6);
    expect(stageAt(span, span.untilS)).toBe('dry');
    expect(stageAt(span, span.laidS)).toBe('shiny');
  });

  it('untapes only when all is dry, and nothing overlaps in one pair of hands', () => {
    // The boat lies in the sky, whose paper still holds a little water when it is dry to the touch.
    const { endS } = step(timeline, 'boat-wash');
    const { paperGm2: paperWaterGm2 } = washAt(
      timeline.washes.find(({ area }) => area === 'sky')!,
      endS,
    );
    // Washes are told apart to a quarter of a gram of water.
    const toQuarter = Math.round(4 * paperWaterGm2) / 4;
    const { stages } = dry({
      ...{ paper: planPaper(plan), filmUm: 80, paperWaterGm2: toQuarter, climate: plan.climate },
    });
    expect(paperWaterGm2).toBeGreaterThan(20);
    expect(step(timeline, 'untape').startS).toBeCloseTo(endS + stages.coolEndS!, 6);
    timeline.steps
      .slice(1)
      .forEach((next, i) => expect(next.startS).toBeGreaterThanOrEqual(timeline.steps[i].endS));
  });

  it('moves with climate, paper and water', () => {
    const end = (change: object): number => layOut({ ...plan, ...change }).endS;
    expect(end({ climate: { ...plan.climate, rh: 0.75 } })).toBeGreaterThan(timeline.endS);
    const thin = { ...planPaper(plan), capacityGm2: 120 };
    expect(end({ embedded: { ...plan.embedded, papers: [thin] } })).not.toBe(timeline.endS);
  });
});

describe('what a card asks of the evenings', () => {
  const plan = smallPlan(addPass('sky-wash', 'sky', 'blue'), addPass('boat-wash', 'boat', 'dark'));
  const timeline = layOut(plan);
  const span = (timeline.steps.at(-1)!.endS - timeline.steps[0].startS) / 60;

  it('is all the time there is for one card', () => {
    const { handsMin, waitMin } = minutesAtTable(plan, timeline);
    expect(handsMin + waitMin).toBeCloseTo(span, 9);
    expect(waitMin).toBeGreaterThan(15);
  });

  it('is hands again for each copy and spare, but one wait and one laying ready', () => {
    const one = minutesAtTable(plan, timeline);
    const four = minutesAtTable({ brief: { ...plan.brief, copies: 3, spares: 1 } }, timeline);
    expect(four.waitMin).toBe(one.waitMin);
    const ready = timeline.steps.find(({ act }) => act.id === 'prepare')!;
    const once = (ready.endS - ready.startS) / 60;
    expect(four.handsMin).toBeCloseTo(4 * (one.handsMin - once) + once, 9);
  });

  it('is nothing for a card without acts', () =>
    expect(minutesAtTable(plan, { steps: [] })).toEqual({ handsMin: 0, waitMin: 0 }));
});

describe('water on water', () => {
  it('adds to the film and the damp that are left', () => {
    const plan = smallPlan(
      addPass('wet', 'sky', null, { technique: 'pre-wet' }),
      addPass('into', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on', handsS: 10 }),
    );
    const spans = layOut(plan).washes.filter(({ area }) => area === 'sky');
    expect(spans).toHaveLength(2);
    expect(spans[0].untilS).toBe(spans[1].laidS);
    expect(spans[1].filmUm).toBeGreaterThan(40);
    expect(spans[1].filmUm).toBeLessThan(100);
    expect(spans[1].course.paperGm2[0]).toBeGreaterThan(10);
  });
});

describe('masks', () => {
  const plan = smallPlan(addPass('sky-wash', 'sky', 'blue'), {
    do: 'keep-white',
    white: { id: 'w', area: 'boat', way: 'mask', tool: null, wanted: null, edge: 'hard' },
  });

  it('must set before a wash crosses them, and come off when all round is dry', () => {
    const timeline = layOut(plan);
    const { setS } = maskSetting(plan.climate);
    expect(step(timeline, 'sky-wash').startS).toBeCloseTo(step(timeline, 'mask-on').endS + setS!, 6);
    const span = timeline.washes.find(({ area }) => area === 'sky')!;
    expect(step(timeline, 'mask-off').startS).toBeCloseTo(span.untilS, 6);
    expect(timeline.masks[0].offS).toBe(step(timeline, 'mask-off').endS);
  });

  it('never set in saturated air: what waits for them is named, nothing is invented', () => {
    const timeline = layOut({ ...plan, climate: { ...plan.climate, rh: 1 } });
    expect(timeline.never[0]).toBe('sky-wash');
    expect(timeline.never).toContain('press');
  });
});

describe('looks', () => {
  it('are darkest when just laid and pale as the wash dries', () => {
    const plan = smallPlan(addPass('sky-wash', 'sky', 'blue'));
    const frames = areaLooks(plan, layOut(plan)).get('sky')!;
    const lightness = frames.map(({ hex }) => labOfHex(hex)[0]);
    // Bare, just laid, and eight on the way to dry.
    expect(frames).toHaveLength(10);
    expect(lightness[1]).toBeLessThan(lightness[0] - 5);
    expect(lightness.at(-1)!).toBeGreaterThan(lightness[1] + 1);
    expect(areaLooks(plan, layOut(plan)).get('field')).toHaveLength(1);
  });
});
