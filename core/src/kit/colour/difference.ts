import { differenceCiede2000 } from 'culori/fn';
import type { Lab } from './lab';

const ciede2000 = differenceCiede2000();

/** Colour difference ΔE00 (Sharma, Wu, Dalal 2005); about 1 is just seen side by side. */
export function deltaE00(one: Lab, other: Lab): number {
  return ciede2000(asLab65(one), asLab65(other));
}

const asLab65 = ([l, a, b]: Lab) => ({ mode: 'lab65' as const, l, a, b });
