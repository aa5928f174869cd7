// Changes every number the checks, the windows and the planning decide by, one at a time, and sees whether a test notices:
// `npm run mutants [--sample n] [file …]`.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';

/** Where such numbers stand, and the tests that are to notice. */
const FOLDERS: Readonly<Record<string, readonly string[]>> = {
  'core/src/advice/checks': ['core/src/advice/checks'],
  'core/src/order/schedule': ['core/src/order/schedule', 'core/src/advice/checks'],
  'core/src/commission/occasion': ['core/src/commission/occasion', 'core/src/order/schedule'],
};
/** By how much a number is changed, each way: about as much as a painter would notice. */
const TIMES = [0.8, 1.25];
/** Numbers that decide nothing a painter would see, by their names, and why: they are listed, not tried. */
const SPARED: Readonly<Record<string, string>> = {
  EVERY_MM: 'how densely the rim is looked at: a finer look finds the same',
  FINDS_TO: 'how exactly a strength is found: mixes are stirred no finer',
  SEARCH_S: 'time a search may take',
  SAME_S: 'two starts within a second are one',
  OVERNIGHT_S: 'no chore waits between ten minutes and eight hours',
};
const NUMBER = /^((?:export )?const [A-Z][A-Z_0-9]* = )(-?[\d_]+(?:\.\d+)?)(?=[; ])/gm;

interface Mutant {
  readonly file: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly text: string;
}

/** Every number of a file by its name, and the file with it changed. */
function mutantsOf(file: string, source: string): Mutant[] {
  const numbers = [...source.matchAll(NUMBER)].filter(([, before]) => !(before.split(' ').at(-3)! in SPARED));
  return numbers.flatMap((found) =>
    TIMES.map((times) => {
      const [whole, before, from] = found;
      const to = String(Number(from.replaceAll('_', '')) * times);
      return {
        ...{ file, from, to, name: before.split(' ').at(-3)! },
        text: source.slice(0, found.index) + `${before}${to}` + source.slice(found.index + whole.length),
      };
    }),
  );
}

// Stopped by hand, the file under change is put back first.
process.on('SIGINT', () => undefined);

/** Whether the tests of some folders pass. Throws where they were stopped. */
function doPass(tests: readonly string[]): boolean {
  const { status, signal, error } = spawnSync(
    'npx',
    ['vitest', 'run', '--project', 'unit', '--bail', '1', ...tests],
    { stdio: 'ignore' },
  );
  if (signal !== null || error) throw new Error('the tests were stopped', { cause: error });
  return status === 0;
}

/** Whether a test fails on it. */
function isKilled({ file, text }: Mutant, source: string, tests: readonly string[]): boolean {
  writeFileSync(file, text);
  try {
    return !doPass(tests);
  } finally {
    writeFileSync(file, source);
  }
}

/** Every so-many-th, so that a sample comes from all files. */
const sampled = <T>(list: readonly T[], size: number): T[] =>
  list.filter((_, i) => Math.floor((i * size) / list.length) !== Math.floor(((i - 1) * size) / list.length));

const { values, positionals } = parseArgs({
  options: { sample: { type: 'string' }, json: { type: 'string' } },
  allowPositionals: true,
});
const all = Object.entries(FOLDERS).flatMap(([folder, tests]) =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.spec.ts'))
    .filter((name) => positionals.length === 0 || positionals.includes(name))
    .flatMap((name) => {
      const source = readFileSync(`${folder}/${name}`, 'utf8');
      return mutantsOf(`${folder}/${name}`, source).map((mutant) => ({ mutant, source, tests }));
    }),
);
const tried = values.sample === undefined ? all : sampled(all, Math.min(all.length, Number(values.sample)));
// Tests that fail by themselves would seem to notice everything.
for (const tests of new Set(tried.map((one) => one.tests)))
  if (!doPass(tests)) throw new Error(`${tests.join(', ')} fail before anything is changed`);
const survivors: string[] = [];
for (const { mutant, source, tests } of tried) {
  if (isKilled(mutant, source, tests)) continue;
  survivors.push(`${mutant.file}: ${mutant.name} ${mutant.from} → ${mutant.to}`);
  console.log(`survived · ${survivors.at(-1)}`);
}
const killed = tried.length - survivors.length;
console.log(`${killed} of ${tried.length} killed`);
if (values.json !== undefined)
  writeFileSync(
    values.json,
    `${JSON.stringify({ tried: tried.length, killed, killedPercent: (100 * killed) / tried.length, survivors, spared: SPARED }, null, 1)}\n`,
  );
