import { inject, Injectable, signal } from '@angular/core';
import { Subject, type Subscription } from 'rxjs';
import * as z from 'zod';
import { CARD_LIMITS } from '@kettle/core/files/formats';
import { readPlan, readStudio } from '@kettle/core/document/versions';
import { madeAgain, newPlan, type Beginning, type Plan } from '@kettle/core/document/plan';
import { BadInput, readInput } from '@kettle/core/kit/units';
import type { UnreadablePlan } from '../data/card-archive';
import { newCardId } from '../data/card-id';
import { CardKeeper } from '../data/card-keeper';
import { Safekeeping } from '../data/safekeeping';
import { bytesOf } from '../data/read-file';
import { faultOf } from '../data/storage-watch';
import { KeepingWorker } from '../workers/keeping-worker.service';
import { PlanStore } from './plan-store';
import { Storage } from './storage.service';
import { StudioStore } from './studio-store';

const demoIndexSchema = z.strictObject({ studio: z.string(), cards: z.array(z.string()) });

/** All cards of this browser: begun, opened from files, saved to files, put away. */
@Injectable({ providedIn: 'root' })
export class CardShelf {
  private readonly storage = inject(Storage);
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly worker = inject(KeepingWorker);
  private reading: Subscription | null = null;
  readonly safekeeping = new Safekeeping(this.storage.db, this.storage.archive);
  readonly keeper = new CardKeeper({
    archive: this.storage.archive,
    safekeeping: this.safekeeping,
    locks: this.storage.locks,
    watch: this.storage.watch,
    park: (plan) => this.store.park(plan),
  });

  readonly cards = signal<readonly Plan[]>([]);
  readonly unreadable = signal<readonly UnreadablePlan[]>([]);
  /** All cards have been read since they were last asked for. */
  readonly complete = signal(false);

  /** Reads all cards anew, a few at a time; resolves when all are there, or another refresh has begun. */
  async refresh(): Promise<void> {
    this.reading?.unsubscribe();
    await this.store.settled();
    const { watch, archive } = this.storage;
    // What cannot be read at all is in this tab.
    const there = await watch.read(() => archive.ids()).catch((cause: unknown) => mustBeStorage(cause, []));
    const known = new Set(there);
    const unkept = this.store.unkept();
    this.cards.update((cards) =>
      withPlans(
        cards.filter(({ id }) => known.has(id)),
        unkept,
      ),
    );
    this.complete.set(false);
    const fresh: Plan[] = [];
    const unreadable: UnreadablePlan[] = [];
    const ended = new Subject<void>();
    const all = new Promise<void>((resolve, reject) => ended.subscribe({ complete: resolve, error: reject }));
    this.reading = this.worker.cards().subscribe({
      next: (read) => {
        fresh.push(...read.plans);
        unreadable.push(...read.unreadable);
        this.cards.update((cards) => withPlans(cards, [...read.plans, ...unkept]));
      },
      // Storage that cannot be read has been told of; anything else must be.
      error: (cause: unknown) => (faultOf(cause) === null ? ended.error(cause) : ended.complete()),
      complete: () => {
        this.cards.set(withPlans(fresh, unkept));
        this.unreadable.set(unreadable);
        this.complete.set(true);
        ended.complete();
      },
    });
    this.reading.add(() => ended.complete());
    return all;
  }

  /** Nobody looks at the cards any more. */
  leave(): void {
    this.reading?.unsubscribe();
  }

  /** Begins a card and returns its id. */
  async begin(beginning: Omit<Beginning, 'id'>): Promise<string> {
    return this.put(newPlan({ ...beginning, id: newCardId() }, this.studio.studio()));
  }

  /** Puts a card on the rack again, to be made for another day or person; returns the new one's id. */
  async makeAgain(plan: Plan): Promise<string> {
    const { watch, archive } = this.storage;
    const files = await watch.read(() => archive.attachmentsOf(plan));
    return this.put(madeAgain(plan, newCardId()), files);
  }

  /** Puts a card into the bin. Throws `BadInput` where another tab has it. */
  async remove(id: string): Promise<void> {
    if (this.store.plan()?.id === id) await this.store.close();
    this.mustBeKept([id]);
    await this.named(() => this.keeper.bin(id));
    this.cards.update((cards) => cards.filter((card) => card.id !== id));
    this.unreadable.update((cards) => cards.filter((card) => card.id !== id));
  }

