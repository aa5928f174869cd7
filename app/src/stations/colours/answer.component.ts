import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { catchError, EMPTY, from, map, of, switchMap } from 'rxjs';
import { ProgressBar } from 'primeng/progressbar';
import { cautionFor, type MatchedMix } from '@kettle/core/pigment';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { Swatch } from '../../ui/swatch.component';
import { TableWorker, type Search } from '../../workers/table-worker.service';
import { recipeInWords } from './colours.view';
import { Desk, partsOf, strengthOf } from './desk.service';

/** What the dish answers to the colour that is looked for, as it is moved: parts, water, how near; and what would reach it. */
@Component({
  selector: 'kd-answer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ProgressBar, Swatch],
  templateUrl: './answer.component.html',
  styleUrl: './colours.component.scss',
})
export class Answer {
  readonly desk = inject(Desk);
  private readonly box = inject(PaintBox);
  private readonly worker = inject(TableWorker);
  private readonly messages = inject(Messages);
  private search: Search<unknown> | null = null;

  readonly recipe = recipeInWords;
  readonly share = signal<number | null>(null);
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
          const search = this.worker.matchColour({ target: wanted, ...dish }, () => undefined);
          return from(search.answer).pipe(
            map((found) => found && { wanted, found }),
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
    this.share.set(0);
    const search = this.worker.choosePalette(
      pool,
      dish.paper,
      { targets: [wanted], size: Math.min(pool.length, keep.length + 1), keep },
      (share) => {
        if (this.search === search) this.share.set(share);
      },
    );
    this.search = search;
    try {
      const answer = await search.answer;
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
    } finally {
      this.search = null;
      this.share.set(null);
    }
  }

  stopSearch(): void {
    this.search?.cancel();
  }

  setOut(code: string): void {
    this.desk.setOut([...this.desk.plan()!.palette, code]);
  }
}
