import { readFileSync } from 'node:fs';
import { BadInput } from '@kettle/core/units';
import { run } from './run';

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

const { code, out, err } = run(process.argv.slice(2), read);
process.stdout.write(out);
process.stderr.write(err);
process.exitCode = code;
