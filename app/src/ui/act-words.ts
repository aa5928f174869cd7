import { listed } from '@kettle/core/kit/units';
import {
  asParts,
  deedOf,
  choreOf,
  countersToFill,
  mixOf,
  nameOf,
  partName,
  techniqueOf,
  type Act,
  type LaidShield,
  type OtherMix,
  type Pass,
  type Plan,
} from '@kettle/core/document/plan';

/** An act as a painter says it: “Wash the sill”. */
export function actInWords(plan: Plan, act: Act): string {
  if (act.kind === 'pass' && act.name !== '') return act.name;
  const verb = act.kind === 'pass' ? techniqueOf(act.technique).act : choreOf(act.chore).name;
  if (act.areas.length === 0) return verb;
  const parts = listed(asParts(plan, act.areas).map(({ name }) => name));
  return deedOf(act) === 'unmasks' ? `Take the mask off the ${parts}` : `${verb} the ${parts}`;
}

/** A shield in words: “a torn shield over the boat”. */
export const shieldInWords = (plan: Plan, { area, lies, edge }: LaidShield): string =>
  `a ${edge} shield ${lies === 'over' ? 'over' : 'all round'} the ${nameOf(plan, area)}`;

/** Where in its areas a mix lies, in words. */
export const PLACE_WORDS: Readonly<Record<OtherMix['lies'], string>> = {
  ...{ above: 'at the top', below: 'at the bottom', left: 'on the left', right: 'on the right' },
  ...{ middle: 'in the middle', round: 'all round' },
};

/** What a pass lays, in words: “low cloud, warm grey at the bottom”. */
export const mixesInWords = (plan: Plan, { mix, also }: Pass): string =>
  mix === null
    ? 'clear water'
    : [
        mixOf(plan, mix).name,
        ...also.map((other) => `${mixOf(plan, other.mix).name} ${PLACE_WORDS[other.lies]}`),
      ].join(', ');

/** What else a pass has to mind: what lies on the panel, and the insides of masked letters that must take paint. */
export function toMind(plan: Plan, act: Act): string[] {
  if (act.kind !== 'pass') return [];
  const open = countersToFill(plan, plan.acts.indexOf(act));
  const letters = asParts(
    plan,
    open.map(({ area }) => area),
  ).map(({ members }) => {
    const insides = open.filter(({ area }) => members.includes(area));
    const count = insides.reduce((sum, { counters }) => sum + counters, 0);
    return count === 1 ? nameOf(plan, members[0]) : `${partName(plan, members[0])} (${count})`;
  });
  return [
    ...(act.shields.length > 0
      ? [`Lay ${listed(act.shields.map((shield) => shieldInWords(plan, shield)))} first.`]
      : []),
    ...(letters.length > 0
      ? [`Paint into the inside of ${listed(letters)}: what stays white there is read wrong.`]
      : []),
  ];
}
