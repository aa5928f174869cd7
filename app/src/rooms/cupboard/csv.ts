import Papa from 'papaparse';

/** Rows of a table as CSV. */
export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows.map((row) => [...row]));

/** The rows of a CSV text, whatever parts its columns; a byte order mark is passed over. */
export const readCsv = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' }).data;
