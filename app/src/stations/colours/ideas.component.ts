import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { ProgressBar } from 'primeng/progressbar';
import { blended, moodsIn, type Mood, type Suggestion } from '@kettle/core/materials/dish';
import { planPaper } from '@kettle/core/document/plan';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Search } from '../../state/search';
import { NumberField } from '../../ui/number-field.component';
import { Planner } from '../../workers/planner.service';
import { cautionsOf, hexOfLab } from './colours.view';
import { ColoursState } from './colours-state.service';

/** Palettes for the mood of a card, by what its painter takes the words to mean. */
@Component({
  selector: 'kd-ideas',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, NumberField, ProgressBar],
  template: `
    <section>
      <h2>Ideas</h2>
      <p class="soft">Which colours go with what is taste, and yours: say what a word means to you.</p>
      @if (meant().length > 0) {
        <p>On this card: {{ words() }}.</p>
        <p-button label="Three palettes for it" [disabled]="share() !== null" (onClick)="suggest()" />
      } @else {
        <p>
          None of your words stands in the mood or the occasion of this card ({{
            text() || 'nothing is said there'
          }}).
        </p>
      }
      @if (share() !== null) {
        <p-progressbar [value]="share()! * 100" [showValue]="false" ariaLabel="Choosing palettes" />
        <button class="plain" type="button" (click)="stop()">Stop looking</button>
      }
      @for (idea of ideas(); track idea.scheme) {
        <figure data-testid="idea">
          <p class="dabs">
            @for (dab of idea.dabs; track $index) {
              <span [style.background]="dab"></span>
            }
          </p>
          <figcaption>
            <strong>{{ idea.names }}</strong>
            <p class="soft">{{ idea.why }}</p>
            @for (caution of idea.cautions; track caution) {
              <p class="stop" data-testid="caution">{{ caution }}</p>
            }
            <button
              class="plain"
              type="button"
              [attr.aria-label]="'Set these out: ' + idea.names"
              (click)="setOut(idea.codes)"
            >
              Set these out
            </button>
          </figcaption>
        </figure>
      }
    </section>
    <section>
      <h3>Your words</h3>
      @for (mood of moods(); track mood.word) {
        <fieldset>
          <legend>{{ mood.word }}</legend>
          <div class="row">
            <kd-number-field
              label="light, 0–100"
              [least]="0"
              [most]="100"
              [value]="whole(100 * mood.light)"
              (valueChange)="change(mood, { light: $event! / 100 })"
            />
            <kd-number-field
              label="warm, −100–100"
              [least]="-100"
              [most]="100"
              [value]="whole(100 * mood.warm)"
              (valueChange)="change(mood, { warm: $event! / 100 })"
            />
            <kd-number-field
              label="strong, 0–100"
              [least]="0"
              [most]="100"
              [value]="whole(100 * mood.strong)"
              (valueChange)="change(mood, { strong: $event! / 100 })"
            />
            <button
              class="plain"
              type="button"
              [attr.aria-label]="'Forget it: ' + mood.word"
              (click)="forget(mood)"
            >
              Forget it
            </button>
          </div>
        </fieldset>
      }
      <div class="row">
        <label class="field"
          ><span>another word</span
          ><input #word pInputText maxlength="40" data-testid="mood-word" (keydown.enter)="add(word)"
        /></label>
        <button class="plain" type="button" (click)="add(word)">Keep it</button>
      </div>
    </section>
  `,
  styleUrls: ['./colours.component.scss', './charts.component.scss'],
})
export class Ideas {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly box = inject(PaintBox);
  private readonly desk = inject(ColoursState);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  private readonly search = new Search();

  readonly moods = computed(() => this.studio.studio().moods);
  readonly text = computed(() => {
    const brief = this.store.plan()?.brief;
    return brief ? [brief.occasion, brief.mood].filter(Boolean).join(', ') : '';
  });
  readonly meant = computed(() => moodsIn(this.moods(), this.text()));
  readonly words = computed(() =>
    this.meant()
      .map(({ word }) => word)
      .join(', '),
  );
  readonly share = this.search.share;
  private readonly found = signal<readonly Suggestion[]>([]);
  readonly ideas = computed(() =>
    this.found().map(({ scheme, says, pigments, mixes, meanDeltaE }) => ({
      scheme,
      codes: pigments.map(({ code }) => code),
      names: pigments.map((pigment) => this.box.called(pigment)).join(', '),
      dabs: mixes.map(({ dry }) => hexOfLab(dry.lab)),
      why: `For ${this.words()}: ${says}. Its colours come to ΔE ${meanDeltaE.toFixed(1)} in the mean.`,
      cautions: cautionsOf(pigments),
    })),
  );
  readonly whole = Math.round;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  async suggest(): Promise<void> {
    const box = this.box.toPaintWith().filter(({ metallic }) => !metallic);
    const paper = planPaper(this.store.plan()!);
    try {
      const answer = await this.search.find(this.worker.suggest({ box, paper, mood: blended(this.meant()) }));
      if (answer) this.found.set(answer);
    } catch (cause) {
      this.messages.stop(`No palette could be chosen: ${String(cause)}.`, 'The dish is as it was.');
    }
  }

  stop(): void {
    this.search.stop();
  }

  /** Sets a suggestion out; what mixes are made of stays on the dish. */
  setOut(codes: readonly string[]): void {
    this.desk.setOut(codes);
  }

  add(field: HTMLInputElement): void {
    const word = field.value.trim();
    if (word === '' || this.moods().some((mood) => mood.word.toLowerCase() === word.toLowerCase())) return;
    field.value = '';
    void this.studio.change({ moods: [...this.moods(), { word, light: 0.6, warm: 0, strong: 0.5 }] });
  }

  change(mood: Mood, change: Partial<Mood>): void {
    void this.studio.change({
      moods: this.moods().map((other) => (other.word === mood.word ? { ...other, ...change } : other)),
    });
  }

  forget({ word }: Mood): void {
    void this.studio.change({ moods: this.moods().filter((mood) => mood.word !== word) });
  }
}
