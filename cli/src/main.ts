import { readFileSync } from 'node:fs';
import { loadFonts } from '@kettle/core/drawing/lettering';
import { BadInput } from '@kettle/core/kit/units';
import { run, setsWords } from './run';

const STANDARD_INPUT = 0;

function read(file: string): Uint8Array {
  if (file === '-') return readFileSync(STANDARD_INPUT);
  try {
    return readFileSync(file);
  } catch (cause) {
    throw new BadInput(
      'file',
      `${file} cannot be read (${(cause as NodeJS.ErrnoException).code ?? 'unknown fault'})`,
    );
  }
}

const args = process.argv.slice(2);
const { code, out, err } = run(args, read, setsWords(args) ? await loadFonts() : new Map());
process.stdout.write(out);
process.stderr.write(err);
process.exitCode = code;
