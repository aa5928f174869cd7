import { expect, it } from 'vitest';
import { cutSheet, SHEETS } from '../../commission/card';
import { smallPlan, applyCommands, cuttingRequest, MATERIALS, type Command, type Plan } from '.';

const HALF = SHEETS[1];
const withThese = (...commands: Command[]): Plan => applyCommands(smallPlan(), commands).plan;
const eighteen = withThese({ do: 'set-brief', change: { copies: 16, spares: 2 } });

it('copies and spares are all cut, grain along the fold', () => {
  const request = cuttingRequest([eighteen], 'painting', HALF)!;
  expect(request.pieces).toEqual([{ name: 'card', widthMm: 312, heightMm: 108, count: 18, grain: 'height' }]);
  const plan = cutSheet(request);
  expect(plan.unplaced).toEqual([]);
  expect(plan.placed.every(({ turned }) => !turned)).toBe(true);
  // Three opened cards go under each other on a half sheet with its grain that way; no way of cutting gives four.
  expect(Math.max(...plan.placed.map(({ sheet }) => sheet))).toBe(6);
});

it('pieces of several cards are told apart, twins too', () => {
  const request = cuttingRequest([eighteen, eighteen], 'painting', HALF)!;
  const names = request.pieces.map(({ name }) => name);
  expect(new Set(names).size).toBe(2);
  expect(names[1]).toMatch(/\(2\), card$/);
});

it('a material nothing is made of asks for nothing', () =>
  expect(MATERIALS.map((material) => cuttingRequest([eighteen], material, HALF) !== null)).toEqual([
    true,
    false,
    false,
  ]));
