import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  afterStudioCommands,
  missingIn,
  NEW_STUDIO,
  studioCommandsBetween,
  studioCommandSchema,
  undoingStudio,
  type Studio,
} from '.';

const person = (id: string, name = id): Studio['people'][number] => ({ id, name, days: [] });
const with_ = (change: Partial<Studio>): Studio => ({ ...NEW_STUDIO, ...change });

describe('commands of the studio', () => {
  it('of two tabs come together: a person added in one, inches in the other', () => {
    const one = studioCommandsBetween(NEW_STUDIO, with_({ people: [person('ada')] }));
    const other = studioCommandsBetween(NEW_STUDIO, with_({ lengthUnit: 'in' }));
    for (const commands of [
      [...one, ...other],
      [...other, ...one],
    ])
      expect(afterStudioCommands(NEW_STUDIO, commands)).toEqual(
        with_({ people: [person('ada')], lengthUnit: 'in' }),
      );
  });

  it('say only what changed, entry by entry', () => {
    const before = with_({ people: [person('ada'), person('bo'), person('cy')] });
    const after = with_({ people: [person('bo', 'Bo'), person('new'), person('cy')] });
    expect(studioCommandsBetween(before, after)).toEqual([
      { do: 'take', list: 'people', key: 'ada' },
      { do: 'put', list: 'people', entry: person('bo', 'Bo'), before: 'cy' },
      { do: 'put', list: 'people', entry: person('new'), before: 'cy' },
    ]);
    expect(studioCommandsBetween(before, before)).toEqual([]);
  });

  it('undo leaves alone what another tab has done since', () => {
    const before = with_({ people: [person('ada')] });
    const mine = studioCommandsBetween(before, with_({ people: [], lengthUnit: 'in' }));
    const undoes = undoingStudio(before, mine);
    const theirs = { ...afterStudioCommands(before, mine), painter: 'Ottilie Marrow' };
    expect(afterStudioCommands(theirs, undoes)).toEqual({ ...before, painter: 'Ottilie Marrow' });
  });

  it('a backup adds what is missing and changes nothing that is there', () => {
    const here = with_({ people: [person('ada', 'Ada now')], lengthUnit: 'in' });
    const backedUp = with_({ people: [person('ada', 'Ada then'), person('bo')] });
    expect(afterStudioCommands(here, missingIn(here, backedUp))).toEqual(
      with_({ people: [person('ada', 'Ada now'), person('bo')], lengthUnit: 'in' }),
    );
  });

  it('lead from any studio to any other and back, and pass their own schema', () => {
    const people = fc
      .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { maxLength: 5 })
      .chain((ids) =>
        fc.tuple(...ids.map((id) => fc.constantFrom('x', 'y').map((name) => person(id, name)))),
      );
    const studio = fc.record({
      people,
      lengthUnit: fc.constantFrom('mm' as const, 'in' as const),
      evenings: fc.uniqueArray(
        fc.record({ weekday: fc.integer({ min: 1, max: 7 }), minutes: fc.constantFrom(30, 60) }),
        { selector: ({ weekday }) => weekday },
      ),
      bleedGapMm: fc.constantFrom(1, 2),
    });
    fc.assert(
      fc.property(studio, studio, (one, other) => {
        const [from, to] = [one, other].map(({ bleedGapMm, ...change }) =>
          with_({ ...change, rules: { ...NEW_STUDIO.rules, bleedGapMm } }),
        );
        const commands = studioCommandsBetween(from, to);
        for (const command of commands) expect(studioCommandSchema.parse(command)).toEqual(command);
        const sorted = ({ people, evenings, ...rest }: Studio) => ({
          ...rest,
          people: [...people].sort((a, b) => a.id.localeCompare(b.id)),
          evenings: [...evenings].sort((a, b) => a.weekday - b.weekday),
        });
        expect(sorted(afterStudioCommands(from, commands))).toEqual(sorted(to));
        const back = afterStudioCommands(to, undoingStudio(from, commands));
        expect(sorted(back)).toEqual(sorted(from));
      }),
    );
  });
});
