import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { strengthPulledTo, type DrawnMix } from './dish.view';
import { ColoursState } from './colours-state.service';

/** A pull shorter than this is a press, in units of the drawing. */
const PRESS = 2;

/** The dish from above: pigments on its rim, mixes between them, clear water in the middle. A mix is pulled in to thin it. */
@Component({
  selector: 'kd-dish',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './dish.component.html',
  styleUrl: './dish.component.scss',
})
export class Dish {
  readonly desk = inject(ColoursState);
  private readonly sheet = viewChild.required<ElementRef<SVGSVGElement>>('sheet');
  /** The mix under the hand, and where it is pulled to. */
  readonly pulled = signal<{ readonly id: string; readonly x: number; readonly y: number } | null>(null);
  private from: readonly [number, number] = [0, 0];
  readonly mixes = computed(() =>
    (this.desk.drawing()?.mixes ?? []).map((mix) => {
      const pulled = this.pulled();
      return pulled?.id === mix.id ? { ...mix, x: pulled.x, y: pulled.y } : mix;
    }),
  );
  readonly strength = computed(() => {
    const pulled = this.pulled();
    return pulled ? `${Math.round(100 * strengthPulledTo(pulled.x, pulled.y))} %` : '';
  });

  take(event: PointerEvent, { id, x, y }: DrawnMix): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.from = [x, y];
    this.desk.choose(id);
  }

  pull(event: PointerEvent, { id }: DrawnMix): void {
    if (!(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return;
    const [x, y] = this.under(event);
    const [fx, fy] = this.from;
    if (this.pulled() === null && Math.hypot(x - fx, y - fy) < PRESS) return;
    // Only water is changed by a pull: it goes along the way from the middle.
    const length = Math.hypot(fx, fy) || 1;
    const out = Math.max(0, (x * fx + y * fy) / length);
    this.pulled.set({ id, x: (out * fx) / length, y: (out * fy) / length });
  }

  letGo(): void {
    const pulled = this.pulled();
    this.pulled.set(null);
    if (pulled) this.desk.change({ strength: strengthPulledTo(pulled.x, pulled.y) });
  }

  private under({ clientX, clientY }: PointerEvent): readonly [number, number] {
    const matrix = this.sheet().nativeElement.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    return [x, y];
  }
}
