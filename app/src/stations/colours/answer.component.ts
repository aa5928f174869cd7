import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, map, of, switchMap } from 'rxjs';
import { ProgressBar } from 'primeng/progressbar';
import { cautionFor, type MatchedMix } from '@kettle/core/materials/pigment';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { Search } from '../../state/search';
import { Swatch } from '../../ui/swatch.component';
import { Planner } from '../../workers/planner.service';
import { recipeInWords } from './colours.view';
import { ColoursState, partsOf, strengthOf } from './colours-state.service';

/** What the dish answers to the colour that is looked for, as it is moved: parts, water, how near; and what would reach it. */
@Component({
  selector: 'kd-answer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ProgressBar, Swatch],
  templateUrl: './answer.component.html',
  styleUrl: './colours.component.scss',
})
export class Answer {
  readonly desk = inject(ColoursState);
  private readonly box = inject(PaintBox);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  private readonly search = new Search();

  readonly recipe = recipeInWords;
  readonly share = this.search.share;
  readonly would = signal<{
    readonly says: string;
    readonly code: string;
    readonly caution: string | null;
  } | null>(null);
  readonly empty = computed(() =>
    this.desk.dish()?.palette.length === 0 ? 'The dish is empty: set out a pigment first.' : '',
  );

  constructor() {
    toObservable(computed(() => ({ dish: this.desk.dish(), wanted: this.desk.wanted() })))
      .pipe(
        switchMap(({ dish, wanted }) => {
          if (!dish || dish.palette.length === 0) return of(null);
          return this.worker.matchColour({ target: wanted, ...dish }).pipe(
            map((found) => ({ wanted, found })),
            catchError((cause: unknown) => {
              this.messages.stop(`No parts could be found: ${String(cause)}.`, 'The dish is as it was.');
              return EMPTY;
            }),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe((answer) => {
        this.desk.answer.set(answer);
        this.would.set(null);
      });
    inject(DestroyRef).onDestroy(() => {
      this.stopSearch();
      this.desk.answer.set(null);
    });
  }

  pourNew(found: MatchedMix): void {
    this.desk.pourNew(partsOf(found), strengthOf(found), this.desk.answer()!.wanted);
  }

  putInto(found: MatchedMix): void {
    this.desk.change({
      ...{ parts: partsOf(found), strength: strengthOf(found) },
      wanted: this.desk.answer()!.wanted,
    });
  }

  /** Looks through the box for the one pigment that brings the colour into reach. */
  async whichWould(): Promise<void> {
    const [dish, wanted] = [this.desk.dish()!, this.desk.wanted()];
    const owned = this.box.toPaintWith();
    const pool = [...dish.palette, ...owned.filter(({ code }) => !dish.palette.some((p) => p.code === code))];
    const keep = dish.palette.map(({ code }) => code);
    const request = { targets: [wanted], size: Math.min(pool.length, keep.length + 1), keep };
    try {
      const answer = await this.search.find(
        this.worker.choosePalette({ box: pool, paper: dish.paper, request }),
      );
      if (!answer) return;
      const added = answer.pigments.find(({ code }) => !keep.includes(code));
      const near = `ΔE ${answer.meanDeltaE.toFixed(1)}`;
      const caution = added ? cautionFor(added) : null;
      this.would.set(
        added && answer.meanDeltaE < this.desk.answer()!.found.best.deltaE00 - 0.1
          ? { says: `${this.box.called(added)} would come to ${near}.`, code: added.code, caution }
          : { says: 'No other pigment of the box comes nearer.', code: '', caution: null },
      );
    } catch (cause) {
      this.messages.stop(`The box could not be searched: ${String(cause)}.`, 'The dish is as it was.');
    }
  }

  stopSearch(): void {
    this.search.stop();
  }

  setOut(code: string): void {
    this.desk.setOut([...this.desk.plan()!.palette, code]);
  }
}
