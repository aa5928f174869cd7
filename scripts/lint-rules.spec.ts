import { Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { expect, it } from 'vitest';
import config from '../eslint.config.js';

/** What the rule that keeps solvers to the workers says of a file. */
function saidOf(file: string, code: string): string[] {
  const rule = '@typescript-eslint/no-restricted-imports';
  const rules = config.filter((part) => part.rules && rule in part.rules);
  const languageOptions = { parser: tseslint.parser };
  const only = rules.map(({ files, ignores, rules: all }) => ({
    ...{ files, ...(ignores ? { ignores } : {}), languageOptions },
    plugins: { '@typescript-eslint': tseslint.plugin },
    rules: { [rule]: all![rule] },
  }));
  return new Linter({ configType: 'flat' })
    .verify(code, [{ files: ['**/*.ts'], languageOptions }, ...only] as Linter.Config[], { filename: file })
    .map(({ message }) => message);
}

const layOut = "import { layOut } from '@kettle/core/order/schedule';\nlayOut();";

it('a station, its view, a room and the state may not work things out themselves', () => {
  for (const file of [
    'app/src/stations/passes/drift.view.ts',
    'app/src/stations/passes/passes.component.ts',
    'app/src/rooms/rack/rack.component.ts',
    'app/src/state/look-ahead.service.ts',
  ])
    expect(saidOf(file, layOut).join()).toContain('computing is for workers');
  expect(
    saidOf('app/src/stations/a.view.ts', "import { solve } from '@kettle/core/order/sequencing';\nsolve();"),
  ).toHaveLength(1);
});

it('a worker may, and a type is no computation', () => {
  expect(saidOf('app/src/workers/table-jobs.ts', layOut)).toEqual([]);
  expect(
    saidOf(
      'app/src/stations/a.view.ts',
      "import type { Timeline } from '@kettle/core/order/schedule';\nlet a: Timeline;",
    ),
  ).toEqual([]);
});
