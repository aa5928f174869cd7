import { unpackResists, type PackedResists } from '@kettle/core/drawing/masking';
import type { Plan } from '@kettle/core/document/plan';
import type { PackedPlan } from './table-api';

/** What was drawn and masked on the card that came last, as it came and as it was unpacked. */
interface Known {
  readonly drawn: string;
  readonly areas: Plan['areas'];
  readonly packed: PackedResists;
  readonly resists: Plan['resists'];
}

/**
 * Unpacks plans. One comes as a copy after every change; what is drawn and masked on it is mostly as it was, and is then given
 * back as the very same, so that all that has been found of it (gaps, borders, places) still holds.
 */
export function recall(): (card: PackedPlan) => Plan {
  let known: Known | null = null;
  return ({ plan, resists: packed }) => {
    const drawn = JSON.stringify(plan.areas);
    const areas = known?.drawn === drawn ? known.areas : plan.areas;
    const resists = known && alike(known.packed, packed) ? known.resists : unpackResists(packed);
    known = { drawn, areas, packed, resists };
    return { ...plan, areas, resists };
  };
}

const alike = (one: PackedResists, other: PackedResists): boolean =>
  JSON.stringify([one.heads, one.strokes.ids]) === JSON.stringify([other.heads, other.strokes.ids]) &&
  sameNumbers(one.drops, other.drops) &&
  sameNumbers(one.strokes.counts, other.strokes.counts) &&
  sameNumbers(one.strokes.values, other.strokes.values);

const sameNumbers = (one: Float64Array | Int32Array, other: Float64Array | Int32Array): boolean =>
  one.length === other.length && one.every((value, i) => value === other[i]);
