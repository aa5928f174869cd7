import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import type { CardFormat } from '@kettle/core/commission/card';
import { StudioStore } from '../../state/studio-store';
import { cardDrawing, type Handle } from './card-drawing.view';

/** Half a millimetre: as fine as a knife along a ruler. */
const STEP_MM = 0.5;

/** The card in its envelope and opened out, dimensioned; upright edges can be dragged, or moved with the arrow keys. */
@Component({
  selector: 'kd-card-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './card-drawing.component.html',
  styleUrl: './card-drawing.component.scss',
})
export class CardDrawingComponent {
  private readonly studio = inject(StudioStore);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  readonly format = input.required<CardFormat>();
  readonly panelMm = input.required<number>();
  readonly formatChange = output<Partial<CardFormat>>();

  /** The edge in hand, before it is let go. */
  private readonly dragged = signal<Partial<CardFormat>>({});
  readonly length = (mm: number): string => this.studio.length(mm);
  readonly drawing = computed(() =>
    cardDrawing({ ...this.format(), ...this.dragged() }, this.panelMm(), this.length),
  );

  take(event: PointerEvent): void {
    (event.target as Element).setPointerCapture(event.pointerId);
    event.preventDefault();
  }

  drag(event: PointerEvent, { key, outer }: Handle): void {
    if (!(event.target as Element).hasPointerCapture(event.pointerId)) return;
    const toMm = this.svg().nativeElement.getScreenCTM()!.inverse();
    const { x } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toMm);
    this.dragged.set({ [key]: stepped(outer - x) });
  }

  letGo(): void {
    const change = this.dragged();
    this.dragged.set({});
    if (Object.keys(change).length > 0) this.formatChange.emit(change);
  }

  nudge(event: KeyboardEvent, { key, value }: Handle): void {
    const by = { ArrowLeft: STEP_MM, ArrowUp: STEP_MM, ArrowRight: -STEP_MM, ArrowDown: -STEP_MM }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.formatChange.emit({ [key]: stepped(value + by) });
  }
}

const stepped = (mm: number): number => Math.max(0, Math.round(mm / STEP_MM) * STEP_MM);
