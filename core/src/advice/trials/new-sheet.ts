import { cutAway } from '../../order/areas';
import { oneRing, rectangle } from '../../kit/geometry';
import { paintedOf, type HandAct, type Plan, type Trial } from '../../document/plan';
import { MAX_ON_PANEL } from '../../materials/pigment';
import { layOut, rehearse } from '../../order/schedule';
import type { PanelAct } from '../../simulation/water';

/** What lies on a new sheet: nothing but the tape, or everything the plan would paint, to be seen painted. */
export type SheetBegins = 'bare' | 'as-planned';

/** A sheet of the card's paper in the room's air, under its tape, with its dish set out. */
export function newSheet(
  plan: Plan,
  said: Pick<Trial, 'id' | 'name' | 'cellMm'>,
  begins: SheetBegins = 'bare',
): Trial {
  const { paint } = paintedOf(plan);
  const planned = begins === 'bare' ? [] : plannedActs(plan, said.cellMm);
  return {
    ...{ note: '', ...said },
    ...{ widthMm: paint.widthMm, heightMm: paint.heightMm },
    ...{ paper: plan.paper, climate: plan.climate, seed: SHEET },
    pigments: setOutFor(plan),
    acts: [...tape(plan), ...planned],
  };
}

/** Always the same sheet of its paper: what differs between two trials is then what was painted. */
const SHEET = 1;

/** Pigments of the mixes first, then what else lies on the dish, as many as a sheet can hold. */
function setOutFor({ mixes, palette }: Plan): string[] {
  const mixed = mixes.flatMap(({ parts }) => parts.map(({ pigment }) => pigment));
  return [...new Set([...mixed, ...palette])].slice(0, MAX_ON_PANEL);
}

/** An act of which it is not known what it met. */
const unseen = (act: PanelAct): HandAct => ({ act, onto: 'dry', waterMl: 0 });

/** What is under the tape all round stays white. */
function tape(plan: Plan): HandAct[] {
  const { panel, paint } = paintedOf(plan);
  const rim = (paint.widthMm - panel.widthMm) / 2;
  if (plan.card.border !== 'taped' || rim <= 0) return [];
  const under = cutAway(
    [rectangle(0, 0, paint.widthMm, paint.heightMm)],
    [rectangle(rim, rim, panel.widthMm, panel.heightMm)],
  );
  return under.map((region) => unseen({ atS: 0, kind: 'mask', shape: { polygon: [...oneRing(region)] } }));
}

const plannedActs = (plan: Plan, cellMm: number): HandAct[] =>
  rehearse(plan, layOut(plan), { cellMm, seed: SHEET }).acts.map(unseen);
