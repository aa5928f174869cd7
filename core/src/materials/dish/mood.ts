import * as z from 'zod';
import type { Lab } from '../../kit/colour';

/** What the painter takes a word to mean in colours; taste, and the painter’s own. */
export const moodSchema = z.strictObject({
  word: z.string().trim().min(1).max(40),
  /** From dark, 0, to light, 1. */
  light: z.number().min(0).max(1),
  /** From cool, −1, to warm, 1. */
  warm: z.number().min(-1).max(1),
  /** From greyed, 0, to strong, 1. */
  strong: z.number().min(0).max(1),
});
export type Mood = z.infer<typeof moodSchema>;

/** Hues in the middle of warmth and of coolness, degrees of L*a*b*: an orange, and the blue opposite to it. */
const WARM_DEG = 60;
const COOL_DEG = 255;

/** Words of the painter that stand in a text, whole words, however they are written. */
export const moodsIn = (moods: readonly Mood[], text: string): Mood[] => {
  const words = new Set(text.toLowerCase().split(/[^\p{L}\p{N}]+/u));
  return moods.filter(({ word }) =>
    word
      .toLowerCase()
      .split(/\s+/)
      .every((part) => words.has(part)),
  );
};

/** Several moods as one: their means. */
export function blended(moods: readonly Mood[]): Omit<Mood, 'word'> {
  const mean = (of: (mood: Mood) => number): number =>
    moods.reduce((sum, mood) => sum + of(mood), 0) / moods.length;
  return { light: mean((m) => m.light), warm: mean((m) => m.warm), strong: mean((m) => m.strong) };
}

/** How far the colours of one palette spread about its leading hue, degrees, and what such a palette is called. */
export const SCHEMES = [
  { id: 'near', says: 'hues that lie together, for calm', hues: [-35, 0, 35, 15] },
  { id: 'opposed', says: 'one hue against its opposite, for glow', hues: [0, 20, 180, 200] },
  { id: 'apart', says: 'three hues far apart, for life', hues: [0, 120, 240, 30] },
] as const;
export type SchemeId = (typeof SCHEMES)[number]['id'];

/**
 * Colours wanted for a mood in one scheme: a light, two middle tones and a dark, about the mood’s lightness and leading hue,
 * as strong as it says; the dark keeps less chroma, as darks do.
 */
export function coloursFor({ light, warm, strong }: Omit<Mood, 'word'>, scheme: SchemeId): Lab[] {
  const { hues } = SCHEMES.find(({ id }) => id === scheme)!;
  const share = (warm + 1) / 2;
  const leading = COOL_DEG + share * (((WARM_DEG - COOL_DEG + 540) % 360) - 180);
  const level = 35 + 45 * light;
  const tones = [
    { l: Math.min(90, level + 22), c: 0.55 },
    { l: level, c: 1 },
    { l: level - 5, c: 0.9 },
    { l: Math.max(18, level - 35), c: 0.45 },
  ];
  return tones.map(({ l, c }, i): Lab => {
    const hue = ((leading + hues[i]) * Math.PI) / 180;
    const chroma = c * (10 + 45 * strong);
    return [l, chroma * Math.cos(hue), chroma * Math.sin(hue)];
  });
}
