import { chance } from '../units';
import { columnOf, rowOf, type Pattern } from './guillotine';
import { DUST_MM, pieceCount, type CutSheet, type PieceKind } from './piece-kind';

/** Orders of the pieces that are tried, by how many pieces there are: as much work for few as for many. */
const WORK = 120_000;
const MOST_TRIES = 4000;

/** The tries repeat: the same pieces give the same plan. */
const SEED = 1;

/** How a part is divided beside a piece: the longer cut beside it or below it, by what is left over. */
const DIVIDING = ['shorter-left', 'longer-left', 'bigger-rest', 'beside', 'below'] as const;
type Dividing = (typeof DIVIDING)[number];

/** A part of a sheet: empty, or with a piece in its corner and the parts beside and below it. */
interface Part {
  readonly width: number;
  readonly height: number;
  laid: {
    readonly piece: Pattern;
    readonly beside: Part;
    readonly below: Part;
    readonly besideFirst: boolean;
  } | null;
}

const FRONTS: readonly ((width: number, height: number) => number)[] = [
  (w, h) => w * h,
  (w, h) => Math.max(w, h),
  (w, h) => w + h,
  (w) => w,
  (_, h) => h,
];

/**
 * Good patterns where there are too many pieces to try all ways: pieces one after another into the part they fill best,
 * in orders that begin by size and are changed a little at a time, keeping what is no worse.
 */
export function cutBySearch(kinds: readonly PieceKind[], sheet: CutSheet): Pattern[] {
  const random = chance(SEED);
  const pieces = kinds.flatMap(({ count }, kind) => Array.from({ length: count }, () => kind));
  const wanted = pieces.reduce((sum, kind) => sum + kinds[kind].area, 0);
  const tries = Math.min(MOST_TRIES, Math.ceil(WORK / pieceCount(kinds)));
  let best: Laying | null = null;
  let current: { order: number[]; dividing: Dividing; laying: Laying } | null = null;
  for (let attempt = 0; attempt < tries; attempt++) {
    const starts = FRONTS.length * DIVIDING.length;
    const dividing: Dividing =
      attempt < starts || random() < 0.2 ? DIVIDING[attempt % DIVIDING.length] : current!.dividing;
    const order: number[] =
      attempt < starts
        ? sortedBy(pieces, kinds, FRONTS[Math.floor(attempt / DIVIDING.length)])
        : changed(current!.order, random);
    const laying = layAll(order, kinds, sheet, dividing);
    if (!current || isNoWorse(laying, current.laying)) current = { order, dividing, laying };
    if (!best || !isNoWorse(best, laying)) best = laying;
    if (best.area >= wanted - DUST_MM && attempt >= starts) break;
  }
  return best ? best.sheets.flatMap((part) => patternOf(part) ?? []) : [];
}

interface Laying {
  readonly sheets: readonly Part[];
  readonly area: number;
  /** Parts left empty: each is a cut more. */
  readonly rests: number;
}

const isNoWorse = (one: Laying, other: Laying): boolean =>
  one.area > other.area + DUST_MM || (one.area > other.area - DUST_MM && one.rests <= other.rests);

function sortedBy(
  pieces: readonly number[],
  kinds: readonly PieceKind[],
  front: (width: number, height: number) => number,
): number[] {
  const size = kinds.map(({ ways }) => (ways.length > 0 ? front(ways[0].width, ways[0].height) : 0));
  return [...pieces].sort((a, b) => size[b] - size[a] || a - b);
}

/** The same order with one to three pieces moved. */
function changed(order: readonly number[], random: () => number): number[] {
  const next = [...order];
  const moves = 1 + Math.floor(random() * 3);
  for (let move = 0; move < moves; move++) {
    const [piece] = next.splice(Math.floor(random() * next.length), 1);
    next.splice(Math.floor(random() * (next.length + 1)), 0, piece);
  }
  return next;
}

/** Lays pieces in an order; what does not fit anywhere is left out. */
function layAll(
  order: readonly number[],
  kinds: readonly PieceKind[],
  sheet: CutSheet,
  dividing: Dividing,
): Laying {
  const sheets: Part[] = [];
  const empty: Part[] = [];
  const hopeless = new Set<number>();
  let area = 0;
  for (const kind of order) {
    if (hopeless.has(kind)) continue;
    let spot = bestSpot(empty, kinds[kind]);
    if (!spot && sheets.length < sheet.sheets) {
      const fresh: Part = { width: sheet.width, height: sheet.height, laid: null };
      sheets.push(fresh);
      empty.push(fresh);
      spot = bestSpot(empty, kinds[kind]);
    }
    if (!spot) {
      hopeless.add(kind);
      continue;
    }
    const [part] = empty.splice(spot.at, 1);
    empty.push(...lay(part, { kind, ...spot.way }, dividing));
    area += kinds[kind].area;
  }
  return { sheets, area, rests: empty.length };
}

type Way = PieceKind['ways'][number];

/** The empty part and the way to lie in it that leaves least on the tighter side. */
function bestSpot(empty: readonly Part[], { ways }: PieceKind): { at: number; way: Way } | null {
  let best: { at: number; way: Way } | null = null;
  let least = Infinity;
  empty.forEach((part, at) => {
    for (const way of ways) {
      const [wide, high] = [part.width - way.width, part.height - way.height];
      if (wide < -DUST_MM || high < -DUST_MM) continue;
      const left = Math.min(wide, high) + 1e-3 * Math.max(wide, high);
      if (left < least) {
        least = left;
        best = { at, way };
      }
    }
  });
  return best;
}

/** Puts a piece into the corner of a part; returns the parts left beside and below it that are any use. */
function lay(part: Part, piece: Pattern, dividing: Dividing): Part[] {
  const [wide, high] = [part.width - piece.width, part.height - piece.height];
  const besideFirst = goesBeside(dividing, part, piece);
  const beside: Part = { width: wide, height: besideFirst ? part.height : piece.height, laid: null };
  const below: Part = { width: besideFirst ? piece.width : part.width, height: high, laid: null };
  part.laid = { piece, beside, below, besideFirst };
  return [beside, below].filter(({ width, height }) => width > DUST_MM && height > DUST_MM);
}

function goesBeside(dividing: Dividing, part: Part, piece: Pattern): boolean {
  const [wide, high] = [part.width - piece.width, part.height - piece.height];
  switch (dividing) {
    case 'shorter-left':
      return wide >= high;
    case 'longer-left':
      return wide < high;
    case 'bigger-rest':
      return wide * part.height > part.width * high;
    case 'beside':
      return true;
    case 'below':
      return false;
  }
}

/** A laid part as a pattern; `null` when it is empty. */
function patternOf(part: Part): Pattern | null {
  if (!part.laid) return null;
  const { piece, beside, below, besideFirst } = part.laid;
  const [right, under] = [patternOf(beside), patternOf(below)];
  const and = (join: typeof rowOf, first: Pattern, second: Pattern | null): Pattern =>
    second ? join(first, second) : first;
  return besideFirst
    ? and(rowOf, and(columnOf, piece, under), right)
    : and(columnOf, and(rowOf, piece, right), under);
}
