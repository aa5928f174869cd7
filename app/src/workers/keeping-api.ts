import type { OpenedFile } from '@kettle/core/files/formats';
import type { Evening, PlanBack } from '@kettle/core/commission/occasion';
import type { Plan } from '@kettle/core/document/plan';
import type { LookFrame, Timeline } from '@kettle/core/order/schedule';
import type { UnreadablePlan } from '../data/card-archive';
import type { Restored } from '../data/backup';

/** Some of the cards, as they come out of the database. */
export interface CardsRead {
  readonly plans: readonly Plan[];
  readonly unreadable: readonly UnreadablePlan[];
}

/** The last evening to start a card. */
export interface CardEvening {
  readonly id: string;
  /** `null` for one without a day it is wanted by. */
  readonly back: PlanBack | null;
}

/** How a card looks in the end. */
export interface CardLook {
  readonly id: string;
  readonly looks: ReadonlyMap<string, readonly LookFrame[]>;
  readonly timeline: Pick<Timeline, 'masks'>;
}

/** A card the worker has read itself goes by its id; one that is in the page alone is sent along. */
export type CardOrId = Plan | string;

/** Tells one thing after another; the worker waits until it has been heard, so that nothing comes behind the end. */
export type Emit<T> = (value: T) => void | Promise<void>;

/** What the worker does that has the database to itself: reading and reckoning many cards, packing and unpacking all there is. */
export interface KeepingApi {
  /** Reads all cards, a few at a time; those in the bin are left there. `false` when cancelled. */
  readCards(job: number, onCards: Emit<CardsRead>): Promise<boolean>;
  evenings(
    job: number,
    cards: readonly CardOrId[],
    evenings: readonly Evening[],
    today: string,
    onEvening: Emit<readonly CardEvening[]>,
  ): Promise<boolean>;
  looks(job: number, cards: readonly CardOrId[], onLook: Emit<CardLook>): Promise<boolean>;
  /** Unpacks a `.kettle` file. Throws `BadInput` as `readKettleFile`. */
  unpack(file: Uint8Array): Promise<OpenedFile>;
  backUp(madeAt: string): Promise<Uint8Array>;
  /** Throws where the file is no backup. */
  restore(file: Uint8Array): Promise<Restored>;
  cancel(job: number): void;
}
