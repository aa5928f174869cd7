import { inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { filter, timer } from 'rxjs';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';

/** How often it is asked for a newer version, ms. */
const ASKS_EVERY_MS = 60 * 60 * 1000;
/** A newer version is waited for so long when a part of this one is lost, ms. */
const RENEWS_WITHIN_MS = 8000;
/** A page that has just been loaded again for a lost part is not loaded again for it, ms. */
const NOT_AGAIN_MS = 30_000;
/** Files that are kept for use without a network are looked through so often until all are there, ms. */
const LOOKS_EVERY_MS = 1500;
const LOST_AT = 'kettle-lost-part';

/** Newer versions of the program, and its readiness for use without a network. */
@Injectable({ providedIn: 'root' })
export class Renewal {
  private readonly updates = inject(SwUpdate);
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  private readonly store = inject(PlanStore);

  /** All of the program is in this browser. */
  readonly readyOffline = signal(false);
  private waits = false;

  /** From now on newer versions are told of and taken between cards. */
  watch(): void {
    if (!this.updates.isEnabled) return;
    this.updates.versionUpdates.subscribe((event) => {
      if (event.type !== 'VERSION_READY') return;
      this.waits = true;
      this.messages.say(
        'A newer version of Kettle Drift is ready.',
        'It is taken when you next go to the rack; your cards stay as they are.',
        { label: 'Take it now', run: () => this.take(location.href) },
      );
    });
    this.updates.unrecoverable.subscribe(() => void this.lostChunk());
    this.router.events
      .pipe(filter((event): event is NavigationEnd => event instanceof NavigationEnd))
      .subscribe(({ urlAfterRedirects }) => {
        if (this.waits && urlAfterRedirects.startsWith('/rack') && navigator.onLine) void this.take('/rack');
      });
    timer(ASKS_EVERY_MS, ASKS_EVERY_MS).subscribe(
      () => void this.updates.checkForUpdate().catch(() => false),
    );
    void this.keepFirstFiles();
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
    if (this.updates.isEnabled)
      await Promise.race([
        // Without a network there is none to be found, and the page is loaded again as it is.
        this.updates.checkForUpdate().catch(() => false),
        new Promise((resolve) => setTimeout(resolve, RENEWS_WITHIN_MS)),
      ]);
    await this.take(url);
  }

  private async take(url: string): Promise<void> {
    await this.store.close();
    location.assign(url);
  }

  /** What this page was made of is kept at once, so that it can be loaded again; the rest follows by itself. */
  private async keepFirstFiles(): Promise<void> {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }),
      );
    const loaded = performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => name.startsWith(location.origin) && !name.includes('ngsw'));
    // A file that does not come now is fetched with the rest.
    await Promise.allSettled(['/index.html', ...new Set(loaded)].map((name) => fetch(name)));
    const looks = timer(0, LOOKS_EVERY_MS).subscribe(() => {
      void allKept().then((all) => {
        if (!all || looks.closed) return;
        looks.unsubscribe();
        this.readyOffline.set(true);
      });
    });
  }
}

interface Manifest {
  readonly assetGroups: readonly { readonly urls: readonly string[] }[];
}

/** Whether every file of the program is in the browser's cache. */
async function allKept(): Promise<boolean> {
  const manifest = await caches
    .match('/ngsw.json')
    .then((kept) => kept ?? fetch('/ngsw.json').catch(() => null));
  if (!manifest?.ok) return false;
  const { assetGroups } = (await manifest.json()) as Manifest;
  const kept = await Promise.all(assetGroups.flatMap(({ urls }) => urls).map((url) => caches.match(url)));
  return kept.every((file) => file !== undefined);
}
