import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { dayOf } from '@kettle/core/commission/occasion';
import { CardShelf } from '../../state/card-shelf';
import { StudioStore } from '../../state/studio-store';
import { comingOccasions, ribbonOf, type ComingOccasion } from './ribbon.view';

/** Occasions offered before the painter asks for more, and how many more each time. */
const FIRST = 4;
const MORE = 8;

/** The year ahead as a ribbon, with its occasions and the cards on it; a card is begun from an occasion. */
@Component({
  selector: 'kd-ribbon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 1000 44" preserveAspectRatio="none" role="img" [attr.aria-label]="label()">
      <rect class="band" y="14" width="1000" height="16" />
      @for (month of ribbon().months; track month.name) {
        <line class="month" [attr.x1]="month.along * 1000" [attr.x2]="month.along * 1000" y1="14" y2="30" />
      }
      @for (mark of ribbon().occasions; track mark.says) {
        <line class="occasion" [attr.x1]="mark.along * 1000" [attr.x2]="mark.along * 1000" y1="3" y2="30">
          <title>{{ mark.says }}</title>
        </line>
      }
      @for (mark of ribbon().cards; track $index) {
        <rect class="card" [attr.x]="mark.along * 1000 - 4" y="26" width="8" height="15">
          <title>{{ mark.says }}</title>
        </rect>
      }
    </svg>
    <div class="months" aria-hidden="true">
      @for (month of ribbon().months; track month.name) {
        <span [style.left.%]="month.along * 100">{{ month.name }}</span>
      }
    </div>
    <ul>
      @for (occasion of coming(); track occasion.key) {
        <li>
          <button type="button" (click)="begin.emit(occasion)">
            <strong>{{ occasion.name }}</strong>
            @if (occasion.forWhom) {
              <span>{{ occasion.forWhom }}</span>
            }
            <span class="soft">{{ occasion.when }}</span>
            <span class="act">{{ occasion.begun > 0 ? occasion.begun + ' begun' : 'Begin a card' }}</span>
          </button>
        </li>
      }
      <li><button class="plain" type="button" (click)="shown.set(shown() + more)">Later ones</button></li>
    </ul>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      height: 44px;
    }
    .band {
      fill: #cfcdc6;
    }
    .month {
      stroke: var(--ground);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .occasion {
      stroke: var(--teal);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .card {
      fill: var(--paper);
      stroke: var(--ink);
      vector-effect: non-scaling-stroke;
    }
    .months {
      position: relative;
      height: 20px;
      color: var(--soft);
      font-size: 14px;
    }
    .months span {
      position: absolute;
      padding-left: 3px;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: stretch;
      margin: 10px 0 0;
      padding: 0;
      list-style: none;
    }
    li button:not(.plain) {
      display: grid;
      gap: 1px;
      height: 100%;
      padding: 8px 14px;
      border: 1px solid var(--rule);
      border-radius: 3px;
      background: var(--note);
      color: var(--ink);
      text-align: left;
      cursor: pointer;
    }
    .act {
      color: var(--teal);
    }
  `,
})
export class YearRibbon {
  private readonly shelf = inject(CardShelf);
  private readonly studio = inject(StudioStore);
  private readonly today = dayOf(new Date());
  readonly begin = output<ComingOccasion>();
  readonly more = MORE;
  readonly shown = signal(FIRST);
  readonly ribbon = computed(() => ribbonOf(this.shelf.cards(), this.studio.studio(), this.today));
  readonly coming = computed(() =>
    comingOccasions(this.shelf.cards(), this.studio.studio(), this.today, this.shown()),
  );
  readonly label = computed(
    () =>
      `The year ahead: ${this.ribbon().occasions.length} days with occasions, ${this.ribbon().cards.length} cards wanted`,
  );
}
