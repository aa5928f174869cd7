import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  model,
  signal,
} from '@angular/core';
import { formatClock } from '@kettle/core/units';
import type { LookAhead } from '../../workers/table-api';
import { driftDrawing } from './drift.view';

/** Seconds an arrow key moves the cursor, and with Shift. */
const KEY_STEP_S = 30;
const KEY_LEAP_S = 300;

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
  readonly drawing = computed(() => driftDrawing(this.ahead(), this.width()));
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

  press(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.dragging = true;
    this.follow(event);
  }

  follow(event: PointerEvent): void {
    if (!this.dragging) return;
    const left = (event.currentTarget as Element).getBoundingClientRect().left;
    this.moveTo((event.clientX - left - this.drawing().left) / this.drawing().pxPerS);
  }

  letGo(): void {
    this.dragging = false;
  }

  key(event: KeyboardEvent): void {
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
