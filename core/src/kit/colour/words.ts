import { chromaOf, hueOf, type Lab } from './lab';

/** How one colour would have to change to become another: the sign says in which direction. */
export interface ColourGap {
  readonly dL: number;
  readonly dC: number;
  readonly dh: number;
}

/** Steps below these are not worth a word: one ΔL* or ΔC* unit of two, five degrees of hue. */
const WORTH_SAYING = { L: 2, C: 2, h: 5 };

/** What is still missing between the colour reached and the colour wanted. */
export function colourGap(reached: Lab, wanted: Lab): ColourGap {
  const turn = hueOf(wanted) - hueOf(reached);
  return {
    dL: wanted[0] - reached[0],
    dC: chromaOf(wanted) - chromaOf(reached),
    dh: turn > 180 ? turn - 360 : turn < -180 ? turn + 360 : turn,
  };
}

/** The gap in a painter's words: “lighter, stronger, further towards violet”. */
export function gapInWords(gap: ColourGap, wanted: Lab): string {
  const words: string[] = [];
  if (Math.abs(gap.dL) >= WORTH_SAYING.L) words.push(gap.dL > 0 ? 'lighter' : 'darker');
  if (Math.abs(gap.dC) >= WORTH_SAYING.C) words.push(gap.dC > 0 ? 'stronger' : 'greyer');
  if (Math.abs(gap.dh) >= WORTH_SAYING.h && chromaOf(wanted) > 5)
    words.push(`further towards ${hueName(hueOf(wanted))}`);
  return words.length === 0 ? 'a little of everything' : words.join(', ');
}

/** Names of the hue circle of L*a*b*, each from its start in degrees. */
const HUE_NAMES: readonly (readonly [from: number, name: string])[] = [
  [0, 'rose'],
  [20, 'red'],
  [50, 'orange'],
  [80, 'yellow'],
  [105, 'lemon green'],
  [130, 'green'],
  [175, 'blue-green'],
  [225, 'blue'],
  [290, 'violet'],
  [330, 'magenta'],
];

/** The common name of a hue angle in degrees. */
export function hueName(degrees: number): string {
  return HUE_NAMES.filter(([from]) => degrees >= from).at(-1)![1];
}

/** Of less chroma than this a colour has no hue to the eye; at so light, or so dark, it is pale, or dark. Ours. */
const NO_HUE = 5;
const PALE_L = 80;
const DARK_L = 35;

/** Warm hues have names of their own when they are dark: there is no dark orange, but brown. */
const DARK_NAMES: Readonly<Record<string, string>> = {
  orange: 'brown',
  yellow: 'olive',
  'lemon green': 'olive',
};
/** Warm hues this dark go by those names, L*. */
const BROWN_L = 55;

/** What a colour is called, by its hue and its lightness: a pale rose, a brown, a dark blue. */
export function colourName(lab: Lab): string {
  const [lightness] = lab;
  const hue = chromaOf(lab) < NO_HUE ? 'grey' : hueName(hueOf(lab));
  if (lightness < BROWN_L && hue in DARK_NAMES) return DARK_NAMES[hue];
  if (lightness > PALE_L) return `pale ${hue}`;
  return lightness < DARK_L ? `dark ${hue}` : hue;
}
