import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { areaOf } from '@kettle/core/plan';
import { formatClock } from '@kettle/core/units';
import { Messages } from '../state/messages.service';
import { CardShelf } from '../state/card-shelf';
import { PlanStore } from '../state/plan-store';
import { SittingService } from '../state/sitting.service';
import { StudioStore } from '../state/studio-store';
import { FrameKeys } from './frame-keys.service';
import { KeySheet } from './key-sheet.component';
import { HouseMenu } from './house-menu.component';
import { Stream } from './stream.component';
import { shortDay } from '../ui/short-day';

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
          <span>{{ occasion() }}</span>
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
        <button class="plain" type="button" (click)="messages.clear()">Read it</button>
      </div>
    }
    <main>
      @if (ready()) {
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
  private readonly shelf = inject(CardShelf);
  private readonly router = inject(Router);
  private readonly location = inject(Location);
  readonly messages = inject(Messages);
  readonly keys = inject(FrameKeys);

  readonly plan = this.store.plan;
  readonly studio = this.studioStore.studio;
  readonly message = this.messages.current;
  readonly ready = signal(false);

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
    void this.start();
  }

  private async start(): Promise<void> {
    try {
      await this.studioStore.load();
      await this.shelf.refresh();
      const demo = await this.shelf.firstStart();
      if (demo && !this.location.path().startsWith('/card'))
        await this.router.navigate(['/card', demo, 'passes']);
      void navigator.storage.persist();
    } catch (cause) {
      this.messages.stop(
        `Something went wrong at the start: ${String(cause)}.`,
        'Cards in this browser are untouched; load the page again.',
      );
    } finally {
      this.ready.set(true);
    }
  }
}
