import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { ENVELOPES, type Envelope } from '@kettle/core/card';
import { dayOf, OCCASIONS } from '@kettle/core/occasion';
import type { Plan } from '@kettle/core/plan';
import { PanelPicture } from '../../panel/panel-picture.component';
import { panelDrawing, type PanelDrawing } from '../../panel/panel.view';
import { CardShelf } from '../../state/card-shelf';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { TableWorker } from '../../workers/table-worker.service';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { DaysDialog } from './days-dialog.component';
import { lastEvening, rackCards, type LastEvening } from './rack.view';
import { YearRibbon } from './ribbon.component';
import type { ComingOccasion } from './ribbon.view';

/** Cards put up on the rack in one go, and the pause before the next, ms. */
const CARDS_AT_ONCE = 6;
const PUT_UP_MS = 30;

const { name, widthMm, heightMm } = ENVELOPES.find(({ id }) => id === 'c6')!;
/** What a card is begun in until the painter says otherwise. */
const USUAL_ENVELOPE: Envelope = { name, widthMm, heightMm };

/** All cards on rails, at their true relative sizes, in the order in which they are needed. */
@Component({
  selector: 'kd-rack',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    RouterLink,
    Button,
    Dialog,
    InputText,
    Select,
    DaysDialog,
    EnvelopeSelect,
    PanelPicture,
    YearRibbon,
  ],
  templateUrl: './rack.component.html',
  styleUrl: './rack.component.scss',
})
export class Rack {
  private readonly shelf = inject(CardShelf);
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly worker = inject(TableWorker);
  private readonly router = inject(Router);

  readonly occasions = [...OCCASIONS];
  readonly occasion = signal('birthday');
  readonly envelope = signal<Envelope>(USUAL_ENVELOPE);
  readonly title = signal('');
  readonly forWhom = signal('');
  readonly needBy = signal('');
  readonly showsDays = signal(false);
  readonly people = computed(() => this.studio.studio().people);
  readonly unreadable = this.shelf.unreadable;
  readonly cards = computed(() => rackCards(this.shelf.cards(), dayOf(new Date())));
  /** So many are put up; the rest follow a few at a time, so that the page never stands still. */
  private readonly putUp = signal(CARDS_AT_ONCE);
  readonly shown = computed(() => this.cards().slice(0, this.putUp()));
  /** The card about to be thrown away, while the painter is asked. */
  readonly throwing = signal<Plan | null>(null);
  private readonly titleField = viewChild.required<ElementRef<HTMLInputElement>>('titleField');
  readonly pictures = signal<ReadonlyMap<string, PanelDrawing>>(new Map());
  readonly evenings = signal<ReadonlyMap<string, LastEvening | null>>(new Map());

  constructor() {
    void this.store.close().then(() => this.shelf.refresh());
    effect(() => void this.paint(this.shelf.cards()));
    effect(() => {
      if (this.putUp() < this.cards().length)
        setTimeout(() => this.putUp.update((n) => n + CARDS_AT_ONCE), PUT_UP_MS);
    });
  }

  async begin(): Promise<void> {
    const title = this.title().trim() || `A card: ${this.occasion()}`;
    const id = await this.shelf.begin({
      title,
      occasion: this.occasion(),
      envelope: this.envelope(),
      brief: { forWhom: this.forWhom().trim(), needBy: this.needBy() || null },
    });
    await this.router.navigate(['/card', id, 'brief']);
  }

  /** Takes an occasion of the ribbon into the form; its name is what is still to be said. */
  beginFor({ name, forWhom, day }: ComingOccasion): void {
    this.occasion.set(name);
    this.forWhom.set(forWhom ?? '');
    this.needBy.set(day);
    this.titleField().nativeElement.focus();
  }

  async makeAgain(plan: Plan): Promise<void> {
    await this.router.navigate(['/card', await this.shelf.makeAgain(plan), 'brief']);
  }

  async throwAway(plan: Plan): Promise<void> {
    this.throwing.set(null);
    await this.shelf.remove(plan.id);
  }

  /** The finished look of each card, worked out one after another. */
  private async paint(plans: readonly Plan[]): Promise<void> {
    for (const plan of plans) {
      this.pictures.update((known) => new Map(known).set(plan.id, panelDrawing(plan, null)));
      const ahead = await this.worker.lookAhead(plan, 0, this.studio.desk());
      this.pictures.update((known) => new Map(known).set(plan.id, panelDrawing(plan, ahead)));
      const sit = lastEvening(plan, ahead.timeline, this.studio.studio().evenings, dayOf(new Date()));
      this.evenings.update((known) => new Map(known).set(plan.id, sit));
    }
  }
}
