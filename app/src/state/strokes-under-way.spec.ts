import { expect, it } from 'vitest';
import type { PaintedAs } from '../data/rows';
import { StrokesUnderWay } from './strokes-under-way';

const as = { trial: 'sheet' } as unknown as PaintedAs;

it('what is told of a stroke stays with it, though the hand has begun the next', () => {
  const strokes = new StrokesUnderWay();
  strokes.begin('one', as);
  strokes.add([[1, 1, 0.5, 0]]);
  strokes.begin('two', as);
  strokes.add([[2, 1, 0.5, 0]]);
  expect(strokes.take()).toEqual([
    {
      stroke: 'one',
      as,
      places: [
        [1, 1, 0.5, 0],
        [2, 1, 0.5, 0],
      ],
    },
  ]);
  expect(strokes.end()).toBe('one');
  strokes.add([[9, 9, 0.5, 3]]);
  expect(strokes.take()).toEqual([{ stroke: 'two', as, places: [[9, 9, 0.5, 3]] }]);
  expect(strokes.take()).toEqual([]);
  expect(strokes.isNone).toBe(false);
  expect(strokes.end()).toBe('two');
  expect(strokes.end()).toBeNull();
  expect(strokes.isNone).toBe(true);
});
