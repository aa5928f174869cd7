import type { Plan } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import type { CardArchive } from './card-archive';
import { cardLock, takeAll, type Locks } from './locks';
import type { Snapshot } from './rows';
import type { Safekeeping } from './safekeeping';
import { faultOf, type StorageWatch } from './storage-watch';

/** What keeping cards stands on. */
export interface KeeperParts {
  readonly archive: CardArchive;
  readonly safekeeping: Safekeeping;
  readonly locks: Locks;
  readonly watch: StorageWatch;
  /** Takes a card in that could not be kept, to be worked on in this tab. */
  readonly park: (plan: Plan) => Promise<void>;
}

/** What is done to whole cards: each all or nothing, and only to cards no other tab has. */
export class CardKeeper {
  constructor(private readonly parts: KeeperParts) {}

  /** Keeps a new card with its files; where that cannot be done it stays in this tab. Throws `BadInput` where its id is taken. */
  async put(plan: Plan, attachments: Readonly<Record<string, Uint8Array>> = {}): Promise<void> {
    const { archive, watch, park } = this.parts;
    try {
      await watch.write(() => archive.create(plan, attachments));
    } catch (cause) {
      if (faultOf(cause) === null) throw cause;
      await park(plan);
    }
  }

  /** Puts a card into the bin. Throws `BadInput` where another tab has it. */
  bin(id: string): Promise<void> {
    return this.withLocks([id], () => this.parts.safekeeping.bin(id));
  }

  /** Puts cards back as they are given, all or none. Throws `BadInput` where another tab has one of them. */
  putBack(plans: readonly Plan[], why: Snapshot['why']): Promise<void> {
    return this.withLocks(
      plans.map(({ id }) => id),
      () => this.parts.safekeeping.putBack(plans, why),
    );
  }

  private async withLocks(ids: readonly string[], step: () => Promise<void>): Promise<void> {
    const lock = await takeAll(this.parts.locks, ids.map(cardLock));
    if ('takenBy' in lock) {
      const id = ids.find((one) => cardLock(one) === lock.takenBy);
      throw new BadInput(`the card “${id}”`, 'is open in another tab; close it there first');
    }
    try {
      await this.parts.watch.write(step);
    } finally {
      lock.release();
    }
  }
}
