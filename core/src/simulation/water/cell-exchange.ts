import type { FlowNumbers, SpeciesNumbers, StepNumbers } from './flow-numbers';
import type { Panel } from './panel';
import type { StepReport } from './panel-kernel';

/** Water between film, paper and air, pigment between film and paper, wettability and binder: each cell by itself. */
export function exchangeCells(
  panel: Panel,
  species: readonly SpeciesNumbers[],
  f: FlowNumbers,
  { dtS, evaporation }: StepNumbers,
): Omit<StepReport, 'fastest'> {
  const { cells, film, paper, capacity, wettability, binder, rim, warmth } = panel;
  let evaporated = 0;
  let filmed = 0;
  let dampest = 0;
  for (let cell = 0; cell < cells; cell++) {
    const h = film[cell];
    const s = paper[cell];
    if (h <= 0 && s <= 0) continue;
    const leaves = evaporation * dtS * rim[cell] * warmth[cell];
    if (h > 0) {
      const full = 1 - s / capacity[cell];
      const sinks = full > 0 ? ((f.uptake * full) / (s + f.uptakeOffset)) * dtS : 0;
      const share = Math.min(1, h / (sinks + leaves));
      let left = share < 1 ? 0 : h - sinks - leaves;
      let taken = sinks * share;
      if (left < f.lastFilm) {
        taken += left;
        left = 0;
      }
      film[cell] = left;
      paper[cell] = s + taken;
      evaporated += leaves * share;
      // A trace that has crept in is gone at once and does not make paper ready to be flooded.
      if (h >= f.lastFilm) wettability[cell] = 1;
      settle(panel, species, f, cell, 0.5 * (h + left), taken / dtS, left > 0, dtS);
      if (left > 0) filmed++;
    } else {
      // The falling rate, implicit: s/(1 + k·dt) never overshoots.
      const falling = f.fallingShare * capacity[cell];
      const slow = s / (1 + leaves / falling);
      const dried = s > falling ? Math.max(s - leaves, slow) : slow;
      const kept = dried < f.lastDamp ? 0 : dried;
      paper[cell] = kept;
      evaporated += s - kept;
      const ramp = Math.min(1, Math.max(0, (kept - f.wetNone) / (f.wetFull - f.wetNone)));
      wettability[cell] += (ramp - wettability[cell]) * (dtS / (dtS + f.fades));
    }
    if (film[cell] > 0) binder[cell] /= 1 + dtS / f.binderSoftens;
    else {
      const thick = Math.min(1, (f.binderBegins - paper[cell]) / (f.binderBegins - f.dryPaper));
      binder[cell] += Math.max(0, thick - binder[cell]) * (dtS / (dtS + f.binderSets));
    }
    if (paper[cell] > dampest) dampest = paper[cell];
  }
  return { evaporated, filmed, dampest };
}

/** Pigment settles, sinks in with the water taken up, and floats off again; what the last film held is left lying. */
function settle(
  { suspended, deposited, relief, binder, speed, cells }: Panel,
  species: readonly SpeciesNumbers[],
  f: FlowNumbers,
  cell: number,
  depth: number,
  uptake: number,
  filmed: boolean,
  dtS: number,
): void {
  const stirred = 1 + f.flowTakes * Math.min(speed[cell], f.fastestTaking);
  let before = 0;
  let after = 0;
  for (let i = 0; i < species.length; i++) {
    const at = i * cells + cell;
    const [c, d] = [suspended[at], deposited[at]];
    const { settle: falls, penetrate, floatOff, stain, granulation } = species[i];
    const valley = Math.max(f.leastSettling, 1 - (granulation * relief[cell]) / f.valley);
    const down = (falls * valley + penetrate * uptake) / Math.max(depth, f.lastFilm);
    const up = floatOff * (1 - binder[cell]) * stirred * (1 - f.stainHolds * stain);
    const all = c + d;
    const floats = filmed ? (c + up * dtS * all) / (1 + (down + up) * dtS) : 0;
    suspended[at] = floats;
    deposited[at] = all - floats;
    before += d;
    after += all - floats;
  }
  // Binder is that of the whole deposit; what has just come down is fresh.
  if (after > before && after > 0) binder[cell] *= before / after;
}
