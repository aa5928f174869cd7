import { Injectable, inject, Injector } from '@angular/core';
import { faultOf } from '../data/storage-watch';
import { Storage } from './storage.service';

/** The very first start in this browser, which puts the demo up. */
@Injectable({ providedIn: 'root' })
export class FirstStart {
  private readonly injector = inject(Injector);
  private readonly storage = inject(Storage);
  private starting: Promise<string | null> | null = null;

  /** The demo's first card; `null` on later starts. */
  demo(): Promise<string | null> {
    return (this.starting ??= this.start());
  }

  private async start(): Promise<string | null> {
    if (await this.hasStarted()) return null;
    const { CardShelf } = await import('./card-shelf');
    return this.injector.get(CardShelf).putUpDemo();
  }

  /** Where that cannot be told, the demo is put up in this tab. */
  private async hasStarted(): Promise<boolean> {
    const { watch, db } = this.storage;
    try {
      return (await watch.read(() => db.notes.get('started'))) !== undefined;
    } catch (cause) {
      if (faultOf(cause) === null) throw cause;
      return false;
    }
  }
}
