import { describe, expect, it } from 'vitest';
import { runChecks } from '@kettle/core/advice/checks';
import { applyCommands, type Command, type Plan } from '@kettle/core/document/plan';
import { layOut } from '@kettle/core/order/schedule';
import { rankWays, whiteFacts } from '@kettle/core/advice/whites';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { panelDrawing } from '../../panel/panel.view';
import { lookAheadOf } from '../../testing/look-ahead';
import { spatterOver } from './spatter.view';
import {
  byHouseRules,
  maskLines,
  passChoices,
  seenAt,
  whiteRows,
  whitesMoments,
  whitesOver,
} from './whites.view';

const plan = kettleInTheRain();
const did = (...commands: Command[]): Plan => applyCommands(plan, commands).plan;
const ranked = plan.areas.map(({ id }) => {
  const facts = whiteFacts(plan, id, { wanted: null, edge: 'hard' });
  return { area: id, facts, ways: rankWays(facts) };
});
const masked: Command[] = [
  {
    ...{ do: 'mask-stroke', resist: { id: 'r', name: 'rain', tool: 'ruling-pen' } },
    stroke: {
      id: 's',
      points: [
        [20, 5, 0.2],
        [30, 40, 0.9],
      ],
    },
  },
];

describe('the list of whites', () => {
  it('puts kept areas first, with three ways, the chosen among them, and the others behind', () => {
    const rows = whiteRows(plan, ranked, []);
    expect(rows.slice(0, 2).map(({ name }) => name)).toEqual(['kettle', 'steam']);
    for (const { best, others, white } of rows) {
      expect(best.length + others.length).toBe(6);
      expect(best.length).toBeGreaterThanOrEqual(3);
      if (white) expect(best.some(({ chosen }) => chosen)).toBe(true);
    }
    expect(rows[1].times).toEqual({ on: null, off: null });
    expect(rows[2].times).toBeNull();
  });

  it('shows what is amiss with a white beside it, and nothing of other stations', () => {
    const bare = did({ do: 'keep-white', white: { ...plan.whites[0], way: 'bare' } });
    const rows = whiteRows(bare, ranked, runChecks(bare, layOut(bare)));
    expect(rows.find(({ id }) => id === 'kettle')!.findings.map(({ id }) => id)).toEqual(['white-crossed']);
    expect(rows.find(({ id }) => id === 'sill')!.findings).toEqual([]);
  });

  it('offers every pass for a mask to go on and come off after', () => {
    const passes = plan.acts.filter(({ kind }) => kind === 'pass');
    expect(passChoices(plan).map(({ id }) => id)).toEqual(passes.map(({ id }) => id));
  });
});

const all = (): boolean => true;

describe('the moment at which whites are seen', () => {
  const washes = plan.acts.filter(({ kind }) => kind === 'pass').map(({ id }) => id);
  const [first] = washes;
  const halfWay = did(
    { do: 'keep-white', white: { ...plan.whites[0], way: 'mask' } },
    { do: 'mask-when', masked: plan.whites[0].area, on: first, off: washes[2] },
  );
  const { timeline } = lookAheadOf(halfWay);
  const [{ area }] = plan.whites;

  it('has every pass, and the end first', () => {
    expect(whitesMoments(halfWay).map(({ id }) => id)).toEqual(['', ...washes]);
  });
  it('shows a second-stage mask only while it is on, and uncovered all that has been on by then', () => {
    const isOn = (moment: string, uncovered = false): boolean =>
      seenAt(timeline, moment, uncovered).isOn(area);
    expect([first, washes[1], washes[2]].map((id) => isOn(id))).toEqual([true, true, false]);
    expect(isOn(washes[2], true)).toBe(true);
    const late = did(...masked, { do: 'mask-when', masked: 'r', on: washes[2], off: null });
    expect(seenAt(lookAheadOf(late).timeline, first, true).isOn('r')).toBe(false);
  });
  it('lies where the next pass begins, and for the end before the first mask comes off', () => {
    const next = timeline.steps.find(({ act }) => act.id === washes[1])!;
    expect(seenAt(timeline, first, false).atS).toBe(next.startS);
    expect(seenAt(timeline, '', false).atS).toBe(Math.min(...timeline.masks.map(({ offS }) => offS!)) - 1);
    expect(seenAt(timeline, '', true).atS).toBe(Infinity);
  });
});

