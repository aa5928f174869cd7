import { newPlan, NEW_STUDIO, planSchema, type Plan } from '../plan';
import { PLAN_VERSION, planLiftedTo } from './migrate';

/** What could be read of a damaged plan, and what could not. */
export interface MendedPlan {
  readonly plan: Plan;
  /** Parts that were left out or begun anew, as field names: `acts[3]`, `brief`. */
  readonly lost: readonly string[];
}

type Json = Record<string, unknown>;

/** Each round leaves out what the one before found wrong; what is wrong after so many is beyond mending. */
const MOST_ROUNDS = 12;

/** What a card is begun with where its own part cannot be read. */
const begun = (): Plan =>
  newPlan(
    {
      ...{ id: 'mended', title: 'A mended card', occasion: 'no occasion' },
      envelope: { name: 'C6', widthMm: 162, heightMm: 114 },
    },
    NEW_STUDIO,
  );

/**
 * What can be saved of a plan that does not read: entries of its lists that are wrong are left out, single parts that are
 * wrong are begun anew. `null` where not even that gives a whole plan, or where the version is newer than this program.
 */
export function mendPlan(raw: unknown): MendedPlan | null {
  const json = liftedOrNull(raw);
  if (!json) return null;
  const fresh = begun() as unknown as Json;
  let now: Json = { ...fresh, ...onlyKnown(json, fresh) };
  const lost = Object.keys(fresh).filter((part) => !(part in json));
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const read = planSchema.safeParse(now);
    if (read.success) return { plan: read.data, lost: [...new Set(lost)] };
    const [parts, entries] = faultyParts(
      read.error.issues.map(({ path: [part, entry] }) => [part, entry] as const),
    );
    for (const part of parts) now = { ...now, [part]: fresh[part] };
    for (const [part, faulty] of entries)
      now = { ...now, [part]: (now[part] as unknown[]).filter((_, i) => !faulty.has(i)) };
    lost.push(...parts, ...[...entries].flatMap(([part, faulty]) => [...faulty].map((i) => `${part}[${i}]`)));
  }
  return null;
}

function liftedOrNull(raw: unknown): Json | null {
  if (typeof raw !== 'object' || raw === null) return null;
  try {
    return planLiftedTo(PLAN_VERSION, { ...raw, format: 'kettle-plan' });
  } catch {
    // A step of the way from an older version met something it could not lift: it is taken as it stands.
    const { version } = raw as Json;
    return typeof version === 'number' && version > PLAN_VERSION
      ? null
      : { ...raw, format: 'kettle-plan', version: PLAN_VERSION };
  }
}

const onlyKnown = (json: Json, known: Json): Json =>
  Object.fromEntries(Object.entries(json).filter(([part]) => part in known));

/** Where a plan is wrong: whole parts, and single entries of its lists. */
function faultyParts(
  paths: readonly (readonly [PropertyKey?, PropertyKey?, ...PropertyKey[]])[],
): [Set<string>, Map<string, Set<number>>] {
  const parts = new Set<string>();
  const entries = new Map<string, Set<number>>();
  for (const [part, entry] of paths) {
    if (part === undefined) continue;
    if (typeof entry === 'number')
      entries.set(String(part), (entries.get(String(part)) ?? new Set()).add(entry));
    else parts.add(String(part));
  }
  for (const part of parts) entries.delete(part);
  return [parts, entries];
}
