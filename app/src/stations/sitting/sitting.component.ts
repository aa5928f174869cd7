import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
} from '@angular/core';
import { Button } from 'primeng/button';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import { FrameKeys, isTyping } from '../../frame/frame-keys.service';
import { PlanStore } from '../../state/plan-store';
import { SittingService } from '../../state/sitting.service';
import { Swatch } from '../../ui/swatch.component';
import { TideLine } from '../../ui/tide-line.component';
import { actInWords } from '../../ui/act-words';
import { Bell } from './bell';
import {
  actCard,
  layReady,
  maskCards,
  mixesToPrepare,
  waitInWords,
  waitName,
  wetCards,
} from './sitting.view';

/** At the table: one act at a time in huge type, what is wet and for how long, large targets. */
@Component({
  selector: 'kd-sitting',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Swatch, TideLine],
  templateUrl: './sitting.component.html',
  styleUrl: './sitting.component.scss',
  host: { '(window:keydown)': 'key($event)' },
})
export class SittingStation {
  private readonly store = inject(PlanStore);
  readonly sitting = inject(SittingService);
  private readonly bell = new Bell();
  readonly plan = this.store.plan;
  readonly now = this.sitting.now;
  readonly sound = signal(true);
  readonly clock = formatClock;
  readonly span = formatSpan;

  readonly mixes = computed(() => (this.plan() ? mixesToPrepare(this.plan()!) : []));
  readonly ready = computed(() => (this.plan() ? layReady(this.plan()!) : []));
  readonly card = computed(() => {
    const [plan, act] = [this.plan(), this.now()?.act];
    return plan && act ? actCard(plan, act) : null;
  });
  readonly wait = computed(() => (this.plan() && this.now() ? waitInWords(this.plan()!, this.now()!) : ''));
  readonly wet = computed(() => (this.plan() && this.now() ? wetCards(this.plan()!, this.now()!) : []));
  readonly waitName = computed(() =>
    this.plan() && this.now() ? (waitName(this.plan()!, this.now()!) ?? '') : '',
  );
  readonly looks = computed(() =>
    this.now()?.waitFor === 'mask'
      ? { not: 'is still tacky', yes: 'has set' }
      : { not: 'is still wet', yes: 'is dry now' },
  );
  readonly masks = computed(() => {
    const [plan, now] = [this.plan(), this.now()];
    return plan && now ? maskCards(plan, now) : [];
  });
  readonly meanwhile = computed(() =>
    (this.now()?.meanwhile ?? []).map((act) => actInWords(this.plan()!, act)),
  );
  private readonly waiting = computed(() => (this.now()?.waitS ?? 0) > 0);
  private wasWaiting = false;

  constructor() {
    const keys = inject(FrameKeys);
    keys.local.set([
      { key: 'space', does: 'done' },
      { key: 'W', does: 'still wet' },
      { key: 'D', does: 'dry now' },
      { key: 'S', does: 'sound on or off' },
    ]);
    effect(() => {
      const waiting = this.waiting();
      if (this.wasWaiting && !waiting && this.sound()) this.bell.ring();
      this.wasWaiting = waiting;
    });
    const awake = keepAwake();
    inject(DestroyRef).onDestroy(() => {
      keys.local.set([]);
      awake.abort();
    });
  }

  key(event: KeyboardEvent): void {
    const now = this.now();
    if (!now || isTyping(event.target) || event.ctrlKey || event.metaKey || event.repeat) return;
    if (event.key === ' ') {
      if (event.target instanceof HTMLElement && event.target.closest('button, a')) return;
      event.preventDefault();
      this.done();
    } else if (event.key === 'w') this.stillWet();
    else if (event.key === 'd') this.dryNow();
    else if (event.key === 's') this.sound.update((on) => !on);
  }

  done(): void {
    const now = this.now();
    if (now?.act && !this.waiting() && now.waitS !== null) this.sitting.note('done', { act: now.act.id });
  }

  /** Straight on, whatever the clock says; the painter has looked. */
  doneAnyway(): void {
    const act = this.now()?.act;
    if (act) this.sitting.note('done', { act: act.id });
  }

  stillWet(area = this.now()?.waitArea): void {
    if (area) this.sitting.note('still-wet', { area });
  }

  dryNow(area = this.now()?.waitArea): void {
    if (area) this.sitting.note('dry-now', { area });
  }
}

/** Keeps the screen awake while the station is shown, where the browser can. */
function keepAwake(): AbortController {
  const stop = new AbortController();
  if (!('wakeLock' in navigator)) return stop;
  navigator.wakeLock.request('screen').then(
    (lock) =>
      stop.signal.aborted
        ? void lock.release()
        : stop.signal.addEventListener('abort', () => void lock.release()),
    // A low battery or a hidden tab may refuse it; the sitting goes on, only the screen may dim.
    () => undefined,
  );
  return stop;
}
