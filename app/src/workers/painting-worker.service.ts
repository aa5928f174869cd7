import { inject, Injectable } from '@angular/core';
import { proxy, type Remote } from 'comlink';
import { Subject } from 'rxjs';
import type { OpenedSheet, PaintingApi, ReadySheet, PaintingEvent } from './painting-api';
import type { OnProgress } from './job-runner';
import { Workers } from './workers.service';

/** The worker under the hand, started on first use. */
@Injectable({ providedIn: 'root' })
export class PaintingWorker {
  private readonly worker = inject(Workers).watched<PaintingApi>(
    'Painting on the sheet',
    () => new Worker(new URL('./painting.worker', import.meta.url), { type: 'module', name: 'painting' }),
    () => this.lost.next(),
  );
  private readonly lost = new Subject<void>();
  /** The worker was begun anew: the sheet that lay on its table has to be laid again. */
  readonly lost$ = this.lost.asObservable();

  open(sheet: OpenedSheet, tell: (news: PaintingEvent) => void, onProgress: OnProgress): Promise<ReadySheet> {
    return this.worker.ask((api, sign) => api.open(sheet, proxy(sign(tell)), proxy(sign(onProgress))));
  }

  /** Does something on the sheet that is open, once. */
  do<T>(what: (api: Remote<PaintingApi>) => Promise<T>): Promise<T> {
    return this.worker.ask(what, { again: false });
  }
}
