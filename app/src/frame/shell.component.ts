import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, Injector, signal } from '@angular/core';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { areaOf } from '@kettle/core/document/plan';
import { formatClock } from '@kettle/core/kit/units';
import { FirstStart } from '../state/first-start';
import { Messages, type MessageAction } from '../state/messages.service';
import { PlanStore } from '../state/plan-store';
import { SittingService } from '../state/sitting.service';
import { StudioStore } from '../state/studio-store';
import { FrameKeys } from './frame-keys.service';
import { KeySheet } from './key-sheet.component';
import { HouseMenu } from './house-menu.component';
import { Stream } from './stream.component';
import { shortDay } from '../ui/short-day';

/** The page stands after so long, whether the storage has answered or not, ms. */
const STANDS_WITHIN_MS = 1000;

/** The frame round every screen: the band with house, card, stream, air and clock, and the message line. */
@Component({
  selector: 'kd-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, RouterLink, Stream, HouseMenu, KeySheet],
  template: `
    <header>
      <a class="house" routerLink="/rack" title="To the rack">Kettle Drift</a>
      @if (plan(); as plan) {
        <div class="card">
          <strong>{{ plan.title }}</strong>
          <span
            >{{ occasion() }}
            @switch (kept()) {
              @case ('kept') {
                · kept
              }
              @case ('not-kept') {
                <em>· in this tab only</em>
              }
            }
          </span>
        </div>
        <kd-stream />
      } @else {
        <div class="card">
          <strong>{{ studio().name }}</strong>
          <span>{{ studio().painter }}</span>
        </div>
        <span class="gap"></span>
      }
      <div class="air">
        <strong>{{ air() }}</strong>
        <span>{{ nextDry() }}</span>
      </div>
      @defer (on idle) {
        <kd-house-menu />
      } @placeholder {
        <span class="menu-place"></span>
      }
    </header>
    @if (message(); as message) {
      <div
        class="message"
        [class.grave]="message.severity === 'stop'"
        [attr.role]="message.severity === 'stop' ? 'alert' : 'status'"
      >
        <span
          ><strong>{{ message.what }}</strong> {{ message.advice }}</span
        >
        <span class="answers">
          @for (action of message.actions; track action.label) {
            <button type="button" (click)="act(action)">{{ action.label }}</button>
          }
          <button class="plain" type="button" (click)="messages.clear()">Read it</button>
        </span>
      </div>
    }
    <main>
      @if (ready() && !laidAnew()) {
        <router-outlet />
      } @else {
        <p class="opening">Laying the table…</p>
      }
    </main>
    <kd-key-sheet />
  `,
  styleUrl: './shell.component.scss',
  host: {
    '(window:keydown)': 'keys.down($event)',
    '(window:keyup)': 'keys.up($event)',
    '(window:blur)': 'keys.release()',
  },
})
export class Shell {
  private readonly store = inject(PlanStore);
  private readonly studioStore = inject(StudioStore);
  private readonly sitting = inject(SittingService);
  private readonly firstStart = inject(FirstStart);
  private readonly injector = inject(Injector);
  private readonly router = inject(Router);
  private readonly location = inject(Location);
  readonly messages = inject(Messages);
  readonly keys = inject(FrameKeys);

  readonly plan = this.store.plan;
  readonly studio = this.studioStore.studio;
  readonly message = this.messages.current;
  readonly ready = signal(false);
  /** The screen is being laid anew, since it showed a change that was refused. */
  readonly laidAnew = signal(false);
  /** How far the card on the table is on the disk; what was changed of the studio there counts as well. */
  readonly kept = computed(() => {
    const kept = this.store.open()?.kept;
    return kept === 'kept' && !this.studioStore.allKept() ? 'keeping' : kept;
  });

  readonly occasion = computed(() => {
    const brief = this.plan()?.brief;
    if (!brief) return '';
    return [brief.occasion, brief.needBy ? `by ${shortDay(brief.needBy)}` : ''].filter(Boolean).join(' · ');
  });

  readonly air = computed(() => {
    const { tempC, rh, airMs } = this.plan()?.climate ?? this.studio().climate;
    return `${tempC} °C · ${Math.round(rh * 100)} % · ${airMs === 0 ? 'still air' : `${airMs} m/s`}`;
  });

  readonly nextDry = computed(() => {
    const [wet, plan] = [this.sitting.nextDry(), this.plan()];
    if (!wet || !plan) return this.sitting.now() ? 'nothing wet' : '';
    return `next dry: ${areaOf(plan, wet.area).name}, ${formatClock(wet.leftS!)}`;
  });

  constructor() {
    void this.speakUp();
    this.store.refused$.subscribe(() => {
      if (this.store.open()?.mayWrite === false) this.layAnew();
    });
    void this.start();
  }

  act(action: MessageAction): void {
    this.messages.clear();
    void action.run();
  }

  /** What is wrong with the storage is said by itself. */
  private async speakUp(): Promise<void> {
    const { StorageEvents } = await import('../state/storage-events.service');
    this.injector.get(StorageEvents);
  }

  /** A reader’s screen goes back to what is so. */
  private layAnew(): void {
    this.laidAnew.set(true);
    setTimeout(() => this.laidAnew.set(false));
  }

  private async start(): Promise<void> {
    // Storage that does not answer must not keep the page from standing.
    setTimeout(() => this.ready.set(true), STANDS_WITHIN_MS);
    await this.studioStore.load();
    const demo = await this.firstStart.demo();
    this.ready.set(true);
    if (demo && ['', '/', '/rack'].includes(this.location.path()))
      await this.router.navigate(['/card', demo, 'passes']);
    void navigator.storage.persist();
    // Nothing can have been written, and no part been lost, before the first screen stood.
    const [{ Drafts }, { Renewal }] = await Promise.all([
      import('../state/drafts.service'),
      import('../state/renewal.service'),
    ]);
    this.injector.get(Drafts).watch();
    void this.injector.get(Renewal).watch();
  }
}
