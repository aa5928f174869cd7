import { pigmentByCode } from '../../materials/pigment';
import { firstFinishing, freeId, mask, maskTimes, unmask, type MaskTimes } from './mask-acts';
import { newMix } from './new-mix';
import { newPass } from './new-pass';
import type { Plan, PlannedMix, White } from './plan';
import { LIFT, OPAQUE } from './technique';

/** The white that hides what is under it: titanium; zinc does not. */
export const HIDING_WHITE = 'PW6';

/** A mask nobody has said a time for: on before the first pass, off at the end. */
export const UNSAID: MaskTimes = { on: null, off: null };

/** Undiluted titanium white: the white that covers. */
const OPAQUE_WHITE: PlannedMix = newMix({
  ...{ id: 'opaque-white', name: 'opaque white', medium: 'opaque' },
  ...{ parts: [{ pigment: HIDING_WHITE, parts: 1 }], strength: 1 },
});

/** Plans the acts by which a white is kept, or won back: its mask on and off, a lift, or opaque white when all is painted. */
export function planKeeping(plan: Plan, { area, way }: White): void {
  const times = maskTimes(plan, area);
  dropKeeping(plan, area);
  if (way === 'mask') mask(plan, area, times ?? UNSAID);
  if (way === 'lift') addLast(plan, area, LIFT, null);
  if (way === 'opaque') {
    const has = (code: string): boolean => plan.embedded.pigments.some((pigment) => pigment.code === code);
    if (!plan.mixes.some(({ id }) => id === OPAQUE_WHITE.id)) plan.mixes.push(OPAQUE_WHITE);
    if (!has(HIDING_WHITE)) plan.embedded.pigments.push(pigmentByCode(HIDING_WHITE));
    addLast(plan, area, OPAQUE, OPAQUE_WHITE.id);
  }
}

/** Takes out the acts by which a white was kept; opaque white that nothing is painted with any more goes with them. */
export function dropKeeping(plan: Plan, area: string): void {
  unmask(plan, area);
  const kept = plan.acts.length;
  plan.acts = plan.acts.filter(
    (act) =>
      act.kind !== 'pass' ||
      !(act.technique === LIFT || (act.technique === OPAQUE && act.mix === OPAQUE_WHITE.id)) ||
      act.areas.length !== 1 ||
      act.areas[0] !== area,
  );
  const used = plan.acts.some((act) => act.kind === 'pass' && act.mix === OPAQUE_WHITE.id);
  if (plan.acts.length < kept && !used) plan.mixes = plan.mixes.filter(({ id }) => id !== OPAQUE_WHITE.id);
}

function addLast(plan: Plan, area: string, technique: string, mix: string | null): void {
  const id = freeId(plan.acts, technique);
  plan.acts.splice(firstFinishing(plan), 0, newPass({ id, technique, areas: [area], mix }));
}
