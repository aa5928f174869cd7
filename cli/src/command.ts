import type { FontId, LetterFont } from '@kettle/core/drawing/lettering';

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
  readonly run: (input: unknown, fonts: ReadonlyMap<FontId, LetterFont>) => unknown;
}
