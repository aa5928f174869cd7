import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';

/** A copy of core and the command line, to which one of each kind is added: a file, and a line in its registry. */
const copy = mkdtempSync(join(tmpdir(), 'kettle-adding-'));

const write = (path: string, text: string): void => writeFileSync(join(copy, path), text);

/** A line put in before another. */
function addLine(path: string, before: string, line: string): void {
  const text = readFileSync(join(copy, path), 'utf8');
  expect(text).toContain(before);
  write(path, text.replace(before, `${line}\n${before}`));
}

/** Runs the copy's command line, which makes its bundle first. */
const kettle = (...args: string[]): string => {
  const { stdout, stderr } = spawnSync('node', ['scripts/kettle.mjs', ...args], {
    cwd: copy,
    encoding: 'utf8',
    input: '{"rubs":4}',
  });
  return stdout === '' ? stderr : stdout;
};

const CHECK = `
import { addPass, smallPlan, type Plan } from '../../document/plan';
import type { Check } from './check';

const MOST_MIXES = 3;

export const tooManyMixes: Check = {
  id: 'too-many-mixes',
  name: 'More mixes than a hand stirs',
  station: 'colours',
  severity: 'note',
  when: \`more than \${MOST_MIXES} mixes\`,
  source: 'ours',
  find: ({ plan }) =>
    plan.mixes.length <= MOST_MIXES
      ? []
      : [{ where: {}, number: { value: plan.mixes.length, unit: 'mixes', limit: MOST_MIXES }, why: 'there are more mixes than a hand stirs.' }],
  edges: () => [{ wrong: mixed(4), right: mixed(3) }],
};

const mixed = (count: number): Plan => {
  const plan = smallPlan(addPass('wash', 'sky', 'blue'));
  return { ...plan, mixes: Array.from({ length: count }, (_, i) => plan.mixes[i % plan.mixes.length]) };
};
`;
const TECHNIQUE = `  {
    id: 'rubbing',
    name: 'rubbing',
    act: 'Rub',
    filmUm: 5,
    coverageMm2S: 30,
    start: 'dry',
    pigment: true,
    covers: 0.4,
    rests: true,
    advice: 'A leaf below, a dry stick above.',
  },`;
const CHORE = `  { id: 'sign', name: 'Sign it', handsS: 30, waitS: 0, needsDry: true, finishing: true },`;
const COMMAND = `
import * as z from 'zod';
import { jsonCommand } from '../command';

export const rub = jsonCommand({
  name: 'rub',
  says: 'how often a leaf bears it',
  reads: z.strictObject({ rubs: z.int().min(1).max(9) }),
  answers: 'left',
  run: ({ rubs }) => ({ left: 9 - rubs }),
});
`;

beforeAll(() => {
  for (const path of [
    ...['core', 'cli', 'kernels', 'demo', 'scripts/kettle.mjs', 'scripts/property-seed.ts'],
    ...['package.json', 'package-lock.json', 'tsconfig.json', 'tsconfig.base.json', 'vitest.config.ts'],
  ])
    cpSync(path, join(copy, path), { recursive: true });
  symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
  write('core/src/advice/checks/too-many-mixes.ts', CHECK);
  addLine(
    'core/src/advice/checks/registry.ts',
    "import { tooThick } from './too-thick';",
    "import { tooManyMixes } from './too-many-mixes';",
  );
  addLine('core/src/advice/checks/registry.ts', '  ...[bleedIntoWet,', '  tooManyMixes,');
  addLine('core/src/document/plan/technique.ts', "  {\n    id: 'flat-wash',", TECHNIQUE);
  addLine('core/src/document/plan/chore.ts', "  {\n    id: 'rub-out',", CHORE);
  write('cli/src/commands/rub.ts', COMMAND);
  addLine(
    'cli/src/run.ts',
    "import { schedule } from './commands/schedule';",
    "import { rub } from './commands/rub';",
  );
  addLine('cli/src/run.ts', '  schedule,\n', '  rub,');
}, 60_000);

afterAll(() => {
  rmSync(copy, { recursive: true });
});

it('a check, a technique, a chore and a command are each added by themselves, and are listed', () => {
  const listed = JSON.parse(kettle('list')) as Record<string, { id: string }[]>;
  const ids = (kind: string): string[] => listed[kind].map(({ id }) => id);
  expect(ids('checks')).toContain('too-many-mixes');
  expect(ids('techniques')).toContain('rubbing');
  expect(ids('chores')).toContain('sign');
}, 60_000);

it('an added command is in the overview, has help by its schema, and refuses what that refuses', () => {
  expect(kettle('--help')).toContain('rub        how often a leaf bears it');
  expect(kettle('rub', '--help')).toContain('in:  rubs 1…9');
  expect(JSON.parse(kettle('rub'))).toEqual({ left: 5 });
}, 60_000);

it('an added check is tried at its own edges, and an added technique planned, laid out and painted ahead', () => {
  const specs = ['core/src/advice/checks/registry.spec.ts', 'core/src/order/schedule/techniques.spec.ts'];
  const { stdout } = spawnSync(
    'npx',
    ['vitest', 'run', '--project', 'unit', '--reporter=verbose', '-t', 'too-many-mixes|rubbing', ...specs],
    { cwd: copy, encoding: 'utf8' },
  );
  expect(stdout).toContain('too-many-mixes');
  expect(stdout).toContain('rubbing can be planned');
  expect(stdout).toMatch(/4 passed/);
}, 120_000);
