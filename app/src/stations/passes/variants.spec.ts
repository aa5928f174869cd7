import { describe, expect, it } from 'vitest';
import { applyCommands, type Plan } from '@kettle/core/document/plan';
import { heronAtLowTide } from '../../../../demo';
import { mixesInWords } from '../../ui/act-words';
import { sharesToChoose } from './pass-mixes.view';
import { changeFor, variantsInWords, LEFT_OUT, variantRows, waysOtherwise } from './variants.view';

const heron = heronAtLowTide();
const passes = heron.acts.flatMap((act) => (act.kind === 'pass' && act.mix !== null ? [act] : []));
const [first, second] = passes;

const varied = (...how: readonly (readonly [pass: string, how: string])[]): Plan =>
  applyCommands(heron, [
    { do: 'set-brief', change: { copies: 6, spares: 1 } },
    {
      do: 'vary',
      variant: { id: 'v', name: 'at dusk', copies: 2, changes: how.map((said) => changeFor(...said)) },
    },
  ]).plan;

describe('copies painted otherwise', () => {
  it('are said in the words they are chosen by, and every other pass can still be chosen', () => {
    const mix = waysOtherwise(heron).at(-1)!;
    const [row] = variantRows(varied([first.id, LEFT_OUT], [second.id, mix.id]));
    expect(row.changes.map(({ pass, how }) => [pass, how])).toEqual([
      [first.id, LEFT_OUT],
      [second.id, mix.id],
    ]);
    const all = heron.acts.filter(({ kind }) => kind === 'pass').length;
    expect(row.passes).toHaveLength(all - 2);
  });

  it('are counted beside those that are as planned', () => {
    expect(variantsInWords(heron)).toBe('');
    expect(variantsInWords(varied())).toBe('5 as planned, 2 “at dusk”');
  });
});

describe('several mixes in a pass', () => {
  it('are said with their places', () => {
    const [own, other] = heron.mixes;
    const pass = { ...first, mix: own.id, also: [{ mix: other.id, lies: 'round', share: 0.2 } as const] };
    expect(mixesInWords(heron, pass)).toBe(`${own.name}, ${other.name} all round`);
    expect(mixesInWords(heron, { ...pass, mix: null, also: [] })).toBe('clear water');
  });

  it('take a share there is a word for, or their own', () => {
    expect(sharesToChoose(0.33)).toHaveLength(4);
    expect(sharesToChoose(0.4).map(({ name }) => name)[2]).toBe('40 % of it');
  });
});
