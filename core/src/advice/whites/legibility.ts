import { filled, widthsOf } from '../../order/areas';
import { setWords, wordsSchema, type LetterFont, type SetLetter } from '../../drawing/lettering';
import { polygonArea, type Point } from '../../kit/geometry';
import { BRUSHES } from '../../simulation/water';

/** What becomes of a letter whose counter or stroke is too fine for the tools. */
export type LetterProblem = 'counter-closed' | 'counter-unpaintable' | 'stroke-too-fine';

/** The tools a word is masked and painted with: the finest line of the mask, and the brush that fills the counters, mm. */
export interface LetterTools {
  readonly maskLineMm: number;
  readonly brushTipMm: number;
}

/** How wide a letter is where it matters, mm. */
export interface LetterMeasure {
  /** Diameters of the circles inscribed in its counters, smallest first, and where they lie. */
  readonly counters: readonly { readonly mm: number; readonly at: Point }[];
  /** Its narrowest stroke. */
  readonly strokeMm: number;
}

/** One letter as it can be read, or not. */
export interface ReadLetter {
  readonly char: string;
  readonly index: number;
  /** Diameter of its smallest counter; `null` for a letter without one. */
  readonly counterMm: number | null;
  readonly strokeMm: number;
  readonly problem: LetterProblem | null;
}

/** Flakes of an outline smaller than this are no counters, mm². */
const FLAKE_MM2 = 1e-3;

/** Measures a letter as it stands. */
export function measureLetter({ contours }: Pick<SetLetter, 'contours'>): LetterMeasure {
  const regions = filled(contours).filter((region) => polygonArea(region) > FLAKE_MM2);
  const widths = regions.map(widthsOf);
  return {
    counters: widths.flatMap(({ counters }) => counters).sort((a, b) => a.mm - b.mm),
    strokeMm: Math.min(Infinity, ...widths.map(({ narrowestMm }) => narrowestMm)),
  };
}

/**
 * What is wrong with a letter: the mask’s own line closes a counter narrower than itself; the brush does not get into one
 * that is narrower than its tip, so that it stays white; the mask’s line is wider than a stroke.
 */
export function problemOf(
  { counters, strokeMm }: LetterMeasure,
  { maskLineMm, brushTipMm }: LetterTools,
): LetterProblem | null {
  const [smallest] = counters as readonly [LetterMeasure['counters'][number] | undefined];
  if (smallest && smallest.mm < maskLineMm) return 'counter-closed';
  if (smallest && smallest.mm < brushTipMm) return 'counter-unpaintable';
  return strokeMm < maskLineMm ? 'stroke-too-fine' : null;
}

/** Tip of the finest brush that fills a counter, mm. */
export const FINEST_BRUSH_MM = Math.min(...BRUSHES.map(({ tipMm }) => tipMm));

/** No letter of a card is higher, mm. */
const HIGHEST_MM = 60;

/** The height that cures is told to a tenth of a mm, upwards. */
const TENTH = 10;

/** Letters are measured so high, mm: fine enough, since their outlines are reckoned in micrometres. */
const MEASURED_AT_MM = 40;

const measured = new WeakMap<LetterFont, Map<string, LetterMeasure | null>>();

/** A letter of a font measured once, at `MEASURED_AT_MM`; `null` for one that leaves no mark. */
function fontMeasure(font: LetterFont, char: string): LetterMeasure | null {
  const letters = measured.get(font) ?? new Map<string, LetterMeasure | null>();
  measured.set(font, letters);
  const known = letters.get(char);
  if (known !== undefined) return known;
  const words = wordsSchema.parse({
    ...{
      id: 'letter',
      text: char,
      font: font.id,
      capHeightMm: MEASURED_AT_MM,
      from: [0, 100],
      to: [400, 100],
    },
    ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'left' },
  });
  const [letter] = setWords(words, font).letters as readonly [SetLetter | undefined];
  const found = letter && letter.contours.length > 0 ? measureLetter(letter) : null;
  letters.set(char, found);
  return found;
}

/** A word as it can be read at a height, and the least height at which all of it can; `null` when none up to 60 mm does. */
export interface Legibility {
  readonly letters: readonly ReadLetter[];
  readonly cureCapHeightMm: number | null;
}

/** Looks through a text letter by letter. Spaces, and letters the font has not, are left out. */
export function legibility(
  text: string,
  font: LetterFont,
  capHeightMm: number,
  tools: LetterTools,
): Legibility {
  const scale = capHeightMm / MEASURED_AT_MM;
  const found = Array.from(text).flatMap((char, index) => {
    const measure = char in font.glyphs ? fontMeasure(font, char) : null;
    return measure ? [{ char, index, measure }] : [];
  });
  const needed = Math.max(0, ...found.map(({ measure }) => heightFor(measure, tools)));
  const cure = Math.max(0, Math.ceil(needed * TENTH - 1e-9) / TENTH);
  return {
    letters: found.map(({ char, index, measure }) => {
      const seen = scaled(measure, scale);
      const counterMm = seen.counters.length === 0 ? null : seen.counters[0].mm;
      return { char, index, counterMm, strokeMm: seen.strokeMm, problem: problemOf(seen, tools) };
    }),
    cureCapHeightMm: cure <= HIGHEST_MM ? cure : null,
  };
}

const scaled = ({ counters, strokeMm }: LetterMeasure, by: number): LetterMeasure => ({
  counters: counters.map(({ mm, at }) => ({ mm: mm * by, at })),
  strokeMm: strokeMm * by,
});

/** The least height of a capital at which nothing is wrong with a letter. */
function heightFor({ counters, strokeMm }: LetterMeasure, { maskLineMm, brushTipMm }: LetterTools): number {
  const counter = counters.length === 0 ? 0 : Math.max(maskLineMm, brushTipMm) / counters[0].mm;
  return MEASURED_AT_MM * Math.max(counter, maskLineMm / strokeMm);
}
