import { maskingTool } from '../../drawing/masking';
import type { Act } from './act';
import { choreOf } from './chore';
import type { Plan } from './plan';

/** When a mask goes on and comes off: after which acts; `null` before the first pass, and with the last mask. */
export interface MaskTimes {
  readonly on: string | null;
  readonly off: string | null;
}

const isChore = (act: Act, chore: 'mask-on' | 'mask-off'): boolean =>
  act.kind === 'chore' && act.chore === chore;

export const isMasking = (act: Act): boolean => isChore(act, 'mask-on') || isChore(act, 'mask-off');

/** Where painting ends and finishing begins in the order of acts; a mask may come off between passes. */
export function firstFinishing(plan: Pick<Plan, 'acts'>): number {
  const last = plan.acts.findLastIndex((act) => act.kind === 'pass');
  const at = plan.acts.findIndex(
    (act, i) => i > last && act.kind === 'chore' && choreOf(act.chore).finishing,
  );
  return at < 0 ? plan.acts.length : at;
}

/** Puts an area or a freehand mask under mask and takes it off again; acts that are there are used, others are put in. */
export function mask(plan: Plan, id: string, { on, off }: MaskTimes): void {
  const resist = plan.resists.find((entry) => entry.id === id);
  const stays = resist !== undefined && maskingTool(resist.tool).stays;
  // Off first: where it is to go is told by the acts as they are.
  if (!stays) put(plan, 'mask-off', id, off, () => firstFinishing(plan));
  put(plan, 'mask-on', id, on, () => {
    const firstPass = plan.acts.findIndex((act) => act.kind === 'pass');
    return firstPass < 0 ? firstMaskOff(plan) : firstPass;
  });
}

const firstMaskOff = (plan: Plan): number => {
  const at = plan.acts.findIndex((act) => isChore(act, 'mask-off'));
  return at < 0 ? firstFinishing(plan) : at;
};

/** Adds to the masking that follows an act, or to the usual one, or puts one in there. */
function put(
  plan: Plan,
  chore: 'mask-on' | 'mask-off',
  id: string,
  after: string | null,
  usual: () => number,
): void {
  const at = after === null ? -1 : plan.acts.findIndex((act) => act.id === after);
  const there = at < 0 ? outside(plan, chore) : maskingsAfter(plan, at).find((act) => isChore(act, chore));
  // What comes off after an act is taken off before anything else goes on.
  const next = chore === 'mask-off' ? at + 1 : at + 1 + maskingsAfter(plan, at).length;
  if (there) there.areas.push(id);
  else
    plan.acts.splice(at < 0 ? usual() : next, 0, {
      ...{ kind: 'chore', id: freeId(plan.acts, chore), chore, areas: [id], handsS: null },
    });
}

/** The masking before all passes, or after all of them, if any. */
function outside(plan: Plan, chore: 'mask-on' | 'mask-off'): Act | undefined {
  const isPass = (act: Act): boolean => act.kind === 'pass';
  const [first, last] = [plan.acts.findIndex(isPass), plan.acts.findLastIndex(isPass)];
  const free =
    chore === 'mask-off' ? plan.acts.slice(last + 1) : first < 0 ? plan.acts : plan.acts.slice(0, first);
  return free.find((act) => isChore(act, chore));
}

/** The masking that stands straight after an act. */
function maskingsAfter(plan: Plan, at: number): Act[] {
  const after = plan.acts.slice(at + 1);
  const next = after.findIndex((act) => !isMasking(act));
  return after.slice(0, next < 0 ? after.length : next);
}

/** An id no act has yet: the name wanted, or that with the first number that is free. */
export function freeId(among: readonly { readonly id: string }[], wanted: string): string {
  const taken = new Set(among.map(({ id }) => id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** Takes an area or a freehand mask out of all masking; acts left with nothing go. */
export function unmask(plan: Plan, id: string): void {
  for (const act of plan.acts.filter(isMasking)) act.areas = act.areas.filter((a) => a !== id);
  plan.acts = plan.acts.filter((act) => !isMasking(act) || act.areas.length > 0);
}

/** When something is masked, by the acts of the plan; `null` when it is not. */
export function maskTimes(plan: Plan, id: string): MaskTimes | null {
  const on = plan.acts.findIndex((act) => isChore(act, 'mask-on') && act.areas.includes(id));
  if (on < 0) return null;
  const off = plan.acts.findIndex((act) => isChore(act, 'mask-off') && act.areas.includes(id));
  const passBefore = (at: number): string | null =>
    plan.acts.slice(0, at).findLast((act) => act.kind === 'pass')?.id ?? null;
  const later = plan.acts.slice(off + 1).some((act) => act.kind === 'pass');
  return { on: passBefore(on), off: off < 0 || !later ? null : passBefore(off) };
}

/** All that is ever masked on a card. */
export const everMasked = (plan: Pick<Plan, 'acts'>): string[] => [
  ...new Set(plan.acts.filter(isMasking).flatMap(({ areas }) => areas)),
];
