import { patchesIn, reachedBy } from '../../order/areas';
import {
  maskedAfter,
  nameOf,
  rightAfter,
  sparedBy,
  addPass,
  smallPlan,
  type Command,
  type Pass,
  type Plan,
} from '../../document/plan';
import { listed } from '../../kit/units';
import type { Check, Found } from './check';
import { chore } from './edge-plans';

/** A pass that comes to no paper: all of it lies under mask, under what is laid on the sheet, in whites that are gone round, or off the sheet. */
export const wetsNoPaper: Check = {
  id: 'wets-no-paper',
  name: 'Pass that comes to no paper',
  station: 'passes',
  severity: 'look',
  when: 'all paper of a pass is masked, covered, gone round or off the sheet when it comes',
  source: 'what a mask means',
  *find({ plan }) {
    for (const [index, act] of plan.acts.entries()) {
      // What a hand has painted lies where the hand was.
      if (act.kind !== 'pass' || act.areas.length === 0 || act.strokes.length > 0) continue;
      yield null;
      const masked = maskedAfter(plan.acts, index);
      if (reachedBy(plan, act, (id) => masked.has(id)).size > 0) continue;
      const [area] = act.areas;
      yield {
        where: { pass: act.id, area },
        number: { value: 0, unit: 'cm²', limit: null },
        ...reasonOf(plan, act, masked),
      };
    }
  },
  edges: () => {
    const over = addPass('over', 'boat', 'blue');
    const stencil = (lies: 'over' | 'round'): Plan =>
      smallPlan(addPass('over', 'boat', 'blue', { shields: [{ area: 'boat', lies, edge: 'cut' }] }));
    const masks = [chore('on', 'mask-on', ['boat']), chore('off', 'mask-off', ['boat'])];
    return [
      { wrong: smallPlan(masks[0], over, masks[1]), right: smallPlan(...masks, over) },
      { wrong: stencil('over'), right: stencil('round') },
    ];
  },
};

/** Why no paper of a pass is open to it, and what would open it. */
function reasonOf(plan: Plan, pass: Pass, masked: ReadonlySet<string>): Pick<Found, 'why' | 'fix'> {
  const patches = pass.areas.flatMap((area) => patchesIn(plan, area));
  const names = listed(pass.areas.map((area) => nameOf(plan, area)));
  if (patches.length === 0) return { why: `${names} lies off the sheet: nothing of it is painted.` };
  const over = [...masked].filter((id) => patches.some(({ under }) => under.includes(id)));
  if (over.length > 0) {
    const off = plan.acts.findLast(
      (act) => act.kind === 'chore' && act.chore === 'mask-off' && over.some((id) => act.areas.includes(id)),
    );
    const own = over.every((id) => pass.areas.includes(id));
    const mask = own ? 'its mask' : `the mask on ${listed(over.map((id) => nameOf(plan, id)))}`;
    return {
      why: `all of ${names} lies under ${mask} when this comes: no paint reaches the paper.`,
      ...(off && {
        fix: { says: 'Paint it when the mask is off', commands: [rightAfter(plan, pass.id, off.id)] },
      }),
    };
  }
  const open: Command = { do: 'change-pass', pass: pass.id, change: { shields: [] } };
  if (pass.shields.length > 0)
    return {
      why: `what is laid on the sheet covers all of ${names}: no paint reaches the paper.`,
      fix: { says: 'Lay nothing on the sheet', commands: [open] },
    };
  const spared = [...new Set(pass.areas.flatMap((area) => sparedBy(plan, pass, area)))];
  return {
    why: `all of ${names} lies in ${listed(spared.map((area) => nameOf(plan, area)))}, which is painted round: name it in the pass, or keep it otherwise.`,
  };
}
