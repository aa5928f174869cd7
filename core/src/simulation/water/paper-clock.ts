import { DRY_PAPER_GM2 } from './constants';
import type { PanelRun } from './panel-run';

/** How fast the paper’s clock runs against the wall’s: a rate, or as fast as it can be worked out until something is so. */
export type ClockOrder = { readonly rate: number } | { readonly until: 'matt' | 'dry' };

/** Over so long the rate that is really reached is measured, ms. */
const MEASURED_OVER_MS = 1500;

/** What the paper is behind by more than this is not caught up with, s of the wall’s clock. */
const MOST_BEHIND_S = 0.25;

/** The paper’s clock beside the wall’s. Where the simulation cannot keep up, it slows down and says so. */
export class PaperClock {
  private from: { readonly ms: number; readonly atS: number; readonly rate: number };
  private marks: { readonly ms: number; readonly atS: number }[] = [];

  constructor(nowMs: number, atS: number) {
    this.from = { ms: nowMs, atS, rate: 0 };
  }

  get rate(): number {
    return this.from.rate;
  }

  /** From now on at this rate. */
  run(rate: number, nowMs: number, atS: number): void {
    this.from = { ms: nowMs, atS, rate };
    this.marks = [{ ms: nowMs, atS }];
  }

  /** The paper’s time it should be, s. */
  dueS(nowMs: number): number {
    return this.from.atS + (this.from.rate * (nowMs - this.from.ms)) / 1000;
  }

  /** The paper has got to a time; what it is far behind by is given up. */
  reached(nowMs: number, atS: number): void {
    const { rate } = this.from;
    if (this.dueS(nowMs) - atS > MOST_BEHIND_S * rate)
      this.from = { ms: nowMs - 1000 * MOST_BEHIND_S, atS, rate };
    this.marks.push({ ms: nowMs, atS });
    while (this.marks.length > 2 && nowMs - this.marks[1].ms > MEASURED_OVER_MS) this.marks.shift();
  }

  /** How many times as fast as the wall’s clock it has really gone of late. */
  reachedRate(nowMs: number): number {
    const [{ ms, atS }] = this.marks.length > 0 ? this.marks : [this.from];
    const last = this.marks.at(-1)?.atS ?? atS;
    return nowMs - ms < 1 ? this.from.rate : (1000 * (last - atS)) / (nowMs - ms);
  }
}

/** Of the wet cells, so few may still have a film when the sheen is called gone. */
const STILL_SHINY = 0.02;

/** Whether what was waited for is so. While more is to be done to a sheet, one on which nothing is wet is not yet dry. */
export function isReached(run: PanelRun, until: 'matt' | 'dry', moreToCome = false): boolean {
  const { filmed, wet } = wetCells(run);
  if (wet === 0) return !moreToCome;
  return until === 'matt' && filmed <= STILL_SHINY * wet;
}

/** Cells with a film, and cells with a film or not dry to the touch. */
export function wetCells({ panel: { film, paper } }: PanelRun): { filmed: number; wet: number } {
  let [filmed, wet] = [0, 0];
  for (let cell = 0; cell < film.length; cell++) {
    if (film[cell] > 0) filmed++;
    if (film[cell] > 0 || paper[cell] >= DRY_PAPER_GM2) wet++;
  }
  return { filmed, wet };
}
