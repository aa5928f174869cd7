import { nameOf, choreOf, techniqueOf, type Act, type Plan } from '@kettle/core/plan';

/** An act as a painter says it: “Wash the sill”. */
export function actInWords(plan: Plan, act: Act): string {
  if (act.kind === 'pass' && act.name !== '') return act.name;
  const verb = act.kind === 'pass' ? techniqueOf(act.technique).act : choreOf(act.chore).name;
  if (act.areas.length === 0) return verb;
  const names = act.areas.map((area) => nameOf(plan, area));
  const things = names.length === 1 ? names[0] : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
  return act.kind === 'chore' && act.chore === 'mask-off'
    ? `Take the mask off the ${things}`
    : `${verb} the ${things}`;
}
