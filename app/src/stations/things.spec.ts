import { describe, expect, it } from 'vitest';
import { rectangle } from '@kettle/core/kit/geometry';
import {
  addArea,
  addPass,
  applyCommands,
  smallPlan,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import { valueLadder } from '@kettle/core/advice/values';
import { replaySitting, sittingAt, type SittingNow } from '@kettle/core/order/sitting';
import { panelDrawing } from '../panel/panel.view';
import { actInWords } from '../ui/act-words';
import { lookAheadOf } from '../testing/look-ahead';
import { driftDrawing } from './passes/drift.view';
import { momentInWords } from './passes/passes.view';
import { maskCards, wetCards } from './sitting/sitting.view';
import { areaRows, reshape } from './sketch/sketch.view';
import { givingUp, keeping, whiteRows } from './whites/whites.view';

const LETTERS = ['n', 'o', 'w'];
const NAMES = LETTERS.map((letter) => `Now: ${letter}`);

/** Three letters on a sky, one thing. */
const lettered = (...more: Command[]): Plan =>
  smallPlan(
    ...LETTERS.map((letter, i) => {
      const command = addArea(letter, rectangle(20 + 12 * i, 5, 8, 12)) as Extract<
        Command,
        { do: 'add-area' }
      >;
      return { ...command, area: { ...command.area, name: `Now: ${letter}` } };
    }),
    { do: 'gather', thing: { id: 'word', name: 'Now', members: LETTERS } },
    ...more,
  );
const painted = lettered(addPass('letters', 'n', 'dark', { areas: LETTERS }));
const masked = (): Plan => {
  const washed = lettered(addPass('wash', 'sky', 'blue'));
  const [row] = whiteRows(washed, [], []).filter(({ name }) => name === 'Now');
  return applyCommands(washed, keeping(washed, row, { way: 'mask' })).plan;
};
describe('a word, at every station', () => {
  it('is one row at Whites, kept and given up at one press', () => {
    const plan = masked();
    expect(plan.whites.map(({ area, way }) => `${area} ${way}`)).toEqual(
      LETTERS.map((letter) => `${letter} mask`),
    );
    const [row, ...others] = whiteRows(plan, [], []);
    expect([row.name, row.parts.map(({ name }) => name)]).toEqual(['Now', NAMES]);
    expect(others.map(({ name }) => name)).toEqual(['sky', 'field', 'boat']);
    expect(applyCommands(plan, givingUp(plan, row)).plan.whites).toEqual([]);
  });

  it('opens at Whites where a letter is kept otherwise', () => {
    const plan = masked();
    const other = applyCommands(plan, [{ do: 'keep-white', white: { ...plan.whites[0], way: 'lift' } }]).plan;
    expect(
      whiteRows(other, [], [])
        .map(({ name }) => name)
        .slice(0, 3),
    ).toEqual(NAMES);
  });

  it('is one strand, one peg and one mask on the drift line', () => {
    const drawing = driftDrawing(lookAheadOf(painted), 1200);
    expect(drawing.strands.map(({ name }) => name)).toEqual(['Now']);
    expect(drawing.strands[0].spans).toHaveLength(1);
    expect(drawing.pegs).toHaveLength(1);
    const under = driftDrawing(lookAheadOf(masked()), 1200);
    expect([under.strands.map(({ name }) => name), under.masks.length]).toEqual([['sky', 'Now'], 1]);
  });

  it('is one name in an act, at a moment and on the ladder of values', () => {
    const [act] = painted.acts.filter(({ kind }) => kind === 'pass');
    expect(actInWords(painted, act)).toBe('Wash the Now');
    expect(momentInWords(painted, lookAheadOf(painted), 1e5)).toBe('Now dry');
    expect(valueLadder(painted).flatMap(({ kind, name }) => (kind === 'area' ? [name] : []))).toContain(
      'Now',
    );
  });

  it('is one clock at the table, and one mask', () => {
    const at = (plan: Plan, act: string): SittingNow => {
      const done = plan.acts.slice(0, plan.acts.findIndex(({ id }) => id === act) + 1);
      const startedAt = '2026-03-02T18:00:00.000Z';
      const later = (s: number): string => new Date(Date.parse(startedAt) + 1000 * s).toISOString();
      const events = done.map(({ id }, i) => ({ at: later(60 * (i + 1)), kind: 'done' as const, act: id }));
      return sittingAt(
        plan,
        replaySitting(plan, { startedAt, events }),
        Date.parse(later(60 * done.length + 5)),
      );
    };
    expect(wetCards(painted, at(painted, 'letters')).map(({ name }) => name)).toEqual(['Now']);
    expect(maskCards(masked(), at(masked(), 'mask-on')).map(({ name }) => name)).toEqual(['Now']);
  });

  it('names itself by its letters on the panel; another thing is named once, below it', () => {
    const named = (plan: Plan): string[] =>
      panelDrawing(plan, null).shapes.flatMap(({ name }) => (name === '' ? [] : [name]));
    expect(named(lettered())).toEqual(['sky', 'field', 'boat']);
    const lamps = lettered({ do: 'gather', thing: { id: 'word', name: 'lamps', members: LETTERS } });
    expect(named(lamps)).toEqual(['sky', 'field', 'boat', 'lamps']);
    const { label } = panelDrawing(lamps, null).shapes.find(({ name }) => name === 'lamps')!;
    expect(label).toEqual([36, 22]);
  });

  it('is one entry of the areas, that opens to its letters; another area can be put to it', () => {
    const length = (mm: number): string => `${mm} mm`;
    const plan = lettered();
    const [row, ...others] = areaRows(plan, false, length);
    expect([row.name, row.parts.map(({ name }) => name)]).toEqual(['Now', NAMES.toReversed()]);
    expect(row.size).toBe('2.9 cm², 32 mm × 12 mm');
    const boat = others.find(({ id }) => id === 'boat')!;
    const gather = boat.reshapings.find(
      ({ how, name }) => how === 'gather' && name === 'one thing with Now',
    )!;
    const commands = reshape(plan, 'boat', gather, () => 'new') as Command[];
    expect(applyCommands(plan, commands).plan.things[0].members).toEqual([...LETTERS, 'boat']);
  });
});