  /**
   * Opens a `.kettle` file; a card that is here already is kept and the file comes beside it. Tells the card's id, the pictures
   * that were not in the file and what of it was left out. Throws `BadInput`.
   */
  async openFile(file: File): Promise<{
    readonly id: string;
    readonly missing: readonly string[];
    readonly leftOut: readonly string[];
  }> {
    const { plan, attachments, missing, leftOut } = await this.worker.unpack(
      await bytesOf(file, CARD_LIMITS.fileBytes),
    );
    const taken = await this.storage.db.plans
      .get(plan.id)
      .catch((cause: unknown) => mustBeStorage(cause, null));
    const isParked = this.store.unkept().some(({ id }) => id === plan.id);
    const id = await this.put(taken || isParked ? { ...plan, id: newCardId() } : plan, attachments);
    return { id, missing, leftOut };
  }

  /** The bytes of a card as a `.kettle` file; where its pictures cannot be read, without them. */
  async fileOf(plan: Plan): Promise<Uint8Array> {
    const { writeKettleFile } = await import('@kettle/core/files/formats');
    const { watch, archive } = this.storage;
    const attachments = await watch
      .read(() => archive.attachmentsOf(plan))
      .catch((cause: unknown) => mustBeStorage(cause, {}));
    return writeKettleFile({ plan, attachments });
  }

  /** Puts up the demo studio and its finished cards, where nobody has started yet. Returns the first card's id. */
  async putUpDemo(): Promise<string> {
    const { watch, db } = this.storage;
    const { studio, plans } = await demoCards();
    const kept = await watch
      .write(() => this.storage.studio.begin(studio))
      .catch((cause: unknown) => mustBeStorage(cause, studio));
    this.studio.studio.set(kept);
    for (const plan of plans) await this.put(plan).catch(ifTaken);
    await watch
      .write(() => db.notes.put({ key: 'started', value: true }))
      .catch((cause: unknown) => mustBeStorage(cause, 'started'));
    return plans[0].id;
  }

  /** Forgets what has lain in the bin for its time. */
  clearOut(): Promise<void> {
    return this.storage.watch.write(() => this.safekeeping.clearOut(Date.now()));
  }

  /** Demo cards as they were shipped. */
  demo = demoCards;

  /**
   * Puts demo cards back as they were shipped, all or none; as they are now they are kept as earlier states. Throws `BadInput`
   * where another tab has one of them.
   */
  async putDemoBack(plans: readonly Plan[]): Promise<void> {
    await this.store.close();
    this.mustBeKept(plans.map(({ id }) => id));
    await this.named(() => this.keeper.putBack(plans, 'put-back'));
    await this.refresh();
  }

  private async put(plan: Plan, attachments: Readonly<Record<string, Uint8Array>> = {}): Promise<string> {
    await this.keeper.put(plan, attachments);
    this.cards.update((cards) => withPlans(cards, [plan]));
    return plan.id;
  }

  /** What could not be kept is in this tab alone: nothing may take its place. */
  private mustBeKept(ids: readonly string[]): void {
    const unkept = this.store.unkept().find(({ id }) => ids.includes(id));
    if (unkept)
      throw new BadInput(
        `“${unkept.title}”`,
        'is in this tab only, since it could not be kept; save it as a file first',
      );
  }

  /** Says of a card by its title what was said by its id. */
  private async named<T>(step: () => Promise<T>): Promise<T> {
    try {
      return await step();
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      const known = this.cards().find(({ id }) => cause.field === `the card “${id}”`);
      throw known ? new BadInput(`“${known.title}”`, cause.reason) : cause;
    }
  }
}

/** The demo studio and its cards, as they are shipped. */
async function demoCards() {
  const index = readInput(demoIndexSchema, await (await fetchDemo('index.json')).json());
  const studio = readStudio(await (await fetchDemo(index.studio)).json());
  const plans = await Promise.all(
    index.cards.map(async (card) => readPlan(await (await fetchDemo(card)).json())),
  );
  return { studio, plans };
}

async function fetchDemo(name: string): Promise<Response> {
  const response = await fetch(`/demo/${name}`);
  if (!response.ok) throw new BadInput('demo', `${name} did not load (${response.status})`);
  return response;
}

/** Cards with some put in the place of those with their ids, or behind the others. */
function withPlans(cards: readonly Plan[], plans: readonly Plan[]): Plan[] {
  const fresh = new Map(plans.map((plan) => [plan.id, plan]));
  const known = new Set(cards.map(({ id }) => id));
  return [
    ...cards.map((card) => fresh.get(card.id) ?? card),
    ...[...fresh.values()].filter(({ id }) => !known.has(id)),
  ];
}

/** What the storage cannot do is told by its watch, and work goes on with what there is; anything else is no matter of storage. */
function mustBeStorage<T>(cause: unknown, instead: T): T {
  if (faultOf(cause) === null) throw cause;
  return instead;
}

/** Two tabs that start at the same time put the same cards up. */
function ifTaken(cause: unknown): void {
  if (!(cause instanceof BadInput)) throw cause;
}
