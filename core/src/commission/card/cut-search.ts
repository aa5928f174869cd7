import type { Work } from '../../kit/units';
import { columnOf, rowOf, type Pattern } from './guillotine';
import { DUST_MM, pieceCount, type CutSheet, type PieceKind } from './piece-kind';

/** Pieces that may be held against parts, which bounds the time; fewer are, as pieces get used up. */
const WORK = 600_000;
const FIRST_BEAM = 8;
/** Unfinished plans that are gone on with before anybody may stop it. */
const PLANS_AT_ONCE = 100;
const WIDEST_BEAM = 8000;
/** Up to so many pieces the painter is glad to wait a little longer for a better plan. */
const FEW_PIECES = 40;

/** Ways to go on that are looked at for one part: the pieces that fill it best. */
const BEST_OF_A_PART = 10;

/** What a strip left along one edge weighs against a part left empty: a piece as long as its part is worth most. */
const STRIP = 1;

/** Waste is forgiven as more is placed, a little faster than in proportion. */
const FORGIVING = 1.5;

/** A rectangle of a sheet. */
interface Part {
  readonly width: number;
  readonly height: number;
}

/** Parts still to be filled, the next one first. */
interface Stack {
  readonly part: Part;
  readonly next: Stack | null;
}

type Way = PieceKind['ways'][number];

/** A piece laid into the corner of a part, with the parts beside and below it. */
interface Laid {
  readonly part: Part;
  readonly piece: Way & { readonly kind: number };
  readonly besideFirst: boolean;
  readonly beside: Part;
  readonly below: Part;
}

/** A plan that is not finished: what lies, what is still to be filled, and what is lost already, mm². */
interface Begun {
  readonly before: Begun | null;
  readonly laid: Laid | null;
  readonly open: Stack | null;
  readonly left: Uint16Array;
  readonly placed: number;
  readonly lost: number;
}

/** A way to go on, before it is worth building. */
interface Step {
  readonly from: Begun;
  readonly part: Part;
  readonly rest: Stack | null;
  readonly piece: Laid['piece'];
  readonly besideFirst: boolean;
  readonly placed: number;
  readonly lost: number;
  readonly price: number;
}

/**
 * Good patterns where there are too many pieces to try all ways: a beam search (Libralesso & Fontan 2021 use one for
 * the same cuts). Plans grow piece by piece, always in the part that comes next; of all plans with equally many pieces
 * those are kept that have lost least. A narrow beam often places all; if not, one as wide as time allows.
 */
export function* cutBySearch(kinds: readonly PieceKind[], sheet: CutSheet): Work<Pattern[]> {
  const wanted = kinds.reduce((sum, { count, area }) => sum + count * area, 0);
  const ways = kinds.reduce((sum, kind) => sum + kind.ways.length, 0);
  const pieces = Math.max(1, pieceCount(kinds));
  const affordable = Math.floor((WORK * Math.max(1, FEW_PIECES / pieces)) / (2 * pieces * Math.max(1, ways)));
  const first = yield* beam(kinds, sheet, FIRST_BEAM);
  if (first.placed >= wanted - DUST_MM) return patternsOf(first);
  const wide = yield* beam(kinds, sheet, Math.max(FIRST_BEAM, Math.min(WIDEST_BEAM, affordable)));
  return patternsOf(isBetter(wide, first) ? wide : first);
}

function* beam(kinds: readonly PieceKind[], sheet: CutSheet, width: number): Work<Begun> {
  let open: Stack | null = null;
  for (let n = 0; n < sheet.sheets; n++)
    open = { part: { width: sheet.width, height: sheet.height }, next: open };
  const left = Uint16Array.from(kinds, ({ count }) => count);
  const narrowest: Narrow[] = kinds
    .map(({ ways }, kind) => ({
      kind,
      side: Math.min(...ways.map((way) => Math.min(way.width, way.height))),
    }))
    .sort((a, b) => a.side - b.side);
  let plans: Begun[] = [{ before: null, laid: null, open, left, placed: 0, lost: 0 }];
  let best = plans[0];
  const most = Math.max(1, pieceCount(kinds));
  let share = 0;
  while (plans.length > 0) {
    const steps: Step[] = [];
    for (let i = 0; i < plans.length; i++) {
      if (i % PLANS_AT_ONCE === 0) yield share;
      const plan = plans[i];
      const from = steps.length;
      waysOn(plan, kinds, narrowest, steps);
      if (steps.length === from && isBetter(plan, best)) best = plan;
    }
    steps.sort((a, b) => a.price - b.price || b.placed - a.placed);
    plans = leastLost(steps, width);
    share = Math.min(1, share + 1 / most);
  }
  return best;
}

/** More area; then fewer parts left over, each of which is a cut. */
function isBetter(one: Begun, other: Begun): boolean {
  const more = one.placed - other.placed;
  return more > DUST_MM || (more > -DUST_MM && one.lost < other.lost - DUST_MM);
}

