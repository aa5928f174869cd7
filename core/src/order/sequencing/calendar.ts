/** Times nearer than this are the same, s. */
const SAME_S = 1e-9;

/** Stretches of time in which something that there are `most` of is in use. */
export class Calendar {
  private readonly starts: number[] = [];
  private readonly ends: number[] = [];
  private longestS = 0;

  constructor(private readonly most: number) {}

  add(startS: number, endS: number): void {
    if (endS <= startS) return;
    this.longestS = Math.max(this.longestS, endS - startS);
    // Kept in the order of their starts, so that a look can stop early.
    let at = this.starts.length;
    while (at > 0 && this.starts[at - 1] > startS) at--;
    this.starts.splice(at, 0, startS);
    this.ends.splice(at, 0, endS);
  }

  /** When one more may begin, not before `fromS`, to be in use for `lastsS`. */
  freeFrom(fromS: number, lastsS: number): number {
    let at = fromS;
    for (;;) {
      const next = this.clash(at, at + lastsS);
      if (next === null) return at;
      at = next;
    }
  }

  /** The least time to which a use must be moved on, for it does not go; `null` when it goes. */
  private clash(startS: number, endS: number): number | null {
    if (endS <= startS) return null;
    const { starts, ends } = this;
    // None that begins more than the longest use before can still be going on.
    let first = lowest(starts, startS - this.longestS);
    if (this.most === 1) {
      while (first < ends.length && ends[first] <= startS + SAME_S) first++;
      return first < starts.length && starts[first] < endS - SAME_S ? ends[first] : null;
    }
    const using: [number, number][] = [];
    for (let i = first; i < starts.length && starts[i] < endS - SAME_S; i++)
      if (ends[i] > startS + SAME_S) using.push([starts[i], ends[i]]);
    if (using.length < this.most) return null;
    for (const at of [startS, ...using.map(([start]) => Math.max(start, startS))]) {
      const then = using.filter(([start, end]) => start <= at + SAME_S && end > at + SAME_S);
      if (then.length >= this.most) return Math.min(...then.map(([, end]) => end));
    }
    return null;
  }
}

/** The first place in a sorted list that holds no less than a value. */
function lowest(list: readonly number[], value: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle] < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
