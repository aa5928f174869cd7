import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, debounceTime, map, of, switchMap } from 'rxjs';
import type { CutRequest, Material, SheetStock } from '@kettle/core/commission/card';
import { cuttingRequest, MATERIALS, type Plan } from '@kettle/core/document/plan';
import type { Cutting } from '../workers/table-api';
import { Planner } from '../workers/planner.service';
import { CardShelf } from './card-shelf';
import { PlanStore } from './plan-store';

/** A burst of changes is cut once, ms. */
const SETTLE_MS = 60;

/** What is cut of one material, and how; `cutting` is `null` while it is being worked out, `fault` says why it cannot. */
export interface CutJob {
  readonly request: CutRequest;
  readonly sheet: SheetStock;
  readonly cutting: Cutting | null;
  readonly fault: string;
}

/** How the sheets are cut for the open card, alone or with others of the rack, worked out in the worker. */
@Injectable({ providedIn: 'root' })
export class CuttingService {
  private readonly store = inject(PlanStore);
  private readonly shelf = inject(CardShelf);
  private readonly worker = inject(Planner);

  /** The material looked at. */
  readonly material = signal<Material>('painting');
  /** Other cards cut with this one, by id. */
  readonly together = signal<readonly string[]>([]);

  readonly plans = computed((): readonly Plan[] => {
    const open = this.store.plan();
    if (!open) return [];
    const with_ = this.shelf.cards().filter(({ id }) => id !== open.id && this.together().includes(id));
    return [open, ...with_];
  });

  /** The materials these cards are made of. */
  readonly materials = computed(() => {
    const open = this.store.plan();
    return open === null
      ? []
      : MATERIALS.filter(
          (material) => cuttingRequest(this.plans(), material, open.sheets[material]) !== null,
        );
  });

  private readonly asked = computed(
    () => {
      const open = this.store.plan();
      if (!open) return null;
      const material = this.materials().includes(this.material()) ? this.material() : 'painting';
      const sheet = open.sheets[material];
      const request = cuttingRequest(this.plans(), material, sheet);
      return request && { request, sheet };
    },
    // Strokes and colours change the plan too; the same pieces are not cut again for them.
    { equal: (one, other) => JSON.stringify(one) === JSON.stringify(other) },
  );

  private readonly answer = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(SETTLE_MS),
      switchMap((asked) =>
        asked === null
          ? of(null)
          : this.worker.cut(asked.request).pipe(
              map((cutting) => ({ ...asked, cutting, fault: '' })),
              catchError((cause: unknown) =>
                of({
                  ...asked,
                  cutting: null,
                  fault: cause instanceof Error ? cause.message : String(cause),
                }),
              ),
            ),
      ),
    ),
    { initialValue: null },
  );

  readonly job = computed((): CutJob | null => {
    const asked = this.asked();
    const answer = this.answer();
    if (!asked) return null;
    return answer && answer.request === asked.request ? answer : { ...asked, cutting: null, fault: '' };
  });
}
