import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { areasOfHand, areasOfWords, handLettered, type HandLettered } from '@kettle/core/order/areas';
import { FONT_IDS, FONT_NAMES, mostArch, type Words } from '@kettle/core/drawing/lettering';
import { paintedOf } from '@kettle/core/document/plan';
import { LetteringService } from '../../state/lettering.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import { LengthField } from '../../ui/length-field.component';
import { alongField, placeFields, sizeField, type LengthOf } from '../../ui/length-of';
import { LengthRow } from '../../ui/length-row.component';

/** How high new capitals are, and how far new words stand off the edge, as shares of the panel’s height and width. */
const NEW_HIGH = 0.12;
const NEW_OFF = 0.1;

/** Lettering that runs out by less keeps to its measure, mm. */
const KEPT_MM = 0.5;

/** A pen for hand lettering as it is first taken up, mm. */
const NEW_PEN_MM = 1;

/** The words on the panel, one after another: what they say, in which letters, and how they stand. */
@Component({
  selector: 'kd-words',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, Choice, LengthField, LengthRow],
  templateUrl: './words.component.html',
  styleUrl: './leaf.scss',
})
export class WordsList {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  private readonly lettering = inject(LetteringService);
  readonly plan = this.store.plan;
  /** Width of the pen hand lettering is done with, mm. */
  readonly penMm = signal(NEW_PEN_MM);
  readonly fonts = FONT_IDS.map((id) => ({ id, name: FONT_NAMES[id] }));
  readonly settings: readonly { readonly id: Words['set']; readonly name: string }[] = [
    { id: 'left', name: 'from the left' },
    { id: 'middle', name: 'in the middle' },
    { id: 'right', name: 'to the right' },
    { id: 'spread', name: 'spread over the line' },
    { id: 'fill', name: 'as high as fills the line' },
  ];
  readonly rows = computed(() =>
    (this.plan()?.words ?? []).map((words) => {
      const setting = this.lettering.settings().get(words.id);
      const length = (mm: number): string => this.studio.length(mm);
      const over =
        setting && setting.overMm > 0.05 ? `Too long for its line by ${length(round(setting.overMm))}. ` : '';
      const missing =
        setting && setting.missing.length > 0 ? `These letters lack ${setting.missing.join(' ')}. ` : '';
      const size = setting
        ? `Capitals ${length(round(setting.capHeightMm))}, ${length(round(setting.widthMm))} wide.`
        : 'The letters are on their way.';
      const hand = setting ? handLettered(this.plan()!.lines, setting) : null;
      return {
        words,
        fields: fieldsOf(words),
        stop: over + missing,
        size,
        hand,
        byHand: hand && handInWords(hand, length),
      };
    }),
  );

  /** Words at the foot of the panel: what the card is to say outside. */
  write(): void {
    const plan = this.plan()!;
    const { widthMm, heightMm } = paintedOf(plan).panel;
    const y = round(heightMm * (1 - NEW_OFF));
    this.put({
      ...{
        id: `words-${crypto.randomUUID().slice(0, 8)}`,
        text: plan.brief.wordingOutside.slice(0, 60) || 'Thank you',
      },
      ...{ font: 'upright', capHeightMm: Math.max(1, round(heightMm * NEW_HIGH)) },
      ...{ from: [round(widthMm * NEW_OFF), y], to: [round(widthMm * (1 - NEW_OFF)), y] },
      ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'middle' },
    });
  }

  change(words: Words, change: Partial<Words>): void {
    const next = { ...words, ...change };
    const most = mostArch(next.from, next.to);
    if (Math.abs(next.archMm) > most) {
      this.messages.stop(
        `A line of this length arches by ${this.studio.length(round(most))} at most, which is half a circle.`,
        'It stays as it was.',
      );
      return;
    }
    this.put(next);
  }

  changeText(words: Words, field: HTMLInputElement): void {
    const text = field.value.trim();
    if (text !== '') this.change(words, { text });
    field.value = this.plan()!.words.find(({ id }) => id === words.id)!.text;
  }

  changeSlant(words: Words, field: HTMLInputElement): void {
    const slantDeg = Number(field.value.replace(',', '.'));
    if (field.value.trim() !== '' && Math.abs(slantDeg) <= 40) this.change(words, { slantDeg });
    field.value = String(this.plan()!.words.find(({ id }) => id === words.id)!.slantDeg);
  }

  makeAreas(words: Words): void {
    const setting = this.lettering.settings().get(words.id);
    if (setting) this.store.do(...areasOfWords(words, setting, newAreaId));
  }

  /** Makes areas of what is lettered by hand over words. */
  makeByHand(words: Words, { lines }: HandLettered): void {
    const own = new Set(lines);
    const drawn = this.plan()!.lines.filter(({ id }) => own.has(id));
    this.store.do(...areasOfHand(words.text, drawn, this.penMm(), newAreaId));
  }

  rubOut(words: Words): void {
    this.store.do({ do: 'rub-out-words', words: words.id });
  }

  private put(words: Words): void {
    this.store.do({ do: 'letter', words });
  }
}

const newAreaId = (): string => `area-${crypto.randomUUID().slice(0, 8)}`;

/** How lettering by hand keeps to the measure of its words. */
function handInWords({ lines, leftMm, rightMm }: HandLettered, length: (mm: number) => string): string {
  const strokes = lines.length === 1 ? '1 stroke' : `${lines.length} strokes`;
  const out = [
    ...(leftMm > KEPT_MM ? [`${length(round(leftMm))} on the left`] : []),
    ...(rightMm > KEPT_MM ? [`${length(round(rightMm))} on the right`] : []),
  ];
  const keeps = out.length === 0 ? 'keeps to its measure' : `runs out by ${out.join(' and ')}`;
  return `Lettered over by hand in ${strokes}; it ${keeps}.`;
}

const round = (mm: number): number => Math.round(10 * mm) / 10;

/** The lengths of words, row by row; each tells what changes. */
const fieldsOf = (words: Words): LengthOf<Partial<Words>>[][] => [
  [
    sizeField('capitals, high', words.capHeightMm, (capHeightMm) => ({ capHeightMm })),
    alongField('line rises by', words.archMm, (archMm) => ({ archMm })),
    alongField('between letters', words.spacingMm, (spacingMm) => ({ spacingMm })),
  ],
  placeFields('line begins', words.from, (from) => ({ from })),
  placeFields('line ends', words.to, (to) => ({ to })),
];
