import { expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { applyCommands, addArea, addPass, smallPlan, type Command, type Plan } from '../../document/plan';
import { layOut } from '../../order/schedule';
import { runChecks, type Finding } from '.';
import { kept } from './edge-plans';

const LETTERS = ['j', 'o', 'y'];
/** Three letters masked with a marker that is wider than they are. */
const lettered = (...more: Command[]): Plan =>
  smallPlan(
    ...LETTERS.map((letter, i) => addArea(letter, rectangle(20 + 10 * i, 5, 0.8, 10))),
    addPass('wash', 'sky', 'dark'),
    ...LETTERS.map((letter) => kept(letter, 'mask', { tool: 'marker' })),
    ...more,
  );
const joy: Command = { do: 'gather', thing: { id: 'joy', name: 'Joy', members: LETTERS } };
const tooFine = (plan: Plan): Finding[] =>
  runChecks(plan, layOut(plan)).filter(({ id }) => id === 'mask-line-too-fine');

it('says of a word once what holds of its letters, and mends all of them at one press', () => {
  expect(tooFine(lettered())).toHaveLength(3);
  const [once, ...more] = tooFine(lettered(joy));
  expect(more).toEqual([]);
  expect(once.key).toBe('mask-line-too-fine//joy');
  expect(once.why).toMatch(/So it is at 3 places of Joy\.$/);
  expect(tooFine(applyCommands(lettered(joy), [...once.fix!.commands]).plan)).toEqual([]);
});

it('is silent of a thing when that is accepted, and says it of a letter that is singled out', () => {
  const accepted = lettered(joy, {
    do: 'accept-finding',
    finding: 'mask-line-too-fine//joy',
    reason: 'on purpose',
  });
  expect(tooFine(accepted)).toEqual([]);
  const out = applyCommands(accepted, [{ do: 'single-out', members: ['y'] }]).plan;
  expect(tooFine(out).map(({ key }) => key)).toEqual(['mask-line-too-fine//y']);
});
