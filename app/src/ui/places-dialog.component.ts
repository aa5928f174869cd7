import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';

type Place = [number, number];

/** By how much a key moves a place, as a share of the picture. */
const STEP = 0.002;

/** No more free places are put. */
const MOST = 24;

const CORNERS = ['Upper left corner', 'Upper right corner', 'Lower right corner', 'Lower left corner'];

/** A picture on which places are put and moved by hand or keys: four corners of a thing, or as many spots as one likes. */
@Component({
  selector: 'kd-places-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog],
  templateUrl: './places-dialog.component.html',
  styles: `
    .picture {
      position: relative;
      display: inline-block;
      max-width: 100%;
      margin: 12px 0;
      touch-action: none;
    }
    img {
      display: block;
      max-width: 100%;
      max-height: 56vh;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    polygon {
      fill: #0f5e6326;
      stroke: var(--teal);
      stroke-width: 3;
      vector-effect: non-scaling-stroke;
      pointer-events: none;
    }
    .place {
      position: absolute;
      width: 26px;
      height: 26px;
      margin: -13px;
      padding: 0;
      border: 3px solid var(--teal);
      border-radius: 50%;
      background: #ffffff66;
      cursor: grab;
      touch-action: none;
    }
  `,
})
export class PlacesDialog {
  readonly says = input.required<string>();
  readonly how = input.required<string>();
  readonly done = input.required<string>();
  readonly href = input.required<string>();
  /** Where the places lie to begin with, shares of the picture. */
  readonly from = input.required<readonly (readonly [number, number])[]>();
  /** As many places as one likes instead of four corners. */
  readonly free = input(false, { transform: booleanAttribute });
  readonly placed = output<Place[]>();
  readonly closed = output();
  private readonly over = viewChild.required<ElementRef<SVGSVGElement>>('over');

  readonly places = linkedSignal((): Place[] => this.from().map(([x, y]) => [x, y]));
  readonly outline = computed(() =>
    this.places()
      .map(([x, y]) => `${1000 * x},${1000 * y}`)
      .join(' '),
  );
  private held: number | null = null;
  private size: readonly [number, number] = [1, 1];

  measure({ naturalWidth, naturalHeight }: HTMLImageElement): void {
    this.size = [naturalWidth, naturalHeight];
  }

  nameOf(i: number): string {
    return this.free() ? `Place ${i + 1}` : CORNERS[i];
  }

  add(event: PointerEvent): void {
    if (this.free()) this.put(this.under(event));
  }

  put(place: Place): void {
    if (this.places().length < MOST) this.places.update((places) => [...places, place]);
  }

  take(event: PointerEvent, i: number): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.held = i;
  }

  drag(event: PointerEvent, i: number): void {
    if (this.held === i) this.move(i, this.under(event));
  }

  letGo(): void {
    this.held = null;
  }

  key(event: KeyboardEvent, i: number): void {
    if (this.free() && (event.key === 'Delete' || event.key === 'Backspace')) {
      this.places.update((places) => places.filter((_, n) => n !== i));
      return;
    }
    const [x, y] = this.places()[i];
    // A step is as long on the picture either way.
    const [width, height] = this.size;
    const step = STEP * (event.shiftKey ? 10 : 1);
    const [across, down] = [step, (step * width) / height];
    const moves: Readonly<Record<string, Place | undefined>> = {
      ArrowLeft: [x - across, y],
      ArrowRight: [x + across, y],
      ArrowUp: [x, y - down],
      ArrowDown: [x, y + down],
    };
    const to = moves[event.key];
    if (!to) return;
    event.preventDefault();
    this.move(i, to);
  }

  private move(i: number, [x, y]: Place): void {
    const within = (share: number): number => Math.min(1, Math.max(0, share));
    this.places.update((places) =>
      places.map((place, n): Place => (n === i ? [within(x), within(y)] : place)),
    );
  }

  private under({ clientX, clientY }: PointerEvent): Place {
    const { left, top, width, height } = this.over().nativeElement.getBoundingClientRect();
    return [(clientX - left) / width, (clientY - top) / height];
  }
}
