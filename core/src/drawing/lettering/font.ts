import * as z from 'zod';

/** The shipped fonts; what each looks like is told by its name. */
export const FONT_IDS = ['flowing', 'upright', 'rounded', 'serif', 'bold'] as const;
export type FontId = (typeof FONT_IDS)[number];

/** Names of the fonts as a painter reads them, two scripts first. */
export const FONT_NAMES: Readonly<Record<FontId, string>> = {
  flowing: 'flowing script',
  upright: 'upright script',
  rounded: 'rounded',
  serif: 'serif',
  bold: 'bold',
};

/** A font as plain outlines, in units of which `unitsPerEm` make an em; paths have y down from the baseline. */
const fontSchema = z.strictObject({
  id: z.enum(FONT_IDS),
  name: z.string(),
  unitsPerEm: z.number().positive(),
  capHeight: z.number().positive(),
  xHeight: z.number().positive(),
  /** How far letters such as p reach below the baseline. */
  descent: z.number(),
  glyphs: z.record(z.string(), z.strictObject({ advance: z.number(), path: z.string() })),
  /** Pairs of letters that stand nearer (negative) or further than they would by themselves. */
  kerning: z.record(z.string(), z.number()),
});
export type LetterFont = z.infer<typeof fontSchema>;

/** Where the outlines of each font lie; only those asked for are loaded. */
const LOADERS: Readonly<Record<FontId, () => Promise<{ readonly default: unknown }>>> = {
  flowing: () => import('./data/flowing.json'),
  upright: () => import('./data/upright.json'),
  rounded: () => import('./data/rounded.json'),
  serif: () => import('./data/serif.json'),
  bold: () => import('./data/bold.json'),
};

const loaded = new Map<FontId, Promise<LetterFont>>();

/** Every shipped font. */
export async function loadFonts(): Promise<ReadonlyMap<FontId, LetterFont>> {
  return new Map(await Promise.all(FONT_IDS.map(async (id) => [id, await loadFont(id)] as const)));
}

/** A shipped font, loaded once. */
export function loadFont(id: FontId): Promise<LetterFont> {
  const known = loaded.get(id) ?? LOADERS[id]().then((found) => fontSchema.parse(found.default));
  loaded.set(id, known);
  return known;
}
