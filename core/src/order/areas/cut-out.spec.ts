import { expect, it } from 'vitest';
import { bounds, type Point, type Polygon, polygonArea, rectangle } from '../../kit/geometry';
import { loadFont, setWords, wordsSchema } from '../../drawing/lettering';
import { addArea, smallPlan, applyCommands, type Plan } from '../../document/plan';
import { areasOfWords, common, cutAway, cutOuts, joined } from '.';

const opened = (...areas: [string, Polygon][]): Plan =>
  applyCommands(
    { ...smallPlan(), areas: [], acts: [] },
    areas.flatMap(([id, outline]) => [
      addArea(id, outline),
      { do: 'open' as const, area: id, opening: true },
    ]),
  ).plan;

const disc = (x: number, y: number, r: number): Point[] =>
  Array.from({ length: 72 }, (_, i) => [
    x + r * Math.cos((i * Math.PI) / 36),
    y + r * Math.sin((i * Math.PI) / 36),
  ]);

/** What of the panel is left in one piece with its rim, when the openings are cut. */
const held = (plan: Plan): Polygon[] =>
  cutAway(
    [rectangle(0, 0, 148, 100)],
    cutOuts(plan).cuts.flatMap(({ parts }) => parts),
  );

it('an island is held by two bridges on opposite sides, and nothing falls out', () => {
  const plan = opened(['ring', [disc(60, 50, 20), disc(60, 50, 10)]]);
  const { cuts, thin } = cutOuts(plan);
  expect([cuts[0].bridges, thin]).toEqual([2, []]);
  expect(cuts[0].parts).toHaveLength(2);
  // The paper is whole: with no bridge the disc inside would be a piece by itself.
  expect(held(plan)).toHaveLength(1);
  const bridged =
    polygonArea([disc(60, 50, 20), disc(60, 50, 10)]) -
    cuts[0].parts.reduce((sum, p) => sum + polygonArea(p), 0);
  expect(Math.abs(bridged - 2 * 2 * 10)).toBeLessThan(2);
  expect(cuts[0].backing).toEqual({ widthMm: expect.closeTo(50, 6), heightMm: expect.closeTo(50, 6) });
});

it('every letter with a counter keeps it', async () => {
  for (const id of ['bold', 'rounded', 'serif'] as const) {
    const words = wordsSchema.parse({
      ...{ id: 'w', text: 'B8&eaR', font: id, capHeightMm: 24, from: [5, 60], to: [145, 60], archMm: 0 },
      ...{ slantDeg: 0, spacingMm: 2, set: 'left' },
    });
    let made = 0;
    const commands = areasOfWords(words, setWords(words, await loadFont(id)), () => `l${made++}`);
    const outlines = commands.flatMap((command) => (command.do === 'add-area' ? [command.area.outline] : []));
    const plan = opened(...outlines.map((outline, i): [string, Polygon] => [`l${i}`, outline]));
    const counters = outlines.reduce((sum, outline) => sum + outline.length - 1, 0);
    expect(counters).toBeGreaterThanOrEqual(6);
    expect(held(plan)).toHaveLength(1);
    // Nothing is cut that was not drawn.
    const cut = joined(cutOuts(plan).cuts.flatMap(({ parts }) => parts));
    const drawn = common(cut, outlines).reduce((sum, p) => sum + polygonArea(p), 0);
    expect(drawn / cut.reduce((sum, p) => sum + polygonArea(p), 0)).toBeCloseTo(1, 3);
  }
});

it('too little paper between two openings, or at the edge, is told; enough is not', () => {
  const plan = opened(
    ['left', rectangle(20, 20, 20, 20)],
    ['right', rectangle(41.5, 20, 20, 20)],
    ['low', rectangle(80, 60, 20, 39)],
    ['far', rectangle(110, 20, 20, 20)],
  );
  expect(cutOuts(plan).thin.map(({ area, other, webMm }) => [area, other, webMm])).toEqual([
    ['left', 'right', expect.closeTo(1.5, 9)],
    ['low', null, expect.closeTo(1, 9)],
  ]);
  const closed = applyCommands(plan, [{ do: 'open', area: 'left', opening: false }]).plan;
  expect(cutOuts(closed).thin).toHaveLength(1);
  expect(bounds(cutOuts(closed).cuts[0].parts[0])[0]).toBeCloseTo(41.5, 6);
});
