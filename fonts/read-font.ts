import { readFileSync } from 'node:fs';
import opentype, { type Command, type Font, type Glyph } from 'opentype.js';

/** The shipped fonts: our id and word for each, and the file its outlines come from. All are under the SIL Open Font License 1.1. */
export const SOURCES = [
  {
    id: 'flowing',
    name: 'flowing script',
    file: 'dancing-script/files/dancing-script-latin-600-normal.woff',
  },
  { id: 'upright', name: 'upright script', file: 'courgette/files/courgette-latin-400-normal.woff' },
  { id: 'rounded', name: 'rounded', file: 'nunito/files/nunito-latin-700-normal.woff' },
  { id: 'serif', name: 'serif', file: 'alegreya/files/alegreya-latin-400-normal.woff' },
  { id: 'bold', name: 'bold', file: 'lilita-one/files/lilita-one-latin-400-normal.woff' },
] as const;

/** Letters, figures and signs a card may carry: printable ASCII, Latin-1 letters, and a few signs of the printer’s. */
export const CHARACTERS = [
  ...Array.from({ length: 0x7e - 0x20 + 1 }, (_, i) => String.fromCodePoint(0x20 + i)),
  ...Array.from({ length: 0xff - 0xbf + 1 }, (_, i) => String.fromCodePoint(0xbf + i)),
  ...Array.from('¡£§«°·»–—‘’“”…€'),
];

const LETTERS = CHARACTERS.filter(
  (char) => (/\p{L}|[.,’'–-]/u.test(char) && char.codePointAt(0)! < 0x80) || char === '’',
);

/** Outlines are kept in whole thousandths of the em. */
const UNITS = 1000;

export function openFont(file: string): Font {
  const bytes = readFileSync(new URL(`../node_modules/@fontsource/${file}`, import.meta.url));
  return opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
}

/** A font as plain outlines: what stands in core/src/drawing/lettering/data. */
export function readFont({ id, name, file }: (typeof SOURCES)[number]): object {
  const font = openFont(file);
  const glyphs: Record<string, { advance: number; path: string }> = {};
  for (const char of CHARACTERS) {
    const glyph = font.charToGlyph(char);
    // A sign the font has not would come out as an empty box.
    if (glyph.index === 0) continue;
    glyphs[char] = { advance: inUnits(font, glyph.advanceWidth), path: outline(glyph) };
  }
  return {
    ...{
      id,
      name,
      unitsPerEm: UNITS,
      capHeight: topOf(font, 'H'),
      xHeight: topOf(font, 'x'),
      descent: footOf(font, 'p'),
    },
    glyphs,
    kerning: kerning(font, glyphs),
  };
}

const inUnits = (font: Font, value: number): number => Math.round((value * UNITS) / font.unitsPerEm);

/** Curves with y down from the baseline, as in SVG. */
function outline(glyph: Glyph): string {
  const at = (...values: number[]): string => values.map(Math.round).join(' ');
  return glyph
    .getPath(0, 0, UNITS)
    .commands.map((c) => {
      switch (c.type) {
        case 'M':
        case 'L':
          return `${c.type}${at(c.x, c.y)}`;
        case 'Q':
          return `Q${at(c.x1, c.y1, c.x, c.y)}`;
        case 'C':
          return `C${at(c.x1, c.y1, c.x2, c.y2, c.x, c.y)}`;
        case 'Z':
          return 'Z';
      }
    })
    .join('');
}

const heights = (font: Font, char: string): number[] =>
  font
    .charToGlyph(char)
    .getPath(0, 0, UNITS)
    .commands.flatMap((c: Command) => (c.type === 'Z' ? [] : [-c.y]));

const topOf = (font: Font, char: string): number => Math.round(Math.max(...heights(font, char)));
const footOf = (font: Font, char: string): number => Math.round(-Math.min(...heights(font, char)));

/** Pairs that stand nearer or further than their advances, thousandths of the em; those that do not are left out. */
function kerning(font: Font, glyphs: Record<string, unknown>): Record<string, number> {
  const pairs: Record<string, number> = {};
  for (const left of LETTERS)
    for (const right of LETTERS) {
      if (!(left in glyphs) || !(right in glyphs)) continue;
      const value = inUnits(font, font.getKerningValue(font.charToGlyph(left), font.charToGlyph(right)));
      if (value !== 0) pairs[left + right] = value;
    }
  return pairs;
}
