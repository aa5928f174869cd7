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
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { concat, EMPTY, interval, switchMap, tap, type Observable } from 'rxjs';
import { ENVELOPES, type Envelope } from '@kettle/core/commission/card';
import { dayOf, OCCASIONS } from '@kettle/core/commission/occasion';
import type { Plan } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { panelDrawing, type PanelDrawing } from '../../panel/panel.view';
import { BIN_DAYS } from '../../data/safekeeping';
import { CardShelf } from '../../state/card-shelf';
import { Messages } from '../../state/messages.service';
import { SafekeepingService } from '../../state/safekeeping.service';
import { StudioStore } from '../../state/studio-store';
import { KeepingWorker } from '../../workers/keeping-worker.service';
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
    PanelPictureView,
    YearRibbon,
  ],
  templateUrl: './rack.component.html',
  styleUrl: './rack.component.scss',
})
export class Rack {
  private readonly shelf = inject(CardShelf);
  private readonly studio = inject(StudioStore);
  private readonly worker = inject(KeepingWorker);
  private readonly keeping = inject(SafekeepingService);
  private readonly messages = inject(Messages);
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
  /** A card as it is drawn: painted once that is worked out. */
  readonly drawingOf = (plan: Plan): PanelDrawing =>
    this.pictures().get(plan.id)?.drawing ?? this.outlineOf(plan);
  private readonly outlines = new WeakMap<Plan, PanelDrawing>();
  private readonly titleField = viewChild.required<ElementRef<HTMLInputElement>>('titleField');
  /** How the cards look that have been worked out; the others are drawn in outline. */
  private readonly pictures = signal<ReadonlyMap<string, { of: Plan; drawing: PanelDrawing }>>(new Map());
  readonly evenings = signal<ReadonlyMap<string, { of: Plan; evening: LastEvening | null }>>(new Map());

  constructor() {
    void this.comeIn();
    inject(DestroyRef).onDestroy(() => this.shelf.leave());
    // The last evenings first, since they may press; how the cards look follows. Both stop when the rack is left.
    toObservable(computed(() => (this.shelf.complete() ? this.shelf.cards() : [])))
      .pipe(
        switchMap((plans) => concat(this.reckonEvenings(plans), this.paint(plans))),
        takeUntilDestroyed(),
      )
      .subscribe();
    // What has been put up already stays; the next few follow after a breath.
    toObservable(computed(() => this.putUp() < this.cards().length))
      .pipe(
        switchMap((more) => (more ? interval(PUT_UP_MS) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.putUp.update((n) => n + CARDS_AT_ONCE));
  }

  private outlineOf(plan: Plan): PanelDrawing {
    const outline = this.outlines.get(plan) ?? panelDrawing(plan, null);
    this.outlines.set(plan, outline);
    return outline;
  }

  private async comeIn(): Promise<void> {
    await this.shelf.refresh();
    await this.shelf.clearOut();
    const changes = this.shelf.cards().length + this.people().length;
    await this.keeping.remind(changes);
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
    try {
      await this.shelf.remove(plan.id);
      this.messages.say(`“${plan.title}” lies in the bin for ${BIN_DAYS} days.`, 'See Safekeeping.', {
        label: 'Put it back',
        run: () => this.keeping.takeOutOfBin(plan.id),
      });
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`Nothing was thrown away: ${cause.message}.`, 'The card is as it was.');
    }
  }

  private reckonEvenings(plans: readonly Plan[]): Observable<unknown> {
    const { evenings } = this.studio.studio();
    const fresh = plans.filter((plan) => this.evenings().get(plan.id)?.of !== plan);
    if (evenings.length === 0 || fresh.length === 0) return EMPTY;
    const byId = new Map(fresh.map((plan) => [plan.id, plan]));
    return this.worker.evenings(fresh, evenings, dayOf(new Date())).pipe(
      tap((found) => {
        const told = found.map(({ id, back }) => {
          const of = byId.get(id)!;
          return [id, { of, evening: lastEvening(of, back) }] as const;
        });
        this.evenings.update((known) => new Map([...known, ...told]));
      }),
    );
  }

  /** The finished look of each card, worked out one after another. */
  private paint(plans: readonly Plan[]): Observable<unknown> {
    const fresh = plans.filter((plan) => this.pictures().get(plan.id)?.of !== plan);
    if (fresh.length === 0) return EMPTY;
    const byId = new Map(fresh.map((plan) => [plan.id, plan]));
    return this.worker.looks(fresh).pipe(
      tap((look) => {
        const of = byId.get(look.id)!;
        const drawing = panelDrawing(of, look);
        this.pictures.update((known) => new Map(known).set(look.id, { of, drawing }));
      }),
    );
  }
}
