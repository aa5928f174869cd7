import Papa from 'papaparse';

/** A cell that begins so is a formula to a table program, which would work it out: it goes out behind an apostrophe. */
const FORMULA = /^'?[=+\-@\t\r]/;

/** Rows of a table as CSV. */
export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows.map((row) => row.map((cell) => (FORMULA.test(cell) ? `'${cell}` : cell))));

/** The rows of a CSV text, whatever parts its columns; a byte order mark is passed over. */
export const readCsv = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' }).data.map((row) =>
    row.map((cell) => (cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell)),
  );
