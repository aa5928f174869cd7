import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import type { CropFrame } from '@kettle/core/commission/card';
import { paintedOf } from '@kettle/core/document/plan';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { panelDrawing } from '../../panel/panel.view';
import { pictureHref } from '../../panel/picture-href';
import { LookAheadService } from '../../state/look-ahead.service';
import { PlanStore } from '../../state/plan-store';
import { RehearsalService } from '../../state/rehearsal.service';
import { StudioStore } from '../../state/studio-store';
import { frameMoved, frameRows, type FrameRow } from './crop.view';

/** By how much a key slides and turns a frame, mm and degrees. */
const STEP_MM = 1;
const STEP_DEG = 1;

/** The painting with the frames of several cards over it, to be slid and turned by hand or by keys. */
@Component({
  selector: 'kd-crop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PanelPictureView],
  templateUrl: './crop.component.html',
  styleUrl: './crop.component.scss',
})
export class CropFrames {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly rehearsals = inject(RehearsalService);
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('over');

  readonly plan = this.store.plan;
  readonly drawing = computed(() =>
    this.plan() ? panelDrawing(this.plan()!, this.lookAhead.ahead()) : null,
  );
  readonly painted = computed(() => {
    const last = this.rehearsals.rehearsal()?.moments.at(-1);
    return last ? pictureHref(last) : null;
  });
  readonly viewBox = computed(() => {
    if (!this.plan()) return '0 0 1 1';
    const { panel, paint } = paintedOf(this.plan()!);
    const rim = (paint.widthMm - panel.widthMm) / 2 + 0.5;
    return `${-rim} ${-rim} ${panel.widthMm + 2 * rim} ${panel.heightMm + 2 * rim}`;
  });

  /** The frame in hand, before it is let go. */
  private readonly inHand = signal<CropFrame | null>(null);
  private held: { readonly by: 'frame' | 'corner'; readonly x: number; readonly y: number } | null = null;
  readonly rows = computed(() => {
    const [plan, held] = [this.plan(), this.inHand()];
    if (!plan?.crop) return [];
    const frames = plan.crop.frames.map((frame) => (frame.id === held?.id ? held : frame));
    return frameRows({ ...plan, crop: { ...plan.crop, frames } }, (mm) => this.studio.length(mm));
  });

  constructor() {
    const before = this.rehearsals.wanted();
    this.rehearsals.wanted.set(true);
    inject(DestroyRef).onDestroy(() => this.rehearsals.wanted.set(before));
  }

  take(event: PointerEvent, { frame }: FrameRow, by: 'frame' | 'corner'): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const [x, y] = this.under(event);
    this.held = { by, x: x - frame.xMm, y: y - frame.yMm };
    event.stopPropagation();
  }

  drag(event: PointerEvent, { frame }: FrameRow): void {
    if (!this.held || !(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return;
    const [x, y] = this.under(event);
    const change =
      this.held.by === 'frame'
        ? { xMm: tenth(x - this.held.x), yMm: tenth(y - this.held.y) }
        : { turnDeg: this.turnTo(frame, x, y) };
    this.inHand.set(frameMoved(this.plan()!, frame, change));
  }

  letGo(): void {
    const frame = this.inHand();
    this.held = null;
    if (frame) this.store.do({ do: 'lay-frame', frame });
    this.inHand.set(null);
  }

  nudge(event: KeyboardEvent, { frame }: FrameRow): void {
    const step = event.shiftKey ? 10 : 1;
    const moves: Readonly<Record<string, Partial<CropFrame> | undefined>> = {
      ArrowLeft: { xMm: frame.xMm - step * STEP_MM },
      ArrowRight: { xMm: frame.xMm + step * STEP_MM },
      ArrowUp: { yMm: frame.yMm - step * STEP_MM },
      ArrowDown: { yMm: frame.yMm + step * STEP_MM },
      PageUp: { turnDeg: frame.turnDeg - step * STEP_DEG },
      PageDown: { turnDeg: frame.turnDeg + step * STEP_DEG },
    };
    const change = moves[event.key];
    if (!change) return;
    event.preventDefault();
    event.stopPropagation();
    this.store.do({ do: 'lay-frame', frame: frameMoved(this.plan()!, frame, change) });
  }

  /** The turn at which the frame’s top right corner points at a place. */
  private turnTo(frame: CropFrame, x: number, y: number): number {
    const [, right] = this.rows().find((row) => row.frame.id === frame.id)!.corners;
    const toCorner = Math.atan2(right[1] - frame.yMm, right[0] - frame.xMm);
    const wanted = Math.atan2(y - frame.yMm, x - frame.xMm);
    return frame.turnDeg + ((wanted - toCorner) * 180) / Math.PI;
  }

  private under({ clientX, clientY }: PointerEvent): [number, number] {
    const toMm = this.svg()!.nativeElement.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(toMm);
    return [x, y];
  }
}

const tenth = (mm: number): number => Math.round(10 * mm) / 10;
