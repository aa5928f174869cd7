import { computed, inject, Injectable } from '@angular/core';
import { PIGMENTS, pigmentByCode, type Pigment } from '@kettle/core/materials/pigment';
import type { Studio } from '@kettle/core/document/plan';
import { PlanStore } from './plan-store';
import { StudioStore } from './studio-store';

/** The pigments there are to paint with: those shipped, in the spectra the painter has measured where that is done. */
@Injectable({ providedIn: 'root' })
export class PaintBox {
  private readonly store = inject(StudioStore);
  private readonly plans = inject(PlanStore);

  readonly pigments = computed((): readonly Pigment[] => {
    const own = new Map(this.store.studio().ownPigments.map((pigment) => [pigment.code, pigment]));
    const shipped = PIGMENTS.map((pigment) => own.get(pigment.code) ?? pigment);
    // A card from another table may be painted with that painter’s own.
    const brought = this.plans.plan()?.embedded.pigments ?? [];
    const all = [...shipped, ...own.values(), ...brought];
    return all.filter(({ code }, i) => all.findIndex((other) => other.code === code) === i);
  });
  /** Codes of what the painter owns. */
  readonly owned = computed(() => new Set(this.store.studio().box.map(({ code }) => code)));
  /** What is owned; everything as long as nobody has said. */
  readonly toPaintWith = computed(() => {
    const owned = this.owned();
    return owned.size === 0 ? this.pigments() : this.pigments().filter(({ code }) => owned.has(code));
  });

  byCode(code: string): Pigment {
    return pigmentByCode(code, 'pigment', this.pigments());
  }

  /** The painter’s own name for a pigment, or its generic one. */
  called(pigment: Pigment): string {
    const label = this.store.studio().box.find(({ code }) => code === pigment.code)?.label;
    return label ? `${label} (${pigment.name})` : pigment.name;
  }

  own(code: string, owned: boolean): void {
    const box = this.store.studio().box.filter((entry) => entry.code !== code);
    void this.store.change({ box: owned ? [...box, { code, label: '', place: '' }] : box });
  }

  describe(code: string, change: Partial<Studio['box'][number]>): void {
    const box = this.store
      .studio()
      .box.map((entry) => (entry.code === code ? { ...entry, ...change } : entry));
    void this.store.change({ box });
  }

  /** Forgets what was measured of a pigment; one that is the painter’s own goes out of the box with it. */
  forget(code: string): void {
    const { ownPigments, box } = this.store.studio();
    const shipped = PIGMENTS.some((pigment) => pigment.code === code);
    void this.store.change({
      ownPigments: ownPigments.filter((pigment) => pigment.code !== code),
      ...(shipped ? {} : { box: box.filter((entry) => entry.code !== code) }),
    });
  }

  /** Keeps a pigment as it was measured, under a revision higher than what it takes the place of. */
  calibrated(pigment: Pigment): Promise<boolean> {
    const before = this.pigments().find(({ code }) => code === pigment.code)?.revision ?? 0;
    const others = this.store.studio().ownPigments.filter(({ code }) => code !== pigment.code);
    return this.store.change({ ownPigments: [...others, { ...pigment, revision: before + 1 }] });
  }
}
