/** One command of the command line: its shape in words, and what it computes from checked input. */
export interface CliCommand {
  readonly name: string;
  /** One line for the overview. */
  readonly says: string;
  /** Input and output in short: name, braces for what is inside, ? with its default. */
  readonly shape: { readonly in: string; readonly out: string };
  /** A command without input does not read standard input. */
  readonly input: 'json' | 'plan' | 'none';
  /** Throws `BadInput` on bad input; whatever it returns is printed as JSON. */
  readonly run: (input: unknown) => unknown;
}
