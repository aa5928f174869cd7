import * as z from 'zod';
import { linesOfPath, type Point, type Ring } from '../../kit/geometry';
import { id, positionMm } from '../../kit/units';
import { baseline } from './baseline';
import { FONT_IDS, type FontId, type LetterFont } from './font';

const place = z.tuple([positionMm, positionMm]);

/** Words drawn on the panel: what, in which letters, and between which two places they stand. mm. */
export const wordsSchema = z.strictObject({
  id,
  text: z.string().min(1).max(60),
  font: z.enum(FONT_IDS),
  /** Height of a capital. Words that fill their line take the height they need, at most this. */
  capHeightMm: z.number().min(1).max(200),
  from: place,
  to: place,
  /** How much the line rises over its middle; below it when negative. */
  archMm: z.number().min(-300).max(300),
  /** Letters leaning forward, degrees. */
  slantDeg: z.number().min(-40).max(40),
  /** Room between letters beyond their own. */
  spacingMm: z.number().min(-5).max(50),
  /** How they stand on their line; spread: with room between the letters so that they fill it; fill: as high as fills it. */
  set: z.enum(['left', 'middle', 'right', 'spread', 'fill']),
});
export type Words = z.infer<typeof wordsSchema>;

/** One letter where it stands; its contours in mm, inner ones running the other way round. */
export interface SetLetter {
  readonly char: string;
  readonly index: number;
  readonly contours: readonly Ring[];
}

/** Words as they stand on the panel. */
export interface Setting {
  readonly letters: readonly SetLetter[];
  readonly capHeightMm: number;
  readonly spacingMm: number;
  /** How much of their line they take, and how much too long they are for it; 0 when they fit. */
  readonly widthMm: number;
  readonly overMm: number;
  /** Characters the font has not; they are left out. */
  readonly missing: readonly string[];
}

/** Straight pieces stand off a letter’s curves by no more, mm: a tenth of the finest line. */
const FLAT_MM = 0.01;

/** Words set in a font, every letter an outline. */
export function setWords(words: Words, font: LetterFont): Setting {
  const line = baseline(words.from, words.to, words.archMm);
  const chars = Array.from(words.text);
  const known = chars.filter((char) => char in font.glyphs);
  const steps = advances(known, font);
  const units = steps.reduce((sum, { wide, kern }) => sum + wide + kern, 0);
  const gaps = Math.max(0, known.length - 1);
  const fitting = (font.capHeight * (line.lengthMm - gaps * words.spacingMm)) / Math.max(1, units);
  const capHeightMm =
    words.set === 'fill' ? Math.max(LOWEST_MM, Math.min(words.capHeightMm, fitting)) : words.capHeightMm;
  const mm = capHeightMm / font.capHeight;
  const spacingMm =
    words.set === 'spread' && gaps > 0 ? (line.lengthMm - units * mm) / gaps : words.spacingMm;
  const widthMm = units * mm + gaps * spacingMm;

  const spare = line.lengthMm - widthMm;
  let along = words.set === 'middle' || words.set === 'fill' ? spare / 2 : words.set === 'right' ? spare : 0;
  const lean = Math.tan((words.slantDeg * Math.PI) / 180);
  const letters = known.map((char, index): SetLetter => {
    const { wide, kern } = steps[index];
    along += kern * mm;
    const middle = (wide * mm) / 2;
    const { point, angle } = line.at(along + middle);
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const stood = ([x, y]: Point): Point => {
      const [right, down] = [x * mm - lean * y * mm - middle, y * mm];
      return [point[0] + right * cos - down * sin, point[1] + right * sin + down * cos];
    };
    along += wide * mm + spacingMm;
    const contours = linesOfPath(font.glyphs[char].path, FLAT_MM / mm).filter(
      ({ points }) => points.length > 2,
    );
    return { char, index, contours: contours.map(({ points }) => points.map(stood)) };
  });
  return {
    ...{ letters, capHeightMm, spacingMm, widthMm },
    overMm: Math.max(0, widthMm - line.lengthMm),
    missing: [...new Set(chars.filter((char) => !(char in font.glyphs)))],
  };
}

/** All words of a panel as they stand, by id; those whose font is not there yet are left out. */
export const settingsOf = (
  all: readonly Words[],
  fonts: ReadonlyMap<FontId, LetterFont>,
): ReadonlyMap<string, Setting> =>
  new Map(
    all.flatMap((words) => {
      const font = fonts.get(words.font);
      return font ? [[words.id, setWords(words, font)] as const] : [];
    }),
  );

/** No letter is lower, mm. */
const LOWEST_MM = 1;

/** A letter without its accent stands as near to its neighbour as with it. */
const bare = (char: string): string => char.normalize('NFD')[0];

/** How wide each letter is and how much nearer it stands to the one before, in units of the font. */
const advances = (chars: readonly string[], font: LetterFont): { wide: number; kern: number }[] =>
  chars.map((char, i) => ({
    wide: font.glyphs[char].advance,
    kern: i === 0 ? 0 : (font.kerning[bare(chars[i - 1]) + bare(char)] ?? 0),
  }));
