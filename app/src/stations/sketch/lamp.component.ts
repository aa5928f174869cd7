import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { areasOfLight, shadowFindings } from '@kettle/core/order/areas';
import type { Form, Lamp } from '@kettle/core/drawing/lamp';
import { PlanStore } from '../../state/plan-store';
import { Choice } from '../../ui/choice.component';

/** Where a lamp stands when it is first lit: from the left and a little in front, as most tables are lit. */
const FIRST: Lamp = { sideDeg: 150, heightDeg: 45 };

/** By how much a key moves the lamp round, and up or down. */
const STEP_DEG = 5;

/** Radius of the ring on which the lamp goes round, in the drawing's own units. */
const RING = 42;

/** The lamp as seen from above, to be drawn round the card; what each area is the picture of; and the shadows that fall wrongly. */
@Component({
  selector: 'kd-lamp',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  templateUrl: './lamp.component.html',
  styleUrls: ['./leaf.scss', './lamp.component.scss'],
})
export class LampNotes {
  private readonly store = inject(PlanStore);
  private readonly dial = viewChild<ElementRef<SVGSVGElement>>('dial');
  readonly plan = this.store.plan;
  /** The lamp in the hand, before it is let go. */
  private readonly held = signal<Lamp | null>(null);
  readonly lamp = computed(() => this.held() ?? this.plan()?.lamp ?? null);
  readonly at = computed(() => {
    const { sideDeg } = this.lamp() ?? FIRST;
    const a = (sideDeg * Math.PI) / 180;
    return [RING * Math.cos(a), RING * Math.sin(a)];
  });
  readonly forms: readonly { readonly id: Form | null; readonly name: string }[] = [
    { id: null, name: 'no body' },
    { id: 'ball', name: 'a ball' },
    { id: 'cylinder', name: 'a cylinder' },
    { id: 'cone', name: 'a cone' },
    { id: 'box', name: 'a box' },
    { id: 'flat', name: 'lying flat' },
  ];
  readonly rows = computed(() =>
    (this.plan()?.areas ?? [])
      .filter(({ shadowOf }) => shadowOf === undefined)
      .map(({ id, name, form }) => ({ id, name, form: form ?? null }))
      .reverse(),
  );
  readonly amiss = computed(() => {
    const plan = this.plan();
    if (!plan) return [];
    const named = (id: string): string => plan.areas.find((area) => area.id === id)!.name;
    return shadowFindings(plan).map(
      ({ shadow, of, offDeg }) =>
        `${named(shadow)} falls ${Math.round(offDeg)}° off the way the lamp throws the shadow of ${named(of)}.`,
    );
  });

  light(): void {
    this.set(FIRST);
  }

  putOut(): void {
    this.store.do({ do: 'set-lamp', lamp: null });
  }

  set(lamp: Lamp): void {
    this.store.do({
      do: 'set-lamp',
      lamp: { sideDeg: wrapped(lamp.sideDeg), heightDeg: Math.max(5, Math.min(85, lamp.heightDeg)) },
    });
  }

  take(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.drag(event);
  }

  drag(event: PointerEvent): void {
    if (!(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return;
    const toDial = this.dial()!.nativeElement.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toDial);
    this.held.set({ ...this.lamp()!, sideDeg: wrapped((Math.atan2(y, x) * 180) / Math.PI) });
  }

  letGo(): void {
    const lamp = this.held();
    this.held.set(null);
    if (lamp) this.set(lamp);
  }

  nudge(event: KeyboardEvent): void {
    const lamp = this.plan()!.lamp!;
    const moves: Readonly<Record<string, Lamp | undefined>> = {
      ArrowLeft: { ...lamp, sideDeg: lamp.sideDeg - STEP_DEG },
      ArrowRight: { ...lamp, sideDeg: lamp.sideDeg + STEP_DEG },
      ArrowUp: { ...lamp, heightDeg: lamp.heightDeg + STEP_DEG },
      ArrowDown: { ...lamp, heightDeg: lamp.heightDeg - STEP_DEG },
    };
    const next = moves[event.key];
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    this.set(next);
  }

  setHeight(field: HTMLInputElement): void {
    this.set({ ...this.plan()!.lamp!, heightDeg: Number(field.value) });
  }

  see(area: string, form: Form | null): void {
    this.store.do({ do: 'see-as', area, form });
  }

  makeAreas(area: string): void {
    this.store.do(...areasOfLight(this.plan()!, area, () => `area-${crypto.randomUUID().slice(0, 8)}`));
  }
}

const wrapped = (deg: number): number => Math.round(deg - 360 * Math.round(deg / 360));
