// Changes every number the checks decide by, one at a time, and sees whether a test notices: `npm run mutants [file …]`.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';

const FOLDER = 'core/src/checks';
/** By how much a number is changed, each way: about as much as a painter would notice. */
const TIMES = [0.8, 1.25];
const NUMBER = /^((?:export )?const [A-Z][A-Z_0-9]* = )(-?\d+(?:\.\d+)?);/gm;

interface Mutant {
  readonly file: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly text: string;
}

/** Every number of a file by its name, and the file with it changed. */
function mutantsOf(file: string, source: string): Mutant[] {
  return [...source.matchAll(NUMBER)].flatMap((found) =>
    TIMES.map((times) => {
      const [whole, before, from] = found;
      const to = String(Number(from) * times);
      return {
        ...{ file, from, to, name: before.split(' ').at(-3)! },
        text: source.slice(0, found.index) + `${before}${to};` + source.slice(found.index + whole.length),
      };
    }),
  );
}

/** Whether the tests of the checks fail on it. */
function isKilled({ file, text }: Mutant, source: string): boolean {
  writeFileSync(file, text);
  try {
    const { status } = spawnSync('npx', ['vitest', 'run', '--project', 'unit', '--bail', '1', FOLDER], {
      stdio: 'ignore',
    });
    return status !== 0;
  } finally {
    writeFileSync(file, source);
  }
}

const asked = process.argv.slice(2);
const files = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.spec.ts'))
  .filter((name) => asked.length === 0 || asked.includes(name))
  .map((name) => `${FOLDER}/${name}`);
let [killed, all] = [0, 0];
for (const file of files) {
  const source = readFileSync(file, 'utf8');
  for (const mutant of mutantsOf(file, source)) {
    all++;
    if (isKilled(mutant, source)) killed++;
    else console.log(`survived · ${file}: ${mutant.name} ${mutant.from} → ${mutant.to}`);
  }
}
console.log(`${killed} of ${all} killed`);
