import { proxy } from 'comlink';
import { filter, map, Observable } from 'rxjs';
import type { Work } from '@kettle/core/kit/units';
import type { JobApi, Jobs, Rank, Word } from './jobs';
import type { WatchedWorker } from './watched-worker';

export type AskedOf<Job extends Jobs[string]> = Parameters<Job>[0];
export type AnswerOf<Job extends Jobs[string]> =
  Awaited<ReturnType<Job>> extends Work<infer Answer> ? Answer : never;
export type EventOf<Job extends Jobs[string]> = Parameters<Job>[1] extends (news: infer News) => void
  ? News
  : never;

/** What comes of a job: words on the way, and at the end its answer. */
export type Told<Job extends Jobs[string]> = Word<EventOf<Job>> | { readonly answer: AnswerOf<Job> };

/** Puts questions to a watched worker. Whoever no longer listens stops the work. */
export class JobClient<All extends Jobs> {
  private count = 0;

  constructor(private readonly worker: WatchedWorker<JobApi>) {}

  /** Does a job for whoever listens. Fails with what its work throws, or with `WorkerFault`. */
  job<Name extends keyof All & string>(
    name: Name,
    asked: AskedOf<All[Name]>,
    rank: Rank = 'hand',
  ): Observable<Told<All[Name]>> {
    return new Observable((listener) => {
      const job = ++this.count;
      let isOver = false;
      this.worker
        .ask(async (api, sign) => {
          if (listener.closed) return null;
          return api.run(
            { job, name, asked, rank },
            proxy(sign((word) => listener.next(word as Word<EventOf<All[Name]>>))),
          );
        })
        .finally(() => (isOver = true))
        .then(
          (ended) => {
            if (ended) listener.next(ended as { readonly answer: AnswerOf<All[Name]> });
            listener.complete();
          },
          (cause: unknown) => listener.error(cause),
        );
      return () => {
        if (!isOver) this.worker.tell((api) => api.cancel(job));
      };
    });
  }

  /** The same for whoever wants nothing but the answer. */
  answer<Name extends keyof All & string>(
    name: Name,
    asked: AskedOf<All[Name]>,
    rank: Rank = 'hand',
  ): Observable<AnswerOf<All[Name]>> {
    return this.job(name, asked, rank).pipe(
      filter((told): told is { readonly answer: AnswerOf<All[Name]> } => 'answer' in told),
      map(({ answer }) => answer),
    );
  }
}