/** Adds the ways to fill the next part that anything goes into; parts nothing goes into are lost. */
function waysOn(plan: Begun, kinds: readonly PieceKind[], narrowest: readonly Narrow[], steps: Step[]): void {
  let { lost } = plan;
  for (let at = plan.open; at !== null; at = at.next) {
    const { part, next: rest } = at;
    const fitting = piecesFor(part, plan.left, kinds);
    if (fitting.length === 0) lost += part.width * part.height;
    for (const piece of fitting) {
      const placed = plan.placed + kinds[piece.kind].area;
      const least = narrowestLeft(narrowest, plan.left, piece.kind);
      const wide = Math.max(0, part.width - piece.width);
      const high = Math.max(0, part.height - piece.height);
      const besides = wide > DUST_MM && high > DUST_MM ? BOTH : BESIDE;
      for (const besideFirst of besides) {
        const gone =
          lost +
          lostIn(wide, besideFirst ? part.height : piece.height, least) +
          lostIn(besideFirst ? piece.width : part.width, high, least);
        const price = gone / placed ** FORGIVING;
        steps.push({ from: plan, part, rest, piece, besideFirst, placed, lost: gone, price });
      }
    }
    if (fitting.length > 0) return;
  }
}

const BOTH = [true, false];
const BESIDE = [true];

/** A kind of piece by its shorter side, the narrowest first. */
interface Narrow {
  readonly kind: number;
  readonly side: number;
}

/** The shortest side of what is still to be laid once one more of `taken` lies. */
function narrowestLeft(narrowest: readonly Narrow[], left: Uint16Array, taken: number): number {
  for (const { kind, side } of narrowest) if (left[kind] > (kind === taken ? 1 : 0)) return side;
  return Infinity;
}

/** Pieces that go into a part, those first that fill it best. */
function piecesFor({ width, height }: Part, left: Uint16Array, kinds: readonly PieceKind[]): Laid['piece'][] {
  const best: Laid['piece'][] = [];
  const worths: number[] = [];
  for (let kind = 0; kind < kinds.length; kind++) {
    if (left[kind] === 0) continue;
    for (const way of kinds[kind].ways) {
      const wide = width - way.width;
      const high = height - way.height;
      if (wide < -DUST_MM || high < -DUST_MM) continue;
      const filled = (way.width * way.height) / (width * height);
      const worth = filled - STRIP * Math.min(wide / width, high / height);
      let to = worths.length;
      while (to > 0 && worths[to - 1] < worth) to--;
      if (to === BEST_OF_A_PART) continue;
      worths.splice(to, 0, worth);
      best.splice(to, 0, { ...way, kind });
      worths.length = best.length = Math.min(best.length, BEST_OF_A_PART);
    }
  }
  return best;
}

function lay(part: Part, piece: Laid['piece'], besideFirst: boolean): Laid {
  const wide = Math.max(0, part.width - piece.width);
  const high = Math.max(0, part.height - piece.height);
  return {
    part,
    piece,
    besideFirst,
    beside: { width: wide, height: besideFirst ? part.height : piece.height },
    below: { width: besideFirst ? piece.width : part.width, height: high },
  };
}

const isUsed = (width: number, height: number, least: number): boolean =>
  Math.min(width, height) >= least - DUST_MM && width > DUST_MM && height > DUST_MM;

const lostIn = (width: number, height: number, least: number): number =>
  isUsed(width, height, least) ? 0 : width * height;

/** The first so many steps as plans; of steps that come to the same only one. */
function leastLost(steps: readonly Step[], width: number): Begun[] {
  const plans: Begun[] = [];
  const seen = new Set<number>();
  for (const { from, part, rest, piece, besideFirst, placed, lost } of steps) {
    if (plans.length === width) break;
    const laid = lay(part, piece, besideFirst);
    const open = openAfter(laid, rest);
    const alike = 7 * placed + 11 * lost + 13 * (open?.part.width ?? 0) + 17 * (open?.part.height ?? 0);
    const key = Math.round(alike / ALIKE_MM2);
    if (seen.has(key)) continue;
    seen.add(key);
    const left = Uint16Array.from(from.left);
    left[piece.kind]--;
    plans.push({ before: from, laid, open, left, placed, lost });
  }
  return plans;
}

/** Plans this near each other in what is placed, lost and next to be filled are taken for the same. */
const ALIKE_MM2 = 1e-3;

/** The smaller of the two new parts comes first: it is harder to fill. */
function openAfter({ beside, below }: Laid, rest: Stack | null): Stack | null {
  const besideIsLarger = beside.width * beside.height > below.width * below.height;
  let open = rest;
  for (const part of besideIsLarger ? [beside, below] : [below, beside])
    if (isUsed(part.width, part.height, 0)) open = { part, next: open };
  return open;
}

/** The finished plan as patterns, one a sheet. */
function patternsOf(plan: Begun): Pattern[] {
  const laidIn = new Map<Part, Laid>();
  const roots: Part[] = [];
  const within = new Set<Part>();
  for (let at: Begun | null = plan; at?.laid; at = at.before) {
    laidIn.set(at.laid.part, at.laid);
    within.add(at.laid.beside).add(at.laid.below);
    roots.unshift(at.laid.part);
  }
  const patternOf = (part: Part): Pattern | null => {
    const laid = laidIn.get(part);
    if (!laid) return null;
    const { kind, turned, width, height } = laid.piece;
    const and = (join: typeof rowOf, first: Pattern, second: Pattern | null): Pattern =>
      second ? join(first, second) : first;
    const piece = { kind, turned, width, height };
    const [beside, below] = [patternOf(laid.beside), patternOf(laid.below)];
    return laid.besideFirst
      ? and(rowOf, and(columnOf, piece, below), beside)
      : and(columnOf, and(rowOf, piece, beside), below);
  };
  return roots.filter((part) => !within.has(part)).flatMap((part) => patternOf(part) ?? []);
}
