import type * as z from 'zod';
import type { FontId, LetterFont } from '@kettle/core/drawing/lettering';
import { readInput } from '@kettle/core/kit/units';
import { shapeOf } from './shape';

/** Shipped fonts by their ids. */
export type Fonts = ReadonlyMap<FontId, LetterFont>;

/** One command of the command line: its shape in words, and what it computes from checked input. */
export interface CliCommand {
  readonly name: string;
  /** One line for the overview. */
  readonly says: string;
  /** Input and output in short: name, braces for what is inside, ? with its default. */
  readonly shape: { readonly in: string; readonly out: string };
  /** A command without input does not read standard input. */
  readonly input: 'json' | 'plan' | 'none';
  /** Left out, the answer is printed as JSON; `text` prints it as it is. */
  readonly prints?: 'text';
  /** It sets words, and is handed the shipped fonts. */
  readonly letters?: true;
  /** Throws `BadInput` on bad input; what it returns is printed. */
  readonly run: (input: unknown, fonts: Fonts) => unknown;
}

/** What a command that reads JSON says of itself. */
interface JsonCommand<Schema extends z.ZodType> extends Pick<CliCommand, 'name' | 'says' | 'letters'> {
  readonly reads: Schema;
  /** What its schema does not say of the input. */
  readonly note?: string;
  readonly answers: string;
  readonly run: (input: z.output<Schema>, fonts: Fonts) => unknown;
}

/** A command that reads JSON: its input is checked, and its help made, by its schema. */
export const jsonCommand = <Schema extends z.ZodType>({
  reads,
  note,
  answers,
  run,
  ...command
}: JsonCommand<Schema>): CliCommand => ({
  ...command,
  input: 'json',
  shape: {
    get in() {
      return [shapeOf(reads), ...(note === undefined ? [] : [note])].join('; ');
    },
    out: answers,
  },
  run: (input, fonts) => run(readInput(reads, input), fonts),
});

/** A command that reads a plan, as its file or packed as a card. */
export const planCommand = ({
  answers,
  also,
  ...command
}: Pick<CliCommand, 'name' | 'says' | 'prints' | 'letters' | 'run'> & {
  readonly answers: string;
  /** In which other shapes it takes a plan. */
  readonly also?: string;
}): CliCommand => ({
  ...command,
  input: 'plan',
  shape: {
    in: ['a plan, .kettle or plan.json (docs/schema/plan.schema.json)', ...(also ? [also] : [])].join('; '),
    out: answers,
  },
});
