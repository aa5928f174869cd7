import type { Work } from '../../kit/units';
import { columnOf, rowOf, type Pattern } from './guillotine';
import { DUST_MM, type CutSheet, type PieceKind } from './piece-kind';

/** Ways to part a choice of pieces in two, over all choices, up to which all are tried: 3¹⁰ is ten different pieces. */
const MOST_PARTINGS = 60_000;

/** Partings that are tried before anybody may stop it. */
const PARTINGS_AT_ONCE = 50;

/** Share of the time that goes into the boxes of all choices. */
const BOXES_SHARE = 0.6;

/**
 * The best patterns for some sheets by trying all. A choice is how many of each kind are taken; of every choice the
 * smallest boxes are kept into which it can be cut, none both narrower and lower than another, each joined of two
 * smaller choices' boxes (every guillotine pattern is). `null` when there are too many choices.
 */
export function* cutExactly(kinds: readonly PieceKind[], sheet: CutSheet): Work<Pattern[] | null> {
  const partings = kinds.reduce((product, { count }) => (product * (count + 1) * (count + 2)) / 2, 1);
  if (partings > MOST_PARTINGS) return null;
  const steps = stepsOf(kinds);
  const choices = steps.at(-1)!;
  const boxes = yield* boxesOfAll(kinds, sheet, steps);
  const area = Float64Array.from({ length: choices }, (_, choice) =>
    kinds.reduce((sum, kind, i) => sum + takenOf(choice, steps, i) * kind.area, 0),
  );

  const ofOneSheet = boxes.map((found) => (found.length > 0 ? fewestCuts(found) : null));
  // What can be had from so many sheets, and how.
  let had = new Map<number, Pattern[]>([[0, []]]);
  for (let n = 0; n < sheet.sheets; n++) {
    const more = new Map(had);
    for (const [choice, patterns] of had) {
      yield BOXES_SHARE + ((1 - BOXES_SHARE) * n) / sheet.sheets;
      for (const next of [...partsOf(choices - 1 - choice, steps, kinds), choices - 1 - choice]) {
        const pattern = ofOneSheet[next];
        if (!pattern || patterns.length < n) continue;
        const candidate = [...patterns, pattern];
        const known = more.get(choice + next);
        if (!known || isBetter(candidate, known)) more.set(choice + next, candidate);
      }
    }
    if (more.size === had.size) break;
    had = more;
  }
  let best: [number, Pattern[]] = [0, []];
  for (const [choice, patterns] of had) {
    const gain = area[choice] - area[best[0]];
    if (gain > DUST_MM || (gain > -DUST_MM && isBetter(patterns, best[1]))) best = [choice, patterns];
  }
  return best[1];
}

/** Choices are numbered: so many of the first kind, times one, and so on. The last step is how many choices there are. */
function stepsOf(kinds: readonly PieceKind[]): number[] {
  const steps = [1];
  for (const { count } of kinds) steps.push(steps.at(-1)! * (count + 1));
  return steps;
}

const takenOf = (choice: number, steps: readonly number[], kind: number): number =>
  Math.floor((choice % steps[kind + 1]) / steps[kind]);

function* boxesOfAll(
  kinds: readonly PieceKind[],
  sheet: CutSheet,
  steps: readonly number[],
): Work<Pattern[][]> {
  const choices = steps.at(-1)!;
  const boxes: Pattern[][] = Array.from({ length: choices }, () => []);
  for (let choice = 1; choice < choices; choice++) {
    yield (BOXES_SHARE * choice) / choices;
    let found: Pattern[] = [];
    kinds.forEach(({ ways }, kind) => {
      if (choice === steps[kind]) found.push(...ways.map((way) => ({ kind, ...way })));
    });
    for (const [i, one] of partsOf(choice, steps, kinds).entries()) {
      if (i % PARTINGS_AT_ONCE === PARTINGS_AT_ONCE - 1) {
        found = smallest(found);
        yield (BOXES_SHARE * choice) / choices;
      }
      const other = choice - one;
      if (one > other || boxes[one].length === 0 || boxes[other].length === 0) continue;
      rows(boxes[one], boxes[other], sheet, found);
      columns(boxes[one], boxes[other], sheet, found);
    }
    boxes[choice] = smallest(found);
  }
  return boxes;
}

/** Every choice that takes no more of any kind than this one, neither nothing nor all of it. */
function partsOf(choice: number, steps: readonly number[], kinds: readonly PieceKind[]): number[] {
  let parts = [0];
  kinds.forEach((_, kind) => {
    const taken = takenOf(choice, steps, kind);
    if (taken > 0)
      parts = parts.flatMap((part) => Array.from({ length: taken + 1 }, (__, n) => part + n * steps[kind]));
  });
  return parts.filter((part) => part > 0 && part < choice);
}

/**
 * Joins of two fronts side by side: for each height that occurs the narrowest of either that is no higher. Fronts go
 * from narrow and high to wide and low.
 */
function rows(ones: readonly Pattern[], others: readonly Pattern[], sheet: CutSheet, found: Pattern[]): void {
  let [i, j] = [0, 0];
  while (i < ones.length && j < others.length) {
    const [one, other] = [ones[i], others[j]];
    if (one.width + other.width > sheet.width + DUST_MM) return;
    found.push(rowOf(one, other));
    if (one.height >= other.height) i++;
    if (other.height >= one.height) j++;
  }
}

/** The same one over the other, from wide and low to narrow and high. */
function columns(
  ones: readonly Pattern[],
  others: readonly Pattern[],
  sheet: CutSheet,
  found: Pattern[],
): void {
  let [i, j] = [ones.length - 1, others.length - 1];
  while (i >= 0 && j >= 0) {
    const [one, other] = [ones[i], others[j]];
    if (one.height + other.height > sheet.height + DUST_MM) return;
    found.push(columnOf(one, other));
    if (one.width >= other.width) i--;
    if (other.width >= one.width) j--;
  }
}

/** Boxes of which none is both narrower and lower than another; of equal ones that with fewest cuts. */
function smallest(boxes: readonly Pattern[]): Pattern[] {
  const sorted = [...boxes].sort((a, b) => a.width - b.width || a.height - b.height || trims(a) - trims(b));
  const kept: Pattern[] = [];
  for (const box of sorted)
    if (kept.length === 0 || box.height < kept.at(-1)!.height - DUST_MM) kept.push(box);
  return kept;
}

/** Waste that has to be cut away within a pattern: a piece or part narrower or lower than its place. */
function trims(pattern: Pattern): number {
  if ('kind' in pattern) return 0;
  const { first, second, join } = pattern;
  const uneven =
    join === 'row'
      ? Math.abs(first.height - second.height) > DUST_MM
      : Math.abs(first.width - second.width) > DUST_MM;
  return trims(first) + trims(second) + (uneven ? 1 : 0);
}

const fewestCuts = (boxes: readonly Pattern[]): Pattern =>
  boxes.reduce((best, box) => (trims(box) < trims(best) ? box : best));

/** Fewer sheets, then fewer cuts. */
const isBetter = (one: readonly Pattern[], other: readonly Pattern[]): boolean =>
  one.length < other.length || (one.length === other.length && total(one) < total(other));

const total = (patterns: readonly Pattern[]): number =>
  patterns.reduce((sum, pattern) => sum + trims(pattern), 0);
