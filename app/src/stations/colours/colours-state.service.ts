import { computed, inject, Injectable, signal } from '@angular/core';
import type { EyesId, Lab, Light } from '@kettle/core/kit/colour';
import { DISH_HOLDS } from '@kettle/core/materials/dish';
import type { MatchAnswer, MatchedMix } from '@kettle/core/materials/pigment';
import { newMix, planPaper, type PlannedMix } from '@kettle/core/document/plan';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { PlanStore } from '../../state/plan-store';
import { dishDrawing, ghostOf, tooManyOut } from './dish.view';

/** What is in hand at the dish: the mix that is chosen, the colour that is wanted, the lamp and the eyes. Provided by the station. */
@Injectable()
export class ColoursState {
  private readonly store = inject(PlanStore);
  private readonly box = inject(PaintBox);
  private readonly messages = inject(Messages);

  readonly plan = this.store.plan;
  readonly light = signal<Light>('D65');
  readonly eyes = signal<EyesId>('usual');
  private readonly chosenId = signal<string | null>(null);
  readonly chosen = computed(
    () => this.plan()?.mixes.find((mix) => mix.id === this.chosenId()) ?? this.plan()?.mixes.at(0) ?? null,
  );
  /** What is set out, on what paper. */
  readonly dish = computed(() => {
    const plan = this.plan();
    return (
      plan && {
        palette: plan.embedded.pigments
          .filter(({ code }) => plan.palette.includes(code))
          .slice(0, DISH_HOLDS),
        paper: planPaper(plan),
      }
    );
  });
  /** The colour that is looked for, dry. */
  readonly wanted = signal<Lab>([62, 4, 18]);
  /** Parts for the colour that is looked for, once they are found. */
  readonly answer = signal<{ readonly wanted: Lab; readonly found: MatchAnswer } | null>(null);
  private readonly ghost = computed(() => {
    const best = this.answer()?.found.best;
    return best ? ghostOf(partsOf(best), best.strength) : null;
  });
  readonly drawing = computed(() => {
    const plan = this.plan();
    return plan && dishDrawing(plan, this.light(), (pigment) => this.box.called(pigment), this.ghost());
  });

  choose(id: string): void {
    this.chosenId.set(id);
  }

  /** Sets pigments out; where they are too many it says so, and changes nothing. */
  setOut(palette: readonly string[]): void {
    const fault = tooManyOut(this.plan()!, palette);
    if (fault !== '') this.messages.stop(fault, 'Nothing was changed.');
    else
      this.store.do({
        ...{ do: 'set-out', palette: [...palette] },
        pigments: palette.map((code) => this.box.byCode(code)),
      });
  }

  /** Pours a mix, its pigments set out with it, and takes it in hand. */
  pour(mix: PlannedMix): void {
    this.store.do({
      ...{ do: 'put-mix', mix },
      pigments: mix.parts.map(({ pigment }) => this.box.byCode(pigment)),
    });
    this.choose(mix.id);
  }

  /** A new mix in the next free well. */
  pourNew(parts: PlannedMix['parts'], strength: number, wanted: Lab | null = null): void {
    const plan = this.plan()!;
    const id = `mix-${crypto.randomUUID().slice(0, 8)}`;
    const taken = new Set(plan.mixes.map(({ well }) => well));
    let well = 1;
    while (taken.has(well)) well++;
    this.pour(newMix({ id, name: `mix ${plan.mixes.length + 1}`, parts, strength, wanted, well }));
  }

  change(change: Partial<PlannedMix>): void {
    const mix = this.chosen();
    if (mix) this.pour({ ...mix, ...change });
  }
}

/** The parts of a found mix as a plan keeps them. */
export const partsOf = ({ parts }: MatchedMix): PlannedMix['parts'] =>
  parts.map(({ pigment, parts: n }) => ({ pigment: pigment.code, parts: n }));

/** A strength as a plan keeps it. */
export const strengthOf = ({ strength }: MatchedMix): number => Math.round(strength * 1000) / 1000;
