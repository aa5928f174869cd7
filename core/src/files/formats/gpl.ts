import { hexSchema } from '../../kit/colour';
import { BadInput } from '../../kit/units';

/** A colour of a palette file: how it looks on a screen, and its name. */
export interface NamedColour {
  readonly hex: string;
  readonly name: string;
}

const HEAD = 'GIMP Palette';
const MOST = 2000;

/** A palette as a `.gpl` text, which many drawing programs read. */
export const writeGpl = (name: string, colours: readonly NamedColour[]): string =>
  [
    HEAD,
    `Name: ${oneLine(name)}`,
    '#',
    ...colours.map(({ hex, name: called }) => {
      const bytes = [1, 3, 5].map((at) => String(Number.parseInt(hex.slice(at, at + 2), 16)).padStart(3));
      return `${bytes.join(' ')}\t${oneLine(called)}`;
    }),
    '',
  ].join('\n');

const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** Reads a `.gpl` text. Throws `BadInput` naming the line for what is none. */
export function readGpl(text: string): { readonly name: string; readonly colours: NamedColour[] } {
  const lines = text.split(/\r?\n/);
  if (lines[0].trim() !== HEAD) throw new BadInput('palette', `begins with no “${HEAD}”: it is no .gpl file`);
  let name = '';
  const colours: NamedColour[] = [];
  lines.slice(1).forEach((line, i) => {
    const named = /^Name:\s*(.*)$/.exec(line);
    if (named) name = named[1].trim();
    else if (line.trim() !== '' && !/^\s*(#|Columns:)/.test(line)) colours.push(colourIn(line, i + 2));
  });
  if (colours.length > MOST) throw new BadInput('palette', `has ${colours.length} colours; ${MOST} go`);
  return { name, colours };
}

function colourIn(line: string, at: number): NamedColour {
  const found = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line);
  const bytes = found?.slice(1, 4).map(Number) ?? [];
  if (!found || bytes.some((byte) => byte > 255))
    throw new BadInput('palette', `line ${at} is no colour: three numbers of 0–255 and a name are wanted`);
  const hex = hexSchema.parse(`#${bytes.map((byte) => byte.toString(16).padStart(2, '0')).join('')}`);
  return { hex, name: (found.at(4) ?? '').trim() || hex };
}
