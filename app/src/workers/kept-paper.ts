import { pigmentsIn, type HandAct, type Trial } from '@kettle/core/document/plan';
import {
  markOfText,
  WATER_VERSION,
  type PanelAct,
  type PanelKernel,
  type PanelRun,
  type Simulation,
} from '@kettle/core/simulation/water';
import type { StoredPaper } from './paper-store';

/** What the states kept of a sheet may hold, bytes; measured by `npm run verify`. */
export const PAPER_CAP_BYTES = 120e6;

/** A sheet as what is simulated. */
export const simulationOf = (trial: Trial): Simulation => ({
  ...{ widthMm: trial.widthMm, heightMm: trial.heightMm, cellMm: trial.cellMm, seed: trial.seed },
  ...{ paper: trial.paper, climate: trial.climate, pigments: [...trial.pigments] },
  ...{ acts: trial.acts.map(({ act }) => act), stopS: 1, probes: [] },
});

/** Which program a sheet's paper was worked out by, and on what. */
export function paperVersion(trial: Trial, kernel: PanelKernel): string {
  const { widthMm, heightMm, cellMm, paper, climate, seed } = trial;
  const sheet = JSON.stringify([widthMm, heightMm, cellMm, paper, climate, seed]);
  return [WATER_VERSION, kernel.name, kernel.version, markOfText(sheet)].join(' ');
}

/** What was kept of a sheet, if it is still of what was done on it by this program; `null` if not. */
export function statesThatFit(
  kept: StoredPaper | null,
  acts: readonly HandAct[],
  version: string,
  run: Pick<PanelRun, 'pigments'>,
): StoredPaper['states'] | null {
  if (kept?.version !== version || kept.acts > acts.length) return null;
  return kept.actsMark === markOfActs(acts.slice(0, kept.acts), run) ? kept.states : null;
}

/** Of some acts, and of where their pigments lie: one set out later takes a place that none of them has used. */
export function markOfActs(acts: readonly HandAct[], { pigments }: Pick<PanelRun, 'pigments'>): string {
  const used = new Set(acts.flatMap(pigmentsIn));
  const places = pigments.flatMap(({ code }, i) => (used.has(code) ? [[code, i]] : []));
  return markOfText(JSON.stringify([places, acts.map(({ act }) => act)]));
}

/** When an act is done, s. */
export const lastOf = (act: PanelAct): number =>
  act.kind === 'stroke' ? (act.points.at(-1)?.[3] ?? act.atS) : act.atS;

/** When the last of some acts is done, s. */
export const lastOfAll = (acts: readonly HandAct[]): number =>
  Math.max(0, ...acts.map(({ act }) => lastOf(act)));
