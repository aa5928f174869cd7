import { describe, expect, it } from 'vitest';
import { composition } from '@kettle/core/order/areas';
import { guideLines } from '@kettle/core/drawing/guides';
import { loadFonts, settingsOf } from '@kettle/core/drawing/lettering';
import { applyCommands, type Command, type Plan } from '@kettle/core/document/plan';
import type { PencilPoint } from '@kettle/core/drawing/sketch';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { panelDrawing } from '../../panel/panel.view';
import { circleRound, curvesInWords, fieldsOf, GUIDE_NAMES, newGuide } from './guides.view';
import { darknessOf, inThreeTones, judge } from './judge.view';
import { sketchMarks } from './marks.view';
import { areaRows, AS_IT_IS, placeInHand, reshape } from './sketch.view';

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;
const plan = kettleInTheRain();
const did = (from: Plan, ...commands: Command[]): Plan => applyCommands(from, commands).plan;

const round = (x: number, y: number, rx: number, ry: number): PencilPoint[] =>
  Array.from({ length: 41 }, (_, i) => [
    x + rx * Math.cos((i * Math.PI) / 20),
    y + ry * Math.sin((i * Math.PI) / 20),
    0.5,
  ]);
const drawn = did(
  plan,
  { do: 'add-line', line: { id: 'round', kind: 'pencil', points: round(70, 40, 20, 20) } },
  { do: 'add-line', line: { id: 'flat', kind: 'pencil', points: round(70, 40, 20, 2) } },
);

describe('guides', () => {
  const panel = { widthMm: 148, heightMm: 100 };

  it('every kind is laid where it can be seen, and each of its lengths changes it and nothing else', () => {
    for (const { id: kind } of GUIDE_NAMES) {
      const guide = newGuide(kind, plan, 'g');
      expect(guideLines(guide, panel).length).toBeGreaterThan(0);
      for (const field of fieldsOf(guide).flat()) {
        const changed = field.set(field.mm + 3);
        expect(changed).not.toEqual(guide);
        const now = fieldsOf(changed).flat();
        expect(now.filter(({ mm: is }, i) => is !== fieldsOf(guide).flat()[i].mm)).toHaveLength(1);
      }
    }
  });

  it('a circle goes round what is in the hand, and round nothing where nothing is', () => {
    expect(circleRound(drawn, ['round'], 'c')).toMatchObject({ centre: [70, 40], radiusMm: 20 });
    expect(circleRound(drawn, [], 'c')).toBeNull();
  });

  it('curves in the hand are told to agree, to be too round, or too flat', () => {
    const vessel = newGuide('vessel', plan, 'v') as Parameters<typeof curvesInWords>[2];
    const says = (picked: string[]): string =>
      curvesInWords(drawn, picked, { ...vessel, eyeYMm: -40 }, mm).says;
    expect(says(['round'])).toContain('too round');
    expect(says(['flat'])).toContain('too flat');
    expect(says(['sill-edge'])).toContain('Take up closed round lines');
    // Radius 20 at 40 mm, seen from 80 mm above and 400 mm away: half its height is about 80·20/400.
    const right = did(drawn, {
      do: 'add-line',
      line: { id: 'right', kind: 'pencil', points: round(70, 40, 20, 4) },
    });
    expect(curvesInWords(right, ['right'], { ...vessel, eyeYMm: -40 }, mm)).toEqual({
      says: 'The curve agrees with this eye level.',
      stop: false,
    });
  });
});

describe('lines in the hand', () => {
  it('are turned and made smaller about their middle, then moved; copies leave them where they are', () => {
    const placed = did(
      drawn,
      ...placeInHand(drawn, ['flat'], { ...AS_IT_IS, turnDeg: 90, percent: 50, downMm: 10 }, null),
    );
    const points = placed.lines.find(({ id }) => id === 'flat')!.points;
    expect(Math.max(...points.map(([x]) => x))).toBeCloseTo(71, 1);
    expect(Math.max(...points.map(([, y]) => y))).toBeCloseTo(60, 1);
    const copied = did(drawn, ...placeInHand(drawn, ['flat'], AS_IT_IS, () => 'copy'));
    expect(copied.lines.map(({ id }) => id).slice(-2)).toEqual(['flat', 'copy']);
    expect(placeInHand(drawn, [], AS_IT_IS, null)).toEqual([]);
  });
});

