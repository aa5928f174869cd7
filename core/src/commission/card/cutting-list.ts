import type { CutRequest } from './cut';
import { grainAlongFold } from './faces';
import { isMounted } from './pieces';
import { cardSizes, type CardFormat, type Size } from './size';
import type { Sheets } from './stock';

export type Material = keyof Sheets;
export type ListedPiece = CutRequest['pieces'][number] & { readonly count: number };

/** How much narrower a liner is than the opened card, on each side, mm. Ours: it must not look out. */
const LINER_SHORT_MM = 3;

/**
 * The pieces of so many cards, by what they are cut from: bases with their grain along the fold, or the painted sheets
 * themselves; mounted panels, mats and liners. Nothing for a card of which nothing is left.
 */
export function cuttingList(format: CardFormat, count: number, panelMm = 0): Record<Material, ListedPiece[]> {
  const { card, flat, mats, panel, paint } = cardSizes(format, panelMm);
  const list: Record<Material, ListedPiece[]> = { painting: [], base: [], liner: [] };
  if (panel.widthMm === 0 || panel.heightMm === 0) return list;
  const grain = grainAlongFold(format.fold);
  const mounted = isMounted(format);
  list[mounted ? 'base' : 'painting'].push({
    name: 'card',
    ...(mounted ? flat : before(flat, card, paint)),
    count,
    grain,
  });
  if (mounted) list.painting.push({ name: 'panel', ...paint, count, grain: 'any' });
  mats.forEach((mat, i) => list.base.push({ name: `mat ${i + 1}`, ...mat, count, grain: 'any' }));
  if (format.linerMm > 0)
    list.liner.push({
      name: 'liner',
      widthMm: Math.max(1, flat.widthMm - 2 * LINER_SHORT_MM),
      heightMm: Math.max(1, flat.heightMm - 2 * LINER_SHORT_MM),
      count,
      grain,
    });
  return list;
}

/** The sheet of a card that is itself painted, before what is past its edge is cut or torn away. */
const before = (flat: Size, card: Size, paint: Size): Size => ({
  widthMm: flat.widthMm + Math.max(0, paint.widthMm - card.widthMm),
  heightMm: flat.heightMm + Math.max(0, paint.heightMm - card.heightMm),
});
