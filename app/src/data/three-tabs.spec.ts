import { liveQuery, type Subscription } from 'dexie';
import { from } from 'rxjs';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import {
  newPlan,
  NEW_STUDIO,
  studioCommandsBetween,
  type Plan,
  type Studio,
} from '@kettle/core/document/plan';
import { BadInput, chance } from '@kettle/core/kit/units';
import { CardArchive } from './card-archive';
import { CardKeeper } from './card-keeper';
import { Database } from './database';
import { cardLock, type HeldLock, type Locks } from './locks';
import { Safekeeping } from './safekeeping';
import { StorageWatch } from './storage-watch';
import { StudioArchive } from './studio-archive';
import { WorkTable, type OpenPlan } from './work-table';

/** The long evidence takes a thousand. */
const SCHEDULES = process.env['KILLS'] ? 1000 : 60;
const STEPS = 24;
const TABS = 3;
const CARDS = ['one', 'two', 'three'];

const card = (id: string, title: string): Plan =>
  newPlan(
    { id, title, occasion: 'thanks', envelope: { name: 'C6', widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );

/** Web Locks of a browser that tests can look into; what a tab had goes when the tab does. */
class LocksOfBrowser {
  readonly held = new Map<string, Tab>();
  private waiting: { name: string; tab: Tab; give: () => void }[] = [];

  for(tab: Tab): Locks {
    const grant = (name: string): HeldLock => {
      this.held.set(name, tab);
      return {
        release: () => {
          if (this.held.get(name) === tab) this.free(name);
        },
      };
    };
    return {
      take: async (name) => {
        await turn();
        if (tab.dead) return never();
        return this.held.has(name) ? null : grant(name);
      },
      whenFree: async (name, signal) => {
        await turn();
        if (signal.aborted) return null;
        if (!this.held.has(name)) return grant(name);
        return new Promise((resolve) => {
          const entry = { name, tab, give: () => resolve(grant(name)) };
          this.waiting.push(entry);
          signal.addEventListener('abort', () => {
            this.waiting = this.waiting.filter((other) => other !== entry);
            resolve(null);
          });
        });
      },
      taken: () => Promise.resolve(new Set(this.held.keys())),
    };
  }

  kill(tab: Tab): void {
    this.waiting = this.waiting.filter((entry) => entry.tab !== tab);
    for (const [name, owner] of [...this.held]) if (owner === tab) this.free(name);
  }

  private free(name: string): void {
    this.held.delete(name);
    const next = this.waiting.find((entry) => entry.name === name);
    this.waiting = this.waiting.filter((entry) => entry !== next);
    next?.give();
  }
}

/** A tab with its address, its table and its view of the studio. */
class Tab {
  dead = false;
  private die: () => void = () => undefined;
  /** Nothing that is under way in it is waited for any longer. */
  readonly gone = new Promise<void>((resolve) => (this.die = resolve));
  /** The card of the address; `null` for the rack. */
  address: string | null = null;
  studio: Studio | null = null;
  readonly db: Database;
  readonly archive: CardArchive;
  readonly table: WorkTable;
  readonly keeper: CardKeeper;
  readonly studios: StudioArchive;
  private readonly following: Subscription;

  constructor(name: string, browser: LocksOfBrowser) {
    this.db = new Database(name);
    this.archive = new CardArchive(this.db);
    this.studios = new StudioArchive(this.db);
    const [locks, watch] = [browser.for(this), new StorageWatch()];
    const safekeeping = new Safekeeping(this.db, this.archive);
    this.table = new WorkTable({
      ...{ archive: this.archive, locks, watch },
      follow: (id) => from(liveQuery(() => this.archive.read(id))),
      tell: ({ what }) => {
        if (what === 'gone' || what === 'unreadable') this.address = null;
      },
    });
    this.keeper = new CardKeeper({
      ...{ archive: this.archive, safekeeping, locks, watch },
      park: (plan) => this.table.park(plan),
    });
    this.following = liveQuery(() => this.studios.read()).subscribe((studio) => (this.studio = studio));
  }

  /** Goes to a card as the address does, or to the rack; whatever was on its way there no longer counts. */
  async goTo(id: string | null): Promise<void> {
    this.address = id;
    if (id === null) return this.table.close();
    try {
      await this.table.open(id);
    } catch (cause) {
      if (!(cause instanceof BadInput) && !this.dead) throw cause;
      if (this.address === id) {
        this.address = null;
        await this.table.close();
      }
    }
  }

  kill(browser: LocksOfBrowser): void {
    this.dead = true;
    this.die();
    this.following.unsubscribe();
    this.db.close();
    browser.kill(this);
  }
}

const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
const never = <T>(): Promise<T> => new Promise(() => undefined);

/** What was done and acknowledged: it must never be lost. */
class Acknowledged {
  /** Titles each card has had or may have got, in order, and from which on nothing was acknowledged. */
  private readonly titles = new Map<string, string[]>();
  private readonly keptAt = new Map<string, number>();
  readonly people = new Set<string>();
  readonly cards = new Set<string>(CARDS);

  /** Something is done to a card; tells how to acknowledge it. */
  tries(id: string, title: string): () => void {
    const titles = this.titles.get(id) ?? [];
    this.titles.set(id, [...titles, title]);
    return () => this.keptAt.set(id, Math.max(titles.length, this.keptAt.get(id) ?? 0));
  }

  /** Titles a card may have now, if nothing acknowledged was lost. */
  mayBe(id: string): string[] {
    return this.titles.get(id)?.slice(this.keptAt.get(id) ?? 0) ?? [];
  }
}

async function runs(seed: number): Promise<void> {
  const dice = chance(seed);
  const browser = new LocksOfBrowser();
  const name = `three-tabs-${seed}`;
  const tabs = Array.from({ length: TABS }, () => new Tab(name, browser));
  const seen = new Acknowledged();
  for (const id of CARDS) {
    const kept = seen.tries(id, `${id} 0`);
    await tabs[0].keeper.put(card(id, `${id} 0`));
    kept();
  }
  await tabs[0].studios.begin(NEW_STUDIO);
  const under: Promise<unknown>[] = [];
  const refusable = (work: Promise<unknown>, tab: Tab): void => {
    under.push(
      Promise.race([
        tab.gone,
        work.catch((cause: unknown) => {
          if (!(cause instanceof BadInput) && !tab.dead) throw cause;
        }),
      ]),
    );
  };
  const one = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)];
  let n = 0;

  /** A change of the card on the table, acknowledged when the table shows it as kept. */
  const change = async (tab: Tab, step: () => boolean): Promise<void> => {
    const lies = (): OpenPlan | null => tab.table.open$.value;
    if (!lies() || !step()) return;
    const { plan } = lies()!;
    const kept = seen.tries(plan.id, plan.title);
    await tab.table.settled();
    const now = lies();
    if (!tab.dead && now?.plan === plan && now.kept === 'kept') kept();
  };
  const rename = (tab: Tab): boolean =>
    tab.table.do([{ do: 'rename', title: `${tab.address ?? 'none'} ${++n}` }]);
  const doings: (readonly [number, (tab: Tab) => void])[] = [
    [6, (tab) => refusable(tab.goTo(one([...seen.cards])), tab)],
    [2, (tab) => refusable(tab.goTo(null), tab)],
    [
      8,
      (tab) =>
        refusable(
          change(tab, () => rename(tab)),
          tab,
        ),
    ],
    [
      2,
      (tab) =>
        refusable(
          change(tab, () => tab.table.undo()),
          tab,
        ),
    ],
    [
      1,
      (tab) =>
        refusable(
          change(tab, () => tab.table.redo()),
          tab,
        ),
    ],
    [
      2,
      (tab) => {
        const id = one(CARDS);
        if (tab.address !== id) refusable(tab.keeper.bin(id), tab);
      },
    ],
    [2, (tab) => refusable(new Safekeeping(tab.db, tab.archive).takeOutOfBin(one(CARDS)), tab)],
    [
      2,
      (tab) => {
        const id = one(CARDS);
        const title = `${id} ${++n}`;
        if (tab.address === id) return;
        seen.tries(id, title);
        refusable(
          tab.keeper.putBack([card(id, title)], 'put-back').then(() => {
            // Others may have come and gone before it had the card.
            if (!tab.dead) seen.tries(id, title)();
          }),
          tab,
        );
      },
    ],
    [
      1,
      (tab) => {
        const id = `brought-${++n}`;
        refusable(
          tab.keeper.put(card(id, `${id} 0`)).then(() => {
            if (tab.dead) return;
            seen.cards.add(id);
            seen.tries(id, `${id} 0`)();
          }),
          tab,
        );
      },
    ],
    [
      3,
      (tab) => {
        const id = `person-${++n}`;
        const now = tab.studio ?? NEW_STUDIO;
        const more = { ...now, people: [...now.people, { id, name: id, days: [] }] };
        refusable(
          tab.studios.change(studioCommandsBetween(now, more)).then(() => {
            if (!tab.dead) seen.people.add(id);
          }),
          tab,
        );
      },
    ],
    [
      2,
      (tab) => {
        tab.kill(browser);
        tabs[tabs.indexOf(tab)] = new Tab(name, browser);
      },
    ],
  ];
  const weights = doings.flatMap(([weight, doing]) => Array.from({ length: weight }, () => doing));
  for (let step = 0; step < STEPS; step++) {
    one(weights)(one(tabs));
    // Sometimes everything rests, mostly the next thing comes while the last is under way.
    if (dice() < 0.25) await rests(under);
    else for (let turns = Math.floor(6 * dice()); turns > 0; turns--) await turn();
  }
  await rests(under);
  await agrees(tabs, browser, seen);
  for (const tab of tabs) tab.kill(browser);
  await new Database(name).delete();
}