describe('areas cut out', () => {
  it('say how they hold and what closes them, and where the paper is too thin', () => {
    const kettle = areaRows(plan, true, mm).find(({ id }) => id === 'kettle')!;
    expect(kettle.opening).toBeNull();
    const way = kettle.reshapings.find(({ how }) => how === 'open')!;
    const opened = did(plan, ...(reshape(plan, 'kettle', way, () => 'x') as Command[]));
    const row = areaRows(opened, true, mm).find(({ id }) => id === 'kettle')!;
    expect(row.opening).toMatchObject({ stop: false });
    expect(row.opening!.says).toMatch(/^Cut out\. Backing [\d.]+ mm × [\d.]+ mm, 5 mm of it glue land\.$/);
    const pane = did(opened, { do: 'open', area: 'pane', opening: true });
    expect(areaRows(pane, true, mm).find(({ id }) => id === 'pane')!.opening).toMatchObject({ stop: true });
    const closed = did(
      opened,
      ...(reshape(
        opened,
        'kettle',
        row.reshapings.find(({ how }) => how === 'close')!,
        () => 'x',
      ) as Command[]),
    );
    expect(closed).toEqual(plan);
  });
});

describe('what lies on the board', () => {
  it('words with a box round them, the tones of what is lit, and every guide', async () => {
    const settings = settingsOf(plan.words, await loadFonts());
    const guided = did(plan, { do: 'lay-guide', guide: { id: 'g', kind: 'thirds' } });
    const marks = sketchMarks(guided, settings, []);
    expect(marks.guides).toHaveLength(4);
    expect(marks.words).toHaveLength(1);
    expect(marks.words[0].box[2]).toBeGreaterThan(40);
    expect(new Set(marks.tones.map(({ tone }) => tone))).toEqual(new Set(['light', 'dark', 'shadow']));
    expect(marks.highlights).toHaveLength(1);
    expect(sketchMarks(plan, new Map(), []).words).toEqual([]);
  });
});

describe('the panel judged', () => {
  const fills = { pane: '#b0bfd6', sill: '#eac69c', kettle: '#8f5a4a', steam: '#f2f0ea' } as Record<
    string,
    string
  >;
  const drawing = panelDrawing(plan, null);
  const painted = {
    ...drawing,
    shapes: drawing.shapes.map((shape) => ({ ...shape, fill: fills[shape.id] ?? null })),
  };

  it('in three tones every colour is one of three, and bare areas stay bare', () => {
    const tones = new Set(inThreeTones(painted).shapes.map(({ fill }) => fill));
    expect(tones.size).toBeLessThanOrEqual(3);
    expect(inThreeTones(drawing).shapes.every(({ fill }) => fill === null)).toBe(true);
  });

  it('says margins, quiet room and weight; one value for all, and a lean, are told', () => {
    const at = (shown: typeof painted): ReturnType<typeof judge> =>
      judge(plan, shown, composition(plan, darknessOf(shown)), mm);
    const said = at(painted);
    expect(said.notes.join(' ')).toMatch(/The subject has .* left and .* right/);
    expect(said.notes.join(' ')).toMatch(/Quiet room for words: \d/);
    expect(said.notes.join(' ')).toMatch(/Its weight hangs/);
    const flat = at({ ...painted, shapes: painted.shapes.map((shape) => ({ ...shape, fill: '#e8d8d0' })) });
    expect(flat.looks).toContain('All is one value: everything is light.');
    const leaning = judge(plan, painted, { margins: null, quiet: null, kisses: [], weight: [40, 0] }, mm);
    expect(leaning.looks).toContain('It leans to the right.');
  });
});
