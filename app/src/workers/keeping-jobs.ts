import { transfer } from 'comlink';
import type { Plan } from '@kettle/core/plan';
import { areaLooks, inTime, layOut } from '@kettle/core/schedule';
import { backUp, restore, type BackupParts } from '../data/backup';
import { newCardId } from '../data/card-id';
import { CardArchive, type UnreadablePlan } from '../data/card-archive';
import type { Database } from '../data/database';
import type { Locks } from '../data/locks';
import { Safekeeping } from '../data/safekeeping';
import { StudioArchive } from '../data/studio-archive';
import type { CardEvening, KeepingApi } from './keeping-api';
import { breathe } from './watching';

/** So many cards are sent in one go. */
const CARDS_AT_ONCE = 8;

/** What the worker does when asked. */
export function keepingJobs(db: Database, locks: Locks): KeepingApi {
  const archive = new CardArchive(db);
  const parts: BackupParts = {
    ...{ db, archive, locks },
    studio: new StudioArchive(db),
    keeping: new Safekeeping(db, archive),
    newId: newCardId,
  };
  const cancelled = new Set<number>();
  /** Goes through a list, letting a cancel in after each step. */
  const each = async <T>(
    job: number,
    list: readonly T[],
    step: (item: T) => void | Promise<void>,
  ): Promise<boolean> => {
    for (const item of list) {
      await step(item);
      await breathe();
      if (cancelled.delete(job)) return false;
    }
    return true;
  };

  return {
    async readCards(job, onCards) {
      const ids = await archive.ids();
      return each(job, inPortions(ids, CARDS_AT_ONCE), async (portion) => {
        const plans: Plan[] = [];
        const unreadable: UnreadablePlan[] = [];
        for (const id of portion) {
          const read = await archive.readOrFault(id);
          if (read && 'plan' in read) plans.push(read.plan);
          else if (read) unreadable.push(read);
        }
        onCards({ plans, unreadable });
      });
    },

    evenings: (job, plans, evenings, today, onEvening) =>
      each(job, inPortions(plans, CARDS_AT_ONCE), (portion) => {
        onEvening(
          portion.map((plan): CardEvening => ({
            id: plan.id,
            back: plan.brief.needBy === null ? null : inTime(plan, layOut(plan), evenings, today).back,
          })),
        );
      }),

    looks: (job, plans, onLook) =>
      each(job, plans, (plan) => {
        const timeline = layOut(plan);
        onLook({ id: plan.id, looks: areaLooks(plan, timeline), timeline: { masks: timeline.masks } });
      }),

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
