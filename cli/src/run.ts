import { parseJson, readKettleFile } from '@kettle/core/files/formats';
import { BadInput } from '@kettle/core/kit/units';
import type { CliCommand, Fonts } from './command';
import { areas } from './commands/areas';
import { check } from './commands/check';
import { cut } from './commands/cut';
import { dryCommand } from './commands/dry';
import { glaze } from './commands/glaze';
import { legible } from './commands/legible';
import { list } from './commands/list';
import { mix } from './commands/mix';
import { palette } from './commands/palette';
import { patches } from './commands/patches';
import { planBackCommand } from './commands/plan-back';
import { propose } from './commands/propose';
import { schedule } from './commands/schedule';
import { simulateCommand } from './commands/simulate';
import { size } from './commands/size';
import { spatter } from './commands/spatter';
import { swatchFit } from './commands/swatch-fit';
import { trace } from './commands/trace';
import { whites } from './commands/whites';

/** Every command; to add one, a file in commands/ and a name here. */
export const COMMANDS: readonly CliCommand[] = [
  size,
  cut,
  planBackCommand,
  dryCommand,
  mix,
  glaze,
  palette,
  swatchFit,
  simulateCommand,
  spatter,
  areas,
  patches,
  whites,
  legible,
  trace,
  propose,
  check,
  schedule,
  list,
];

/** What a run leaves: exit code, standard output, standard error. */
export interface RunResult {
  readonly code: 0 | 1 | 2;
  readonly out: string;
  readonly err: string;
}

/** Whether what is asked for sets words, and needs the shipped fonts. */
export const setsWords = ([name]: readonly string[]): boolean =>
  COMMANDS.some((command) => command.name === name && command.letters === true);

/** Runs `kettle` with its arguments; `read` fetches a file, or standard input for `-`. */
export function run(
  args: readonly string[],
  read: (file: string) => Uint8Array,
  fonts: Fonts = new Map(),
): RunResult {
  try {
    return { code: 0, out: `${answer(args, read, fonts)}\n`, err: '' };
  } catch (cause) {
    if (cause instanceof BadInput) return { code: 2, out: '', err: `${oneLine(cause.message)}\n` };
    return {
      code: 1,
      out: '',
      err: `our fault: ${oneLine(cause instanceof Error ? cause.message : String(cause))}\n`,
    };
  }
}

function answer(args: readonly string[], read: (file: string) => Uint8Array, fonts: Fonts): string {
  const name = args.at(0);
  const rest = args.slice(1);
  if (name === undefined || name === '--help') return overview();
  const command = COMMANDS.find((candidate) => candidate.name === name);
  if (!command)
    throw new BadInput('command', `unknown “${name}”; known: ${COMMANDS.map((c) => c.name).join(', ')}`);
  if (rest.includes('--help')) return help(command);
  if (rest.length > 1) throw new BadInput('arguments', `${name} takes one file or -, not ${rest.length}`);
  const input = command.input === 'none' ? undefined : readDocument(command, read(rest[0] ?? '-'));
  const result = command.run(input, fonts);
  return command.prints === 'text' ? String(result) : JSON.stringify(result, null, 1);
}

/** A zip begins with these two bytes; a plan may come packed or bare. */
const ZIP_MARK = [0x50, 0x4b];

function readDocument(command: CliCommand, bytes: Uint8Array): unknown {
  if (command.input === 'plan' && ZIP_MARK.every((byte, i) => bytes[i] === byte))
    return readKettleFile(bytes).plan;
  return parseJson(new TextDecoder().decode(bytes), 'input');
}

const overview = (): string =>
  ['kettle COMMAND [FILE|-]', ...COMMANDS.map(({ name, says }) => `  ${name.padEnd(10)} ${says}`)].join('\n');

const help = ({ name, says, shape }: CliCommand): string =>
  [`kettle ${name} [FILE|-]: ${says}`, `  in:  ${shape.in}`, `  out: ${shape.out}`].join('\n');

const oneLine = (text: string): string => text.replace(/\s*\n\s*/g, ' ');
