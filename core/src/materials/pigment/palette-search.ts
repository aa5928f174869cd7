import { placeOfPair, placeOfTriple } from './ratios';

/** The palettes to choose among, by places in a box, and what each choice of up to three pigments reaches. */
export interface PaletteTask {
  /** Pigments in the box. */
  readonly size: number;
  /** Places that are in every palette. */
  readonly kept: readonly number[];
  /** Places to fill besides. */
  readonly free: number;
  /** Number of wanted colours. */
  readonly wanted: number;
  /** `costs[count − 1][choice · wanted + i]`; a choice's costs include those of the smaller choices in it. */
  readonly costs: readonly Float32Array[];
  /** What each pigment adds to the mean. */
  readonly extra: readonly number[];
}

export interface PaletteScore {
  readonly places: readonly number[];
  /** Mean over the wanted colours, and the extras. */
  readonly score: number;
}

/** The best few seen, best first. */
class Podium {
  readonly best: PaletteScore[] = [];
  constructor(private readonly steps: number) {}

  offer(places: readonly number[], score: number): void {
    if (this.best.length === this.steps && score >= this.best.at(-1)!.score) return;
    const same = (other: PaletteScore): boolean => other.places.every((place) => places.includes(place));
    if (this.best.some(same)) return;
    this.best.push({ places: [...places], score });
    this.best.sort((a, b) => a.score - b.score);
    this.best.length = Math.min(this.best.length, this.steps);
  }
}

/** Lowers `least` (one per wanted colour) to the costs of one choice where they are lower. */
function lower(least: Float32Array, costs: Float32Array, choice: number): void {
  const at = choice * least.length;
  for (let i = 0; i < least.length; i++) if (costs[at + i] < least[i]) least[i] = costs[at + i];
}

/** Lowers `least` by every mix that `place` makes possible with the pigments in `chosen`. */
function admit({ costs }: PaletteTask, chosen: readonly number[], place: number, least: Float32Array): void {
  // The costs of a choice hold those of what is in it, so only the largest choices are looked up.
  if (chosen.length === 0) lower(least, costs[0], place);
  else if (chosen.length === 1) lower(least, costs[1], placeOfPair(chosen[0], place));
  else
    for (let i = 0; i < chosen.length; i++)
      for (let j = i + 1; j < chosen.length; j++)
        lower(least, costs[2], placeOfTriple(chosen[i], chosen[j], place));
}

const meanOf = (costs: Float32Array): number => costs.reduce((a, b) => a + b, 0) / costs.length;

/** The cost of each wanted colour with the pigments in `places`. */
function leastOf(task: PaletteTask, places: readonly number[]): Float32Array {
  const least = new Float32Array(task.wanted).fill(Infinity);
  places.forEach((place, i) => {
    admit(task, places.slice(0, i), place, least);
  });
  return least;
}

const extraOf = ({ extra }: PaletteTask, places: readonly number[]): number =>
  places.reduce((sum, place) => sum + extra[place], 0);

/** Compares every palette and returns the best few. */
export function enumeratePalettes(task: PaletteTask, podium: number): PaletteScore[] {
  const best = new Podium(podium);
  const chosen = [...task.kept];
  const least = leastOf(task, chosen);
  const extra = extraOf(task, chosen);
  const scratch = Array.from({ length: task.free }, () => new Float32Array(task.wanted));
  const extend = (from: number, depth: number, before: Float32Array, extras: number): void => {
    if (depth === task.free) {
      best.offer(chosen, meanOf(before) + extras);
      return;
    }
    for (let place = from; place < task.size; place++) {
      if (task.kept.includes(place)) continue;
      scratch[depth].set(before);
      admit(task, chosen, place, scratch[depth]);
      chosen.push(place);
      extend(place + 1, depth + 1, scratch[depth], extras + task.extra[place]);
      chosen.pop();
    }
  };
  extend(0, 0, least, extra);
  return best.best;
}

/** Starts of the search: from this many first pigments, those that alone come nearest. */
const STARTS = 12;

/** Fills the palette greedily from several first pigments, then swaps while a swap helps; returns the best few. */
export function swapPalettes(task: PaletteTask, podium: number): PaletteScore[] {
  const best = new Podium(podium);
  const all = Array.from({ length: task.size }, (_, place) => place);
  const scoreOf = (places: readonly number[]): number =>
    meanOf(leastOf(task, places)) + extraOf(task, places);
  const bestOf = (candidates: readonly number[][]): PaletteScore =>
    candidates
      .map((places) => ({ places, score: scoreOf(places) }))
      .reduce((a, b) => (b.score < a.score ? b : a));
  const outside = (places: readonly number[]): number[] => all.filter((place) => !places.includes(place));
  const starts = outside(task.kept)
    .map((place) => [...task.kept, place])
    .sort((a, b) => scoreOf(a) - scoreOf(b))
    .slice(0, STARTS);
  for (const first of starts) {
    let palette: PaletteScore = { places: first, score: scoreOf(first) };
    while (palette.places.length < task.kept.length + task.free)
      palette = bestOf(outside(palette.places).map((place) => [...palette.places, place]));
    for (;;) {
      const { places } = palette;
      const swaps = places
        .slice(task.kept.length)
        .flatMap((old) => outside(places).map((place) => places.map((p) => (p === old ? place : p))));
      const swapped = bestOf(swaps);
      if (swapped.score >= palette.score) break;
      palette = swapped;
    }
    best.offer(palette.places, palette.score);
  }
  return best.best;
}
