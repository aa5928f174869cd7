import { thingOf, type Command, type Plan } from '../../document/plan';
import { keyOf, type Finding } from './check';

/**
 * Findings with those that say the same of several parts of one thing as one: a word has one finding, not one a letter. Its
 * place stays that of the first; its fix mends them all. What is accepted of a thing is silent for all of it.
 */
export function byThing(plan: Plan, findings: readonly Finding[]): Finding[] {
  if (plan.things.length === 0) return [...findings];
  const accepted = new Set(plan.accepted.map(({ finding }) => finding));
  const alike = new Map<string, Finding[]>();
  for (const finding of findings) {
    const key = keyByThing(plan, finding);
    const others = alike.get(key);
    if (others) others.push(finding);
    else alike.set(key, [finding]);
  }
  return [...alike].flatMap(([key, same]) => (accepted.has(key) ? [] : [asOne(plan, key, same)]));
}

/** The name under which a finding is accepted, with what belongs together by the name of the thing. */
function keyByThing(plan: Plan, { id, where }: Finding): string {
  const ofThing = (member: string | undefined): string | undefined =>
    member === undefined ? undefined : (thingOf(plan, member)?.id ?? member);
  const area = ofThing(where.area);
  const pair = ofThing(where.pair);
  // Two parts of one thing are told of it as of one.
  return keyOf(id, {
    ...where,
    ...(area === undefined ? {} : { area }),
    ...(pair === undefined ? {} : { pair }),
  });
}

function asOne(plan: Plan, key: string, same: readonly Finding[]): Finding {
  const [first] = same;
  const thing = thingOf(plan, first.where.area ?? '') ?? thingOf(plan, first.where.pair ?? '');
  if (same.length === 1 || !thing) return { ...first, key };
  const { fix, ...told } = first;
  const fixes = same.flatMap((finding) => (finding.fix ? [finding.fix] : []));
  return {
    ...told,
    key,
    why: `${first.why} So it is at ${same.length} places of ${thing.name}.`,
    ...(fix && fixes.length === same.length
      ? {
          fix: {
            says: `${fix.says}, and so all ${same.length}`,
            commands: once(fixes.flatMap(({ commands }) => commands)),
          },
        }
      : {}),
  };
}

/** Commands without those that come again. */
const once = (commands: readonly Command[]): Command[] => [
  ...new Map(commands.map((command) => [JSON.stringify(command), command])).values(),
];
