import { readFileSync } from 'node:fs';
import { produceWithPatches, type Draft } from 'immer';
import { expect, it } from 'vitest';
import type { Patch, Plan } from '@kettle/core/document/plan';
import { chance } from '@kettle/core/kit/units';
import { PLAN_VERSION, readPlan } from '@kettle/core/document/versions';
import { CardArchive } from './card-archive';
import { CardSession } from './card-session';
import { Database } from './database';
import { StorageWatch } from './storage-watch';

/** What all versions of a plan have in common, as loosely as a journal of any of them sees it. */
interface AnyPlan {
  title: string;
  rules: { letColoursRun: boolean };
  climate: { rh: number };
  lines: { id: string }[];
  areas: { id: string; name: string }[];
  acts: { id: string; kind: string; filmUm?: number; name?: string }[];
  mixes: { id: string; strength: number }[];
}

/** The long evidence takes five hundred. */
const CASES = process.env['KILLS'] ? 500 : 100;
const CHANGES = 50;
/** So often a program of the time saved the whole card. */
const SAVED_EVERY = 40;

const fixtures = Array.from(
  { length: PLAN_VERSION },
  (_, i) =>
    JSON.parse(readFileSync(`core/src/document/versions/fixtures/plan-v${i + 1}.json`, 'utf8')) as AnyPlan,
);

/** Something a painter may have done in any version: its patches are in the shape of that version. */
function someChange(plan: Draft<AnyPlan>, dice: () => number, n: number): void {
  const one = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)];
  const copied = (list: { id: string }[]): void => {
    if (list.length > 0) list.push({ ...(JSON.parse(JSON.stringify(one(list))) as object), id: `new-${n}` });
  };
  const doings = [
    () => (plan.title = `Title ${n}`),
    () => (plan.rules.letColoursRun = !plan.rules.letColoursRun),
    () => (plan.climate.rh = Math.round(100 * dice()) / 100),
    () => copied(plan.lines),
    () => copied(plan.areas),
    () => copied(plan.acts),
    () => (one(plan.areas).name = `area ${n}`),
    () => (one(plan.mixes).strength = 0.1 + 0.8 * dice()),
    () => plan.lines.splice(Math.floor(dice() * plan.lines.length), 1),
    () => {
      const pass = one(plan.acts.filter(({ kind }) => kind === 'pass'));
      pass.filmUm = 20 + Math.floor(100 * dice());
    },
    () => {
      const [act] = plan.acts.splice(Math.floor(dice() * plan.acts.length), 1);
      plan.acts.splice(Math.floor(dice() * (plan.acts.length + 1)), 0, act);
    },
  ];
  one(doings)();
}

it(`of every version, with a journal of ${CHANGES} changes recorded in it, killed at any moment: ${CASES} cards open whole`, async () => {
  const db = new Database('journals');
  const archive = new CardArchive(db);
  for (let seed = 0; seed < CASES; seed++) {
    const dice = chance(seed);
    const version = 1 + (seed % PLAN_VERSION);
    const id = `card-${seed}`;
    let now = { ...fixtures[version - 1], id } as AnyPlan;
    const killedAfter = Math.floor(dice() * (CHANGES + 1));
    let saved = { plan: now, seq: 0 };
    const journal: { seq: number; patches: readonly Patch[] }[] = [];
    for (let seq = 1; seq <= killedAfter; seq++) {
      const [next, patches] = produceWithPatches(now, (draft) => someChange(draft, dice, seq));
      now = next;
      journal.push({ seq, patches });
      if (seq - saved.seq >= SAVED_EVERY) saved = { plan: now, seq };
    }
    await db.plans.put({ id, ...saved, changedAt: 0 });
    // Programs of today say their version, those of before did not.
    const says = version === PLAN_VERSION && dice() < 0.5 ? { version } : {};
    await db.journal.bulkAdd(
      journal
        .filter(({ seq }) => seq > saved.seq)
        .map(({ seq, patches }) => ({ planId: id, seq, ...says, patches: [...patches] })),
    );
    await opensWhole(archive, id, readPlan(now), dice);
  }
  expect((await archive.all()).unreadable).toEqual([]);
  await db.delete();
}, 120_000);

/** Opens a card as it was left, changes it as today's program does, is killed, and opens it again. */
async function opensWhole(
  archive: CardArchive,
  id: string,
  expected: Plan,
  dice: () => number,
): Promise<void> {
  const stored = (await archive.open(id))!;
  expect(stored.plan).toEqual(expected);
  const session = new CardSession(
    archive,
    new StorageWatch(),
    { release: () => undefined },
    stored,
    () => undefined,
  );
  const changes = Math.floor(4 * dice());
  for (let n = 0; n < changes; n++) session.do([{ do: 'rename', title: `Since ${n}` }]);
  await session.settled();
  expect((await archive.read(id))!.plan).toEqual(session.plan);
}
