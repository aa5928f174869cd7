import { expect, it } from 'vitest';
import { type Point, type Polygon, polygonArea } from '../../kit/geometry';
import { meantEllipse } from '../../drawing/guides';
import { addArea, smallPlan, applyCommands, areaOf, type Plan } from '../../document/plan';
import { areasOfLight, common, litArea, shadowFindings } from '.';

const ball: Polygon = [
  Array.from({ length: 180 }, (_, i): Point => {
    const a = (i * Math.PI) / 90;
    return [40 + 12 * Math.cos(a), 50 + 12 * Math.sin(a)];
  }),
];

const lit = (sideDeg: number): Plan =>
  applyCommands({ ...smallPlan(), areas: [], acts: [] }, [
    addArea('quince', ball),
    { do: 'see-as', area: 'quince', form: 'ball' },
    { do: 'set-lamp', lamp: { sideDeg, heightDeg: 40 } },
  ]).plan;

const sum = (parts: readonly Polygon[]): number => parts.reduce((all, part) => all + polygonArea(part), 0);
let made = 0;
const newId = (): string => `lit-${made++}`;

it('light, middle and dark are together the body, and lie nowhere on one another', () => {
  for (const side of [-150, -60, 10, 80, 170]) {
    const { light, middle, dark, shadow } = litArea(lit(side), 'quince')!;
    expect(sum([...light, ...middle, ...dark]) / polygonArea(ball)).toBeCloseTo(1, 1);
    expect(sum(common([...light], [...dark, ...middle]))).toBeLessThan(1);
    expect(sum(common([...shadow], [ball]))).toBeLessThan(0.1);
  }
  expect(litArea({ ...lit(0), lamp: null }, 'quince')).toBeNull();
});

it('shade lies away from the lamp and the highlight towards it', () => {
  const middleX = ([[outer]]: readonly Polygon[]): number => meantEllipse(outer).centre[0];
  const right = litArea(lit(30), 'quince')!;
  expect(middleX(right.dark)).toBeLessThan(40);
  expect(right.highlight![0]).toBeGreaterThan(40);
  expect(middleX(right.shadow)).toBeLessThan(40);
});

it('a shadow kept while the lamp goes to the other side is on the wrong side', () => {
  const plan = lit(30);
  const drawn = applyCommands(plan, areasOfLight(plan, 'quince', newId)).plan;
  const shadow = drawn.areas.find(({ shadowOf }) => shadowOf === 'quince')!;
  expect(shadowFindings(drawn)).toEqual([]);
  const moved = applyCommands(drawn, [{ do: 'set-lamp', lamp: { sideDeg: 150, heightDeg: 40 } }]).plan;
  expect(shadowFindings(moved).map((amiss) => [amiss.shadow, amiss.of])).toEqual([[shadow.id, 'quince']]);
  const gone = applyCommands(moved, [{ do: 'remove-area', area: 'quince' }]).plan;
  expect(areaOf(gone, shadow.id).shadowOf).toBeUndefined();
  expect(shadowFindings(gone)).toEqual([]);
});
