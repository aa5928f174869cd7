import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  model,
  output,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, map, of, switchMap, type Observable } from 'rxjs';
import { formatClock } from '@kettle/core/kit/units';
import type { Start } from '@kettle/core/document/plan';
import type { PossibleStart } from '@kettle/core/order/schedule';
import { Messages } from '../../state/messages.service';
import type { LookAhead } from '../../workers/table-api';
import { Planner } from '../../workers/planner.service';
import { driftDrawing } from './drift.view';
import { pegAt, withPegAt } from './peg.view';
import { startInWords } from './start.view';

/** Seconds an arrow key moves the cursor, and with Shift. */
const KEY_STEP_S = 30;
const KEY_LEAP_S = 300;

/** A pass that is to begin otherwise, and when that is. */
export interface PegMove {
  readonly pass: string;
  readonly start: Start;
  readonly atS: number;
}

/** Room a clock takes, px. */
const CLOCK_PX = 70;

/** The drift line: hands, areas and masks as strands through time, with a cursor to look at any moment. */
@Component({
  selector: 'kd-drift-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './drift-line.component.html',
  styleUrl: './drift-line.component.scss',
})
export class DriftLine {
  readonly ahead = input.required<LookAhead>();
  readonly atS = model.required<number>();
  readonly picked = model<string | null>(null);
  private readonly width = signal(900);
  readonly pegMoved = output<PegMove>();
  /** The peg in the hand, where it would go, and how long the line was when it was taken. */
  private readonly held = signal<
    (PegMove & { readonly stops: readonly PossibleStart[]; readonly endS: number }) | null
  >(null);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  /** What is ahead with the peg where it is held. */
  private readonly pegged = toSignal(
    toObservable(this.held).pipe(
      switchMap((held) => {
        const ahead = this.ahead();
        if (!held) return of(null);
        return this.worker.beginAt(ahead.plan, held.pass, held.start).pipe(
          map((timeline) => withPegAt(ahead, held, timeline)),
          catchError((cause: unknown) => this.fails(cause)),
        );
      }),
    ),
    { initialValue: null },
  );
  private readonly shown = computed(() => (this.held() ? (this.pegged() ?? this.ahead()) : this.ahead()));
  readonly drawing = computed(() => driftDrawing(this.shown(), this.width(), this.held()?.endS));
  /** Where the peg in the hand would stay for a reason. */
  readonly snaps = computed(() => {
    const [held, { left, pxPerS }] = [this.held(), this.drawing()];
    return held ? held.stops.map(({ atS }) => left + atS * pxPerS) : [];
  });
  readonly heldWords = computed(() => {
    const held = this.held();
    if (!held) return '';
    const words = startInWords(held.start);
    return typeof held.start === 'object' && 'atS' in held.start
      ? words
      : `${formatClock(held.atS)}, ${words}`;
  });
  /** Near the right end the clock stands before the cursor. */
  readonly clockBefore = computed(() => this.cursorX() > this.drawing().width - CLOCK_PX);
  readonly cursorX = computed(
    () => this.drawing().left + Math.min(this.atS(), this.drawing().endS) * this.drawing().pxPerS,
  );
  readonly clock = computed(() => formatClock(this.atS()));
  private dragging = false;

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) => this.width.set(Math.max(500, entry.contentRect.width)));
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  /** Takes a peg in the hand; it is moved by moving, and nothing is changed until it is let go. */
  takePeg(event: PointerEvent, pass: string): void {
    event.stopPropagation();
    const step = this.ahead().timeline.steps.find(({ act }) => act.id === pass);
    if (step?.act.kind !== 'pass') {
      this.picked.set(pass);
      return;
    }
    (event.currentTarget as SVGElement).ownerSVGElement!.setPointerCapture(event.pointerId);
    this.held.set({
      ...{ pass, start: step.act.start, atS: step.startS },
      ...{ stops: [], endS: this.drawing().endS },
    });
    this.worker
      .starts(this.ahead().plan, pass)
      .pipe(catchError((cause: unknown) => this.fails(cause)))
      .subscribe((stops) => this.held.update((held) => (held?.pass === pass ? { ...held, stops } : held)));
  }

  private fails(cause: unknown): Observable<never> {
    this.messages.stop(`Where the peg may go is not known: ${String(cause)}.`, 'The plan is as it was.');
    return EMPTY;
  }

  press(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.dragging = true;
    this.follow(event);
  }

  follow(event: PointerEvent): void {
    const held = this.held();
    if (!this.dragging && !held) return;
    const left = (event.currentTarget as Element).getBoundingClientRect().left;
    const { left: fromPx, pxPerS } = this.drawing();
    const atS = (event.clientX - left - fromPx) / pxPerS;
    if (held) {
      const now = pegAt(held.stops, atS, pxPerS);
      this.held.set({ ...held, ...now });
      this.moveTo(now.atS);
    } else this.moveTo(atS);
  }

  letGo(): void {
    const [held, step] = [
      this.held(),
      this.ahead().timeline.steps.find(({ act }) => act.id === this.held()?.pass),
    ];
    this.dragging = false;
    this.held.set(null);
    if (held) this.picked.set(held.pass);
    // Only pressed, it stays where it was.
    if (!held || step?.act.kind !== 'pass' || held.start === step.act.start) return;
    this.pegMoved.emit({ pass: held.pass, start: held.start, atS: held.atS });
  }

  key(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.held.set(null);
    const step = event.shiftKey ? KEY_LEAP_S : KEY_STEP_S;
    const to = {
      ArrowRight: this.atS() + step,
      ArrowLeft: this.atS() - step,
      Home: 0,
      End: this.drawing().endS,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    this.moveTo(to);
  }

  private moveTo(s: number): void {
    this.atS.set(Math.round(Math.min(this.drawing().endS, Math.max(0, s))));
  }
}