describe('keeping all by the house’s rules', () => {
  it('takes the best way of each white that is kept another way, and touches nothing else', () => {
    const best = ranked.find(({ area }) => area === plan.whites[0].area)!.ways[0].way;
    const other = best === 'bare' ? 'lift' : 'bare';
    const odd = did({ do: 'keep-white', white: { ...plan.whites[0], way: other } });
    const commands = byHouseRules(odd, ranked);
    const after = applyCommands(odd, commands).plan;
    expect(after.whites.map(({ area }) => area).sort()).toEqual(odd.whites.map(({ area }) => area).sort());
    for (const white of after.whites)
      expect(white.way).toBe(ranked.find(({ area }) => area === white.area)!.ways[0].way);
    expect(byHouseRules(after, ranked)).toEqual([]);
  });
});

describe('the board of whites', () => {
  it('shows masks as film, and uncovered as what they have kept: paper, or a colour under a second mask', () => {
    const early = did(...masked);
    expect(maskLines(early, false, all)[0]).toMatchObject({ id: 's', kind: 'ruling-pen' });
    expect(maskLines(early, false, all)[0].colour).toBeUndefined();
    const white = maskLines(early, true, all)[0].colour!;
    const late = did(...masked, {
      do: 'mask-when',
      masked: 'r',
      on: plan.acts.findLast(({ kind }) => kind === 'pass')!.id,
      off: null,
    });
    expect(maskLines(late, true, all)[0].colour).not.toBe(white);
    // The same stroke is the same line, so that it is drawn once.
    expect(maskLines(early, true, all)[0]).toBe(maskLines(early, true, all)[0]);
  });

  it('lays a film on what is masked, and rings the place of a finding', () => {
    const drawing = panelDrawing(plan, lookAheadOf(plan), 5000);
    const gap = {
      station: 'whites',
      id: 'barrier-gap',
      key: 'k',
      severity: 'look',
      where: { area: 'r', point: [9, 9] },
      number: { value: 1, unit: 'mm', limit: 0 },
      why: '',
    } as const;
    expect(whitesOver(drawing, [gap], true, true)).toMatchObject({ films: [], rings: [{ at: [9, 9] }] });
    const steam = drawing.shapes.find(({ id }) => id === 'steam')!;
    const films = whitesOver({ ...drawing, shapes: [{ ...steam, masked: true }] }, [], false, true).films;
    expect(films).toEqual([steam.path]);
  });

  it('spatter joins the drops that are there, keeps off shields and the rest of the panel', () => {
    const held = { id: 'r', name: 'specks', tool: 'toothbrush' as const };
    const box = { area: { rect: [10, 10, 40, 30] as const }, coverage: 0.1, shields: [] };
    const once = applyCommands(plan, [spatterOver(plan, held, box)]).plan;
    const twice = applyCommands(once, [spatterOver(once, held, box)]).plan;
    const [first, both] = [once.resists[0].drops, twice.resists[0].drops];
    expect(first.length).toBeGreaterThan(100);
    expect(both.slice(0, first.length)).toEqual(first);
    expect(both.length).toBeGreaterThan(1.5 * first.length);
    expect(first.every(([x, y]) => x >= 10 && x < 50 && y >= 10 && y < 40)).toBe(true);
    const shielded = spatterOver(plan, held, {
      ...box,
      shields: [{ shape: { rect: [0, 0, 30, 100] }, edge: 'cut' }],
    });
    expect(shielded.do === 'put-resist' && shielded.resist.drops.every(([x]) => x >= 30)).toBe(true);
  });
});