/** Waits until nothing is under way any more. */
async function rests(under: Promise<unknown>[]): Promise<void> {
  await Promise.all(under);
  // What follows from it (a reader that takes over, the studio of the others) comes without anybody waiting for it.
  for (let round = 0; round < 4; round++) {
    for (let turns = 0; turns < 50; turns++) await turn();
    await vi.advanceTimersByTimeAsync(4000);
  }
}

/** Address, card, lock and studio agree in every tab, and nothing acknowledged is lost. */
async function agrees(tabs: readonly Tab[], browser: LocksOfBrowser, seen: Acknowledged): Promise<void> {
  const [{ archive, studios }] = tabs;
  const studio = (await studios.read())!;
  const writers = new Set<string>();
  for (const tab of tabs) {
    const open = tab.table.open$.value;
    expect(open?.plan.id ?? null).toBe(tab.address);
    expect(tab.table.unkept$.value).toEqual([]);
    expect(tab.studio).toEqual(studio);
    const has = [...browser.held].flatMap(([name, owner]) => (owner === tab ? [name] : []));
    expect(has).toEqual(open?.mayWrite ? [cardLock(open.plan.id)] : []);
    if (!open) continue;
    expect((await archive.read(open.plan.id))!.plan).toEqual(open.plan);
    if (open.mayWrite) expect(writers.has(open.plan.id)).toBe(false);
    if (open.mayWrite) writers.add(open.plan.id);
    else expect(browser.held.get(cardLock(open.plan.id))).not.toBe(undefined);
  }
  const binned = new Set((await tabs[0].db.plans.where('binnedAt').above(0).toArray()).map(({ id }) => id));
  const listed = await archive.ids();
  for (const id of seen.cards) {
    expect(listed.includes(id)).toBe(!binned.has(id));
    await new Safekeeping(tabs[0].db, archive).takeOutOfBin(id);
    const { title } = (await archive.read(id))!.plan;
    expect(seen.mayBe(id)).toContain(title);
  }
  for (const id of seen.people) expect(studio.people.map((person) => person.id)).toContain(id);
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
});
afterEach(() => {
  vi.useRealTimers();
});

it(`${SCHEDULES} courses of opening, closing, changing, throwing away, putting back, bringing, studio and killed tabs: all agree`, async () => {
  for (let seed = 1; seed <= SCHEDULES; seed++) await runs(seed);
}, 1_200_000);
