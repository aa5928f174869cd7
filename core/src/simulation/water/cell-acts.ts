import { BadInput } from '../../kit/units';
import type { PanelRun } from './panel-run';

/** The species of a pigment; throws `BadInput` when the panel does not hold it. */
export function speciesPlace(run: PanelRun, code: string, field: string): number {
  const place = run.pigments.findIndex((pigment) => pigment.code === code);
  if (place < 0) throw new BadInput(field, `“${code}” is not among the panel’s pigments`);
  return place;
}

/** Adds water and pigment to a cell where it is open. */
export function addToCell(
  run: PanelRun,
  cell: number,
  filmUm: number,
  loads: readonly { place: number; gm2: number }[],
): void {
  const { panel, ledger } = run;
  if (panel.open[cell] === 0) return;
  panel.film[cell] += filmUm;
  panel.wettability[cell] = 1;
  ledger.waterApplied += filmUm;
  for (const { place, gm2 } of loads) {
    panel.suspended[place * panel.cells + cell] += gm2;
    ledger.applied[place] += gm2;
  }
}

/** Takes a share of a cell's film, and of what floats in it, off the panel. */
export function takeFilm({ panel, ledger, species }: PanelRun, cell: number, share: number): void {
  const water = panel.film[cell] * share;
  panel.film[cell] -= water;
  ledger.waterRemoved += water;
  for (let i = 0; i < species.length; i++) {
    const at = i * panel.cells + cell;
    const gone = panel.suspended[at] * share;
    panel.suspended[at] -= gone;
    ledger.removed[i] += gone;
  }
}
