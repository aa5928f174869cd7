import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { OpenedSheet, PaintingApi, ReadySheet, TableNews } from './painting-api';
import type { OnProgress } from './watching';

/** The worker under the hand, started on first use. */
@Injectable({ providedIn: 'root' })
export class PaintingWorker {
  private remote: Remote<PaintingApi> | null = null;

  open(sheet: OpenedSheet, tell: (news: TableNews) => void, onProgress: OnProgress): Promise<ReadySheet> {
    return this.api.open(sheet, proxy(tell), proxy(onProgress));
  }

  get api(): Remote<PaintingApi> {
    this.remote ??= wrap<PaintingApi>(
      new Worker(new URL('./painting.worker', import.meta.url), { type: 'module', name: 'painting' }),
    );
    return this.remote;
  }
}
