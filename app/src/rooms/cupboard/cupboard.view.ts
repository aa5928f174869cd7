import { hexOf } from '@kettle/core/kit/colour';
import type { Paper } from '@kettle/core/materials/paper';
import { cautionFor, pigmentCard, type Pigment } from '@kettle/core/materials/pigment';
import type { Studio } from '@kettle/core/document/plan';

/** One pigment as a card on the shelf. */
export interface ShelfCard {
  readonly code: string;
  readonly name: string;
  readonly tints: readonly string[];
  readonly facts: readonly { readonly what: string; readonly says: string }[];
  readonly caution: string | null;
  readonly calibrated: boolean;
  /** What the painter calls it and where it lies; `null` for one that is not owned. */
  readonly own: Studio['box'][number] | null;
}

const LIGHTFAST: Readonly<Record<string, string | undefined>> = {
  I: 'I, excellent',
  II: 'II, very good',
  III: 'III, fair: keep it out of the sun',
  IV: 'IV, fugitive',
  V: 'V, fugitive',
};

/** Pigments as cards, what is owned first; `search` is looked for in names, codes and the painter’s own labels. */
export function shelfCards(
  pigments: readonly Pigment[],
  box: Studio['box'],
  paper: Paper,
  search: string,
  ownedOnly: boolean,
): ShelfCard[] {
  const wanted = search.trim().toLowerCase();
  const cards = pigments.flatMap((pigment): ShelfCard[] => {
    const own = box.find(({ code }) => code === pigment.code) ?? null;
    const words = [pigment.name, pigment.code, pigment.ci, own?.label ?? '', own?.place ?? ''];
    if (ownedOnly && !own) return [];
    if (!words.some((word) => word.toLowerCase().includes(wanted))) return [];
    const card = pigmentCard(pigment, paper);
    return [
      {
        ...{ code: pigment.code, name: pigment.name, own, tints: card.tints.map(hexOf) },
        facts: [
          { what: 'covers', says: card.transparency },
          { what: 'staining', says: card.staining },
          { what: 'settles', says: card.granulation },
          { what: 'light', says: LIGHTFAST[pigment.lightfastness] ?? pigment.lightfastness },
          { what: 'strength', says: card.strength },
          { what: 'drying', says: `${card.dryingL.toFixed(0)} L* paler` },
        ],
        caution: cautionFor(pigment),
        calibrated: pigment.origin === 'calibrated',
      },
    ];
  });
  return cards.sort((a, b) => Number(b.own !== null) - Number(a.own !== null));
}
