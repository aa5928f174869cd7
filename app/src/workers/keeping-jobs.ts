import { transfer } from 'comlink';
import { readKettleFile } from '@kettle/core/files/formats';
import type { Plan } from '@kettle/core/document/plan';
import { areaLooks, backFrom, layOut, type Timeline } from '@kettle/core/order/schedule';
import { backUp, restore, type BackupParts } from '../data/backup';
import { newCardId } from '../data/card-id';
import { CardArchive, type UnreadablePlan } from '../data/card-archive';
import type { Database } from '../data/database';
import type { Locks } from '../data/locks';
import { Safekeeping } from '../data/safekeeping';
import { StudioArchive } from '../data/studio-archive';
import type { CardEvening, CardOrId, KeepingApi, Emit } from './keeping-api';
import { yieldToHost, letGo } from './job-runner';

/** So many cards are sent in one go. */
const CARDS_AT_ONCE = 8;

/** What the worker does when asked. In one piece: a table of what it answers. */
export function keepingJobs(db: Database, locks: Locks): KeepingApi {
  const archive = new CardArchive(db);
  const parts: BackupParts = {
    ...{ db, archive, locks },
    studio: new StudioArchive(db),
    keeping: new Safekeeping(db, archive),
    newId: newCardId,
  };
  const cancelled = new Set<number>();
  /** Cards as they were last read, so that they need not be sent back to be reckoned with. */
  let known: ReadonlyMap<string, Plan> = new Map();
  /** Looks and evenings are asked for one after the other, and both go by the same times. */
  const timelines = new WeakMap<Plan, Timeline>();
  const timelineOf = (plan: Plan): Timeline => {
    const found = timelines.get(plan) ?? layOut(plan);
    timelines.set(plan, found);
    return found;
  };
  const planOf = (card: CardOrId): Plan | undefined => (typeof card === 'string' ? known.get(card) : card);
  /** Goes through a list, letting a cancel in after each step, and lets go of whoever was told. */
  const each = async <T, Told>(
    job: number,
    list: readonly T[],
    tell: Emit<Told>,
    step: (item: T) => Told | undefined | Promise<Told | undefined>,
  ): Promise<boolean> => {
    // What is told is not waited for at each step, but the end does not come before all has been heard.
    const heard: Promise<void>[] = [];
    try {
      for (const item of list) {
        const told = await step(item);
        if (told !== undefined) heard.push(Promise.resolve(tell(told)));
        await yieldToHost();
        if (cancelled.delete(job)) return false;
      }
      await Promise.all(heard);
      return true;
    } finally {
      letGo(tell);
    }
  };

  return {
    async readCards(job, onCards) {
      const ids = await archive.ids();
      const all = new Map<string, Plan>();
      known = all;
      return each(job, inPortions(ids, CARDS_AT_ONCE), onCards, async (portion) => {
        const plans: Plan[] = [];
        const unreadable: UnreadablePlan[] = [];
        for (const id of portion) {
          const read = await archive.readOrFault(id);
          if (read && 'plan' in read) {
            plans.push(read.plan);
            all.set(id, read.plan);
          } else if (read) unreadable.push(read);
        }
        return { plans, unreadable };
      });
    },

    evenings: (job, cards, evenings, today, onEvening) =>
      each(job, inPortions(cards, CARDS_AT_ONCE), onEvening, (portion) =>
        portion
          .flatMap((card) => planOf(card) ?? [])
          .map((plan): CardEvening => ({
            id: plan.id,
            back: plan.brief.needBy === null ? null : backFrom(plan, timelineOf(plan), evenings, today),
          })),
      ),

    looks: (job, cards, onLook) =>
      each(job, cards, onLook, (card) => {
        const plan = planOf(card);
        if (!plan) return undefined;
        const timeline = timelineOf(plan);
        return { id: plan.id, looks: areaLooks(plan, timeline), timeline: { masks: timeline.masks } };
      }),

    unpack(file) {
      const opened = readKettleFile(file);
      return Promise.resolve(
        transfer(
          opened,
          Object.values(opened.attachments).map(({ buffer }) => buffer),
        ),
      );
    },

    async backUp(madeAt) {
      const bytes = await backUp(parts, madeAt);
      return transfer(bytes, [bytes.buffer]);
    },

    restore: (file) => restore(parts, file),

    cancel: (job) => {
      cancelled.add(job);
    },
  };
}

const inPortions = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));
