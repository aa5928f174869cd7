/** Parts of one mix never sum to more: beyond it nobody counts drops. */
export const MAX_PARTS = 8;
/** A mix of more than three pigments is hard to mix twice. */
export const MAX_PIGMENTS = 3;

/** A mix by the places of its pigments in a palette and their parts. */
export interface Ratio {
  readonly places: readonly number[];
  readonly parts: readonly number[];
}

/** All ratios in lowest terms of `count` pigments, parts summing to at most `most`: `[[1, 1], [1, 2], …]`. */
export function ratiosOf(count: number, most: number): number[][] {
  const ratios: number[][] = [];
  const extend = (parts: number[], left: number): void => {
    if (parts.length === count) {
      if (parts.reduce(greatestDivisor) === 1) ratios.push(parts);
      return;
    }
    for (let n = 1; n <= left; n++) extend([...parts, n], left - n);
  };
  extend([], most);
  return ratios;
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/** All choices of `count` places out of `size`, each rising. */
export function choicesOf(size: number, count: number): number[][] {
  if (count === 0) return [[]];
  return Array.from({ length: size }, (_, last) => last).flatMap((last) =>
    choicesOf(last, count - 1).map((before) => [...before, last]),
  );
}

/** Where a pair stands in `choicesOf(size, 2)`, whatever the size (the combinatorial number system). */
export const placeOfPair = (a: number, b: number): number =>
  a < b ? (b * (b - 1)) / 2 + a : (a * (a - 1)) / 2 + b;

/** Where a triple stands in `choicesOf(size, 3)`. */
export function placeOfTriple(a: number, b: number, c: number): number {
  const last = Math.max(a, b, c);
  const first = Math.min(a, b, c);
  return (last * (last - 1) * (last - 2)) / 6 + placeOfPair(first, a + b + c - first - last);
}

/** All ratios of up to `maxPigments` of a palette of `size`, parts summing to at most eight. */
export function mixRatios(size: number, maxPigments: number): Ratio[] {
  return Array.from({ length: Math.min(size, maxPigments) }, (_, i) => i + 1).flatMap((count) => {
    const all = ratiosOf(count, MAX_PARTS);
    return choicesOf(size, count).flatMap((places) => all.map((parts) => ({ places, parts })));
  });
}
