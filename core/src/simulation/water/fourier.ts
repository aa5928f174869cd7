/** A field of complex numbers on a square of `side` by `side`, `[row · side + column]`; `side` is a power of two. */
export interface ComplexField {
  readonly side: number;
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** Lines turned at once, so that columns are read in runs. */
const AT_ONCE = 8;

/** Turns a spectrum into its field, in place: every row, then every column (radix two; Cooley & Tukey 1965). Not scaled. */
export function inverseTransform({ side, re, im }: ComplexField): void {
  const turns = turnsOf(side);
  const [lineRe, lineIm] = [new Float64Array(side * AT_ONCE), new Float64Array(side * AT_ONCE)];
  const many = Math.min(AT_ONCE, side);
  for (const [step, next] of [
    [1, side],
    [side, 1],
  ])
    for (let first = 0; first < side; first += many) {
      for (let k = 0; k < side; k++)
        for (let line = 0; line < many; line++) {
          const from = (first + line) * next + k * step;
          const to = line * side + turns.reversed[k];
          lineRe[to] = re[from];
          lineIm[to] = im[from];
        }
      for (let line = 0; line < many; line++) transformLine(lineRe, lineIm, line * side, turns);
      for (let k = 0; k < side; k++)
        for (let line = 0; line < many; line++) {
          const to = (first + line) * next + k * step;
          re[to] = lineRe[line * side + k];
          im[to] = lineIm[line * side + k];
        }
    }
}

/** The order in which a line is read, and the roots of one that its halves are turned by. */
interface Turns {
  readonly reversed: Uint32Array;
  readonly cos: Float64Array;
  readonly sin: Float64Array;
}

function turnsOf(side: number): Turns {
  const bits = Math.log2(side);
  if (!Number.isInteger(bits)) throw new RangeError('the side of a field must be a power of two.');
  const reversed = new Uint32Array(side);
  for (let k = 1; k < side; k++) reversed[k] = (reversed[k >> 1] >> 1) | (k & 1 ? side >> 1 : 0);
  return {
    reversed,
    cos: Float64Array.from({ length: side / 2 }, (_, k) => Math.cos((2 * Math.PI * k) / side)),
    sin: Float64Array.from({ length: side / 2 }, (_, k) => Math.sin((2 * Math.PI * k) / side)),
  };
}

function transformLine(
  re: Float64Array,
  im: Float64Array,
  start: number,
  { reversed, cos, sin }: Turns,
): void {
  const n = reversed.length;
  for (let half = 1; half < n; half *= 2) {
    const stride = n / (2 * half);
    for (let from = start; from < start + n; from += 2 * half)
      for (let k = 0; k < half; k++) {
        const a = from + k;
        const b = a + half;
        const c = cos[k * stride];
        const s = sin[k * stride];
        const turnedRe = c * re[b] - s * im[b];
        const turnedIm = c * im[b] + s * re[b];
        re[b] = re[a] - turnedRe;
        im[b] = im[a] - turnedIm;
        re[a] += turnedRe;
        im[a] += turnedIm;
      }
  }
}
