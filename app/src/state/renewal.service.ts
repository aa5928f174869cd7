import { inject, Injectable, isDevMode, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, firstValueFrom, merge, timer } from 'rxjs';
import { Workbox } from 'workbox-window';
import { LookAheadService } from './look-ahead.service';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';

/** How often it is asked for a newer version, ms. */
const ASKS_EVERY_MS = 60 * 60 * 1000;
/** A newer version is waited for so long when a part of this one is lost, ms. */
const RENEWS_WITHIN_MS = 8000;
/** A newer version that has been asked to take over does so within, ms. */
const TAKES_OVER_WITHIN_MS = 2000;
/** Where no card has been opened after so long, the first screen stands by then, ms; */
const NO_CARD_MS = 1200;
/** and a card that is still being worked out is not waited for longer than this, ms. */
const CARD_STANDS_WITHIN_MS = 8000;
/** A page that has just been loaded again for a lost part is not loaded again for it, ms. */
const NOT_AGAIN_MS = 30_000;
const LOST_AT = 'kettle-lost-part';

const rest = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Newer versions of the program, and its readiness for use without a network. */
@Injectable({ providedIn: 'root' })
export class Renewal {
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  private readonly store = inject(PlanStore);
  /** The first screen comes first: nothing is fetched beside it. */
  private readonly firstScreen = merge(
    toObservable(inject(LookAheadService).ahead).pipe(filter((ahead) => ahead !== null)),
    timer(NO_CARD_MS).pipe(filter(() => this.store.open() === null)),
    timer(CARD_STANDS_WITHIN_MS),
  );

  /** All of the program is in this browser. */
  readonly readyOffline = signal(false);
  private keeper: Workbox | null = null;
  private waits = false;

  /** From now on all of the program is kept in this browser; newer versions are told of and taken between cards. */
  async watch(): Promise<void> {
    if (isDevMode() || !('serviceWorker' in navigator)) return;
    const keeper = new Workbox('/service-worker.js');
    this.keeper = keeper;
    keeper.addEventListener('waiting', () => {
      this.waits = true;
      this.messages.say(
        'A newer version of Kettle Drift is ready.',
        'It is taken when you next go to the rack; your cards stay as they are.',
        { label: 'Take it now', run: () => this.take(location.href) },
      );
    });
    this.router.events
      .pipe(filter((event): event is NavigationEnd => event instanceof NavigationEnd))
      .subscribe(({ urlAfterRedirects }) => {
        if (this.waits && urlAfterRedirects.startsWith('/rack') && navigator.onLine) void this.take('/rack');
      });
    timer(ASKS_EVERY_MS, ASKS_EVERY_MS).subscribe(() => void this.lookForNewer());
    await firstValueFrom(this.firstScreen);
    // What cannot be kept now, for want of a network, is kept on the next visit.
    keeper.register({ immediate: true }).catch(() => undefined);
    const { active } = await navigator.serviceWorker.ready;
    this.readyOffline.set(await keepsAll(active!));
  }

  /** A part of the program could not be loaded: a newer version is looked for, and the page loaded again once. */
  async lostChunk(url = this.router.url): Promise<void> {
    const before = Number(sessionStorage.getItem(LOST_AT) ?? 0);
    if (Date.now() - before < NOT_AGAIN_MS || !navigator.onLine) {
      this.messages.trouble(
        'A part of the program could not be loaded.',
        navigator.onLine
          ? 'What is on the table is kept. Load the page again later.'
          : 'There is no network, and this part was not kept yet. What is on the table is kept.',
        { label: 'Load the page again', run: () => this.take(url) },
      );
      return;
    }
    sessionStorage.setItem(LOST_AT, String(Date.now()));
    await Promise.race([this.newerIsThere(), rest(RENEWS_WITHIN_MS)]);
    await this.take(url);
  }

  /** Goes to an address in the newest version there is; what is on the table is kept first. */
  private async take(url: string): Promise<void> {
    await this.store.close();
    if (this.keeper && this.waits) {
      const takenOver = new Promise((resolve) => {
        navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true });
      });
      this.keeper.messageSkipWaiting();
      await Promise.race([takenOver, rest(TAKES_OVER_WITHIN_MS)]);
    }
    location.assign(url);
  }

  private async newerIsThere(): Promise<void> {
    const { keeper } = this;
    if (!keeper) return;
    const newer = new Promise<void>((resolve) => {
      keeper.addEventListener('waiting', () => resolve());
    });
    if (await this.lookForNewer()) await newer;
  }

  /** Asks the server for a newer version: whether one is on its way. */
  private async lookForNewer(): Promise<boolean> {
    const registration = await navigator.serviceWorker.getRegistration();
    // Without a network there is none to be found.
    await registration?.update().catch(() => undefined);
    return registration?.installing != null;
  }
}

/** Has all files of the program kept, those of this page first; whether all are there now. */
function keepsAll(worker: ServiceWorker): Promise<boolean> {
  const loaded = performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname);
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }) => {
      port1.close();
      resolve(data === true);
    };
    worker.postMessage({ type: 'KEEP_ALL', loaded }, [port2]);
  });
}
