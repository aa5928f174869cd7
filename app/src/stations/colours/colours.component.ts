import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { EYES, type Light } from '@kettle/core/kit/colour';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { PlanStore } from '../../state/plan-store';
import { derivedResource } from '../../state/derived-resource';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import { HeldRow } from '../../ui/held-row.component';
import { Amounts } from './amounts.component';
import { Answer } from './answer.component';
import { cardLook, type Squint } from './card-look';
import { ChartsNote } from './charts.component';
import { ColoursState } from './colours-state.service';
import { Dish } from './dish.component';
import { Ideas } from './ideas.component';
import { MixNote } from './mix.component';
import { PigmentsOut } from './pigments.component';
import { Values } from './values.component';
import { Wanted } from './wanted.component';

type Leaf = 'mix' | 'pigments' | 'wanted' | 'charts' | 'values' | 'amounts' | 'ideas';

/** The dish: what is mixed of which pigments, what a wanted colour takes, and how the colours of the card stand to one another. */
@Component({
  selector: 'kd-colours',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Amounts,
    Answer,
    ChartsNote,
    Choice,
    Dish,
    HeldRow,
    Ideas,
    MixNote,
    PanelPictureView,
    PigmentsOut,
    Values,
    Wanted,
  ],
  providers: [ColoursState],
  templateUrl: './colours.component.html',
  styleUrl: './colours.component.scss',
})
export class ColoursStation {
  readonly desk = inject(ColoursState);
  private readonly studio = inject(StudioStore);
  readonly plan = inject(PlanStore).plan;
  readonly reckoning = derivedResource(
    (worker, plan, dish) => worker.reckonColours(plan, dish),
    'The colours could not be reckoned',
    () => this.studio.studio().dish,
  );
  readonly table = signal<'dish' | 'card'>('dish');
  readonly tables = [
    { id: 'dish', name: 'The dish' },
    { id: 'card', name: 'The card' },
  ] as const;
  readonly leaf = signal<Leaf>('mix');
  readonly leaves: readonly { readonly id: Leaf; readonly name: string }[] = [
    { id: 'mix', name: 'Mix' },
    { id: 'pigments', name: 'Pigments' },
    { id: 'wanted', name: 'Wanted' },
    { id: 'charts', name: 'Charts' },
    { id: 'values', name: 'Values' },
    { id: 'amounts', name: 'Amounts' },
    { id: 'ideas', name: 'Ideas' },
  ];
  readonly squint = signal<Squint>('open');
  readonly squints: readonly { readonly id: Squint; readonly name: string }[] = [
    { id: 'open', name: 'as it is' },
    { id: 3, name: 'squinting, three tones' },
    { id: 5, name: 'squinting, five tones' },
  ];
  readonly lamps: readonly { readonly id: Light; readonly name: string }[] = [
    { id: 'D65', name: 'in daylight' },
    { id: 'warm', name: 'under a warm lamp' },
    { id: 'led', name: 'under a white LED' },
  ];
  readonly eyes = EYES.map(({ id, name, matrix }) => ({
    ...{ id, name },
    values: matrix ? `${matrix.map((row) => `${row.join(' ')} 0 0`).join(' ')} 0 0 0 1 0` : '',
  }));
  readonly filter = computed(() => (this.desk.eyes() === 'usual' ? '' : `url(#eyes-${this.desk.eyes()})`));
  readonly look = computed(() => {
    const plan = this.plan();
    return plan && cardLook(plan, this.desk.light(), this.squint());
  });
  readonly says = computed(() => {
    const plan = this.plan();
    if (!plan) return '';
    if (this.table() === 'card') return 'As it will be: dry, uncovered, tape off.';
    if (plan.palette.length === 0) return 'The dish is empty. Set out a pigment, then mix.';
    return `On ${plan.embedded.papers[0].name}: wet on the left of each, dry on the right. Pull a mix towards the middle to thin it.`;
  });
}
