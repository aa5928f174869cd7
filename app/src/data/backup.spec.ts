import { beforeEach, describe, expect, it } from 'vitest';
import { newPlan, NEW_STUDIO, type Plan, type Studio } from '@kettle/core/document/plan';
import { chance } from '@kettle/core/kit/units';
import { backUp, restore, type BackupParts } from './backup';
import { CardArchive } from './card-archive';
import { Database } from './database';
import { keepingJobs } from '../workers/keeping-jobs';
import type { Locks } from './locks';
import { Safekeeping } from './safekeeping';
import { StudioArchive } from './studio-archive';

const CARDS = 60;
const MADE_AT = '2026-12-01T18:00:00.000Z';
const dice = chance(3);
const picture = (): Uint8Array => Uint8Array.from({ length: 4000 }, () => 256 * dice());

const free: Locks = {
  take: () => Promise.resolve({ release: () => undefined }),
  whenFree: () => Promise.resolve({ release: () => undefined }),
  taken: () => Promise.resolve(new Set<string>()),
};

let made = 0;
function browser(): BackupParts {
  const db = new Database(`backup-${made++}`);
  const archive = new CardArchive(db);
  return {
    ...{ db, archive, locks: free },
    ...{ studio: new StudioArchive(db), keeping: new Safekeeping(db, archive) },
    newId: () => `beside-${made++}`,
  };
}

function card(id: string, title: string): Plan {
  const plan = newPlan(
    { id, title, occasion: 'thanks', envelope: { name: 'C6', widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  const file = `picture-${id}.png`;
  return {
    ...plan,
    pictures: [
      {
        ...{ id: `picture-${id}`, name: 'a photo', file, use: 'traced', corners: null, bare: [] },
        ...{ at: [0, 0], widthMm: 20, heightMm: 20, faded: 0.5 },
      },
    ],
  };
}

const STUDIO: Studio = {
  ...NEW_STUDIO,
  people: [{ id: 'tamsin', name: 'Tamsin', days: [] }],
};

let from: BackupParts;
let plans: Plan[];
let file: Uint8Array;

beforeEach(async () => {
  from = browser();
  plans = Array.from({ length: CARDS }, (_, i) => card(`card-${i}`, `Card ${i}`));
  for (const plan of plans) await from.archive.create(plan, { [plan.pictures[0].file]: picture() });
  await from.studio.begin(STUDIO);
  file = await backUp(from, MADE_AT);
});

describe('a backup of sixty cards with pictures', () => {
  it('comes back in a fresh browser, each plan and picture to the byte', async () => {
    const to = browser();
    const came = await restore(to, file);
    expect([came.back.length, came.refused, came.studio]).toEqual([CARDS, [], 'same']);
    expect(await to.studio.read()).toEqual(STUDIO);
    for (const plan of plans) {
      const [there, here] = [await to.archive.read(plan.id), await from.archive.read(plan.id)];
      expect(JSON.stringify(there)).toBe(JSON.stringify(here));
      const name = plan.pictures[0].file;
      expect(await to.archive.attached(plan.id, name)).toEqual(await from.archive.attached(plan.id, name));
    }
    // What it holds is the same again.
    expect(Buffer.from(await backUp(to, MADE_AT)).equals(Buffer.from(file))).toBe(true);
    expect((await restore(to, file)).same).toHaveLength(CARDS);
  });

  it('never writes over what has gone on since: it comes beside', async () => {
    await from.archive.append('card-3', 1, [{ op: 'replace', path: ['title'], value: 'Newer' }]);
    const came = await restore(from, file);
    expect([came.beside, came.same.length]).toEqual([['Card 3'], CARDS - 1]);
    expect((await from.archive.read('card-3'))!.plan.title).toBe('Newer');
    const titles = (await from.archive.all()).plans.map(({ title }) => title);
    expect(titles).toContain('Card 3, from the backup');
  });

  it('damaged gives what is whole and names the rest', async () => {
    const hurt = file.slice();
    for (let at = 20_000; at < 20_400; at++) hurt[at] ^= 0x55;
    const to = browser();
    const came = await restore(to, hurt);
    expect(came.refused.length).toBeGreaterThan(0);
    expect(came.back.length).toBeGreaterThanOrEqual(CARDS - 2);
    for (const plan of (await to.archive.all()).plans)
      expect(plan).toEqual(plans.find(({ id }) => id === plan.id));
  });

  it('of a studio that has changed adds who is missing', async () => {
    const to = browser();
    await to.studio.begin(NEW_STUDIO);
    await to.studio.change([{ do: 'set', change: { painter: 'Ottilie Marrow' } }]);
    expect((await restore(to, file)).studio).toBe('merged');
    expect(await to.studio.read()).toMatchObject({ painter: 'Ottilie Marrow', people: STUDIO.people });
  });
});

describe('the worker that has the database to itself', () => {
  it('tells all it reads before it ends, and stops within a step when nobody listens', async () => {
    const jobs = keepingJobs(from.db, free);
    const read: string[] = [];
    expect(await jobs.readCards(1, ({ plans: some }) => void read.push(...some.map(({ id }) => id)))).toBe(
      true,
    );
    expect(read.sort()).toEqual(plans.map(({ id }) => id).sort());
    const evenings: string[] = [];
    const dated = plans.map((plan) => ({ ...plan, brief: { ...plan.brief, needBy: '2027-01-09' } }));
    const ended = jobs.evenings(2, dated, [{ weekday: 2, minutes: 90 }], '2026-12-01', (some) => {
      evenings.push(...some.map(({ id }) => id));
      jobs.cancel(2);
    });
    expect(await ended).toBe(false);
    expect(evenings.length).toBeLessThan(10);
  });
});
