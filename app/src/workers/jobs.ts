import type { Work } from '@kettle/core/kit/units';
import { yieldToHost, letGo } from './job-runner';

/** What is done first where several questions wait for one worker: what is under the hand, the card’s own times, then pictures. */
export const RANKS = ['hand', 'ahead', 'picture'] as const;
export type Rank = (typeof RANKS)[number];

/**
 * What a worker does when asked: work that is gone through step by step, so that it can be watched and stopped. What has to be
 * loaded for it first may be waited for. `tell` gives word of what is found on the way.
 */
export type Job<Asked, Answer, News = never> = (
  asked: Asked,
  tell: (news: News) => void,
) => Work<Answer> | Promise<Work<Answer>>;

/** The jobs of a worker by name; `never` since each asks and tells something of its own. */
export type Jobs = Readonly<
  Record<string, (asked: never, tell: never) => Work<unknown> | Promise<Work<unknown>>>
>;

export interface JobOrder {
  readonly job: number;
  readonly name: string;
  readonly asked: unknown;
  readonly rank: Rank;
}

/** Word on the way to an answer: the share done, 0…1, or something found. */
export type Word<News> =
  | { readonly share: number }
  | ([News] extends [never] ? never : { readonly news: News });

/** Whoever hears of a job: a function of the page, let go once nothing more is said. */
type Hears = (word: Word<unknown>) => void;
/** `null` where it was cancelled. */
type Ended = { readonly answer: unknown } | null;

/** What is called from outside the worker. */
export interface JobApi {
  /** Does a job; `null` when it was cancelled. Rejects with what the work throws. */
  run(order: JobOrder, hears: Hears): Promise<Ended>;
  cancel(job: number): void;
}

/** Work goes on for so long before messages are let in, a cancel among them, ms. */
const SLICE_MS = 8;

interface Open extends JobOrder {
  readonly work: Work<unknown>;
  readonly hears: Hears;
  readonly end: (ended: Ended) => void;
  readonly fail: (cause: unknown) => void;
  share: number;
}

/** Does the jobs of a worker: the first by rank and by when it came, a slice at a time. In one piece: what runs, waits and is stopped is one state. */
export function jobHost(jobs: Jobs): JobApi {
  const open: Open[] = [];
  const coming = new Set<number>();
  let isAtWork = false;

  async function goOn(): Promise<void> {
    if (isAtWork) return;
    isAtWork = true;
    while (open.length > 0) {
      slice(open[0]);
      await yieldToHost();
    }
    isAtWork = false;
  }

  function slice(first: Open): void {
    const untilMs = performance.now() + SLICE_MS;
    try {
      do {
        const step = first.work.next();
        if (step.done) {
          leave(first);
          first.end({ answer: step.value });
          return;
        }
        first.share = step.value;
      } while (performance.now() < untilMs);
      first.hears({ share: first.share });
    } catch (cause) {
      leave(first);
      first.fail(cause);
    }
  }

  const leave = (one: Open): void => {
    open.splice(open.indexOf(one), 1);
  };

  const behind = (rank: Rank): number => {
    const at = open.findIndex((other) => RANKS.indexOf(other.rank) > RANKS.indexOf(rank));
    return at < 0 ? open.length : at;
  };

  /** Makes a job ready and does it in its turn. */
  async function inTurn(order: JobOrder, hears: Hears): Promise<Ended> {
    coming.add(order.job);
    const job = jobs[order.name] as Job<unknown, unknown, unknown>;
    let work: Work<unknown>;
    try {
      work = await job(order.asked, (news) => hears({ news }));
    } catch (cause) {
      coming.delete(order.job);
      throw cause;
    }
    if (!coming.delete(order.job)) return null;
    return new Promise((end, fail) => {
      open.splice(behind(order.rank), 0, { ...order, work, hears, end, fail, share: 0 });
      void goOn();
    });
  }

  return {
    async run(order, hears) {
      try {
        return await inTurn(order, hears);
      } finally {
        letGo(hears);
      }
    },
    cancel(job) {
      coming.delete(job);
      const found = open.find((one) => one.job === job);
      if (!found) return;
      leave(found);
      found.work.return(undefined);
      found.end(null);
    },
  };
}

/** A job that is over in one step. */
export function* atOnce<Answer>(find: () => Answer): Work<Answer> {
  yield 0;
  return find();
}
