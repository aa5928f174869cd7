import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import type { CardFormat, Mat } from '@kettle/core/commission/card';
import { CLIMATES_BY_FEEL } from '@kettle/core/materials/climate';
import { PAPERS, paperById } from '@kettle/core/materials/paper';
import {
  formatOf,
  paintedOf,
  planPaper,
  sizesOf,
  stillToCrop,
  type Command,
  type Studio,
} from '@kettle/core/document/plan';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { inAMoment } from '../../ui/by-and-by';
import { Choice } from '../../ui/choice.component';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { LengthField } from '../../ui/length-field.component';
import { CardDrawingComponent } from './card-drawing.component';
import { CropFrames } from './crop.component';
import { CropList } from './crop-list.component';
import { CuttingPlan } from './cutting.component';
import { postAnswer, tapeAnswer } from './cutting.view';
import { airFault, paperWords } from './paper.view';

/** One choice among a few, of the card's format. */
interface FormatChoice {
  readonly key: 'stands' | 'fold' | 'border' | 'edge';
  readonly label: string;
  readonly options: { readonly id: string; readonly name: string }[];
}

/** How the size of a card is come by. */
type Sizing = 'envelope' | 'own' | 'crop';

/** Room for a frame to slide in: a quarter more than the panel, in whole centimetres, mm. */
const roomy = (mm: number): number => 10 * Math.ceil((1.25 * mm) / 10);

/** A mat as it is first laid: thin card that shows a little, mm. */
const NEW_MAT: Mat = { thicknessMm: 0.3, showsMm: 4 };

/** From the envelope to the card, its sheet and its panel, drawn true to scale; and the paper itself. */
@Component({
  selector: 'kd-paper',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    Button,
    InputNumber,
    InputText,
    Choice,
    EnvelopeSelect,
    LengthField,
    CardDrawingComponent,
    CropFrames,
    CropList,
    CuttingPlan,
  ],
  templateUrl: './paper.component.html',
  styleUrl: './paper.component.scss',
})
export class PaperStation {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  private readonly ahead = inject(LookAheadService).ahead;
  readonly plan = this.store.plan;
  readonly inAMoment = inAMoment();
  readonly papers = [...PAPERS];
  readonly climates = [...CLIMATES_BY_FEEL];
  readonly choices: readonly FormatChoice[] = [
    {
      key: 'stands',
      label: 'How the card stands',
      options: [
        { id: 'lying', name: 'lying' },
        { id: 'upright', name: 'upright' },
      ],
    },
    {
      key: 'fold',
      label: 'Fold',
      options: [
        { id: 'side', name: 'folds at the side' },
        { id: 'top', name: 'folds at the top' },
        { id: 'flat', name: 'one flat sheet' },
      ],
    },
    {
      key: 'border',
      label: 'Border',
      options: [
        { id: 'taped', name: 'taped border' },
        { id: 'bleed', name: 'painted past the edge, then cut' },
        { id: 'bare', name: 'bare edge' },
      ],
    },
    {
      key: 'edge',
      label: 'Edge of the panel',
      options: [
        { id: 'cut', name: 'edge cut straight' },
        { id: 'rounded', name: 'corners rounded' },
        { id: 'deckled', name: 'edge deckled' },
        { id: 'torn', name: 'edge torn' },
      ],
    },
  ];
  readonly cardSizing: readonly { readonly id: Sizing; readonly name: string }[] = [
    { id: 'envelope', name: 'as large as its envelope takes' },
    { id: 'own', name: 'of a size of its own' },
    { id: 'crop', name: 'cropped last, from a larger painting' },
  ];
  readonly sizing = computed((): Sizing => {
    if (this.plan()?.crop) return 'crop';
    return this.plan()?.card.card ? 'own' : 'envelope';
  });
  readonly stillToCrop = computed(() => this.plan() !== null && stillToCrop(this.plan()!));
  readonly format = computed(() => (this.plan() ? formatOf(this.plan()!) : null));
  private readonly length = (mm: number): string => this.studio.length(mm);
  /** Thickness of the sheet that is painted, mm. */
  readonly panelMm = computed(() => (this.plan() ? planPaper(this.plan()!).thicknessMm : 0));
  readonly words = computed(() =>
    this.plan() ? paperWords(this.format()!, this.panelMm(), this.length) : null,
  );
  readonly sizes = computed(() => (this.plan() ? sizesOf(this.plan()!) : null));
  /** What would make it go in, by one press. */
  readonly mend = computed(
    () => this.ahead()?.findings.find(({ id }) => id === 'card-off-envelope')?.fix ?? null,
  );
  readonly tape = computed(() =>
    this.plan() ? tapeAnswer(this.plan()!, this.studio.studio(), this.length) : '',
  );
  readonly post = computed(() => (this.plan() ? postAnswer(this.plan()!, this.studio.studio()) : null));
  readonly letter = computed(() => this.studio.studio().letter);
  readonly board = computed(() => this.studio.studio().board);
  readonly feel = computed(() => {
    const climate = this.plan()?.climate;
    return (
      CLIMATES_BY_FEEL.find(
        (c) => c.tempC === climate?.tempC && c.rh === climate.rh && c.airMs === climate.airMs,
      )?.id ?? null
    );
  });

  set(change: Partial<CardFormat>): void {
    this.store.do({ do: 'set-format', change });
  }

  choose(key: FormatChoice['key'], id: string): void {
    this.set({ [key]: id });
  }

  measureEnvelope(edge: 'widthMm' | 'heightMm', mm: number): void {
    const other = this.plan()!.card.envelope[edge === 'widthMm' ? 'heightMm' : 'widthMm'];
    // Typed the other way round it is still the same envelope: the longer edge lies along the table.
    this.set({ envelope: { widthMm: Math.max(mm, other), heightMm: Math.min(mm, other) } });
  }

  take({ commands }: { readonly commands: readonly Command[] }): void {
    this.store.do(...commands);
  }

  /** A card of its own size begins at the size it has, a painting that is cropped last with room round it. */
  giveSize(sizing: Sizing): void {
    const plan = this.plan()!;
    const { widthMm, heightMm } = paintedOf(plan).panel;
    if (sizing === 'crop')
      this.store.do({
        do: 'paint-larger',
        painting: { widthMm: roomy(widthMm), heightMm: roomy(heightMm) },
      });
    else
      this.store.do(...(plan.crop ? [{ do: 'paint-to-size' as const }] : []), {
        do: 'set-format',
        change: { card: sizing === 'own' ? this.sizes()!.card : null },
      });
  }

  addMat(): void {
    this.set({ mats: [...this.plan()!.card.mats, NEW_MAT] });
  }

  changeMat(at: number, change: Partial<Mat>): void {
    this.set({ mats: this.plan()!.card.mats.map((mat, i) => (i === at ? { ...mat, ...change } : mat)) });
  }

  removeMat(at: number): void {
    this.set({ mats: this.plan()!.card.mats.filter((_, i) => i !== at) });
  }

  setLetter(change: Partial<Studio['letter']>): void {
    void this.studio.change({ letter: { ...this.letter(), ...change } });
  }

  setBoard(change: Partial<Studio['board']>): void {
    void this.studio.change({ board: { ...this.board(), ...change } });
  }

  choosePaper(id: string): void {
    this.store.do({ do: 'choose-paper', paper: paperById(id) });
  }

  chooseFeel(id: string): void {
    const { tempC, rh, airMs } = CLIMATES_BY_FEEL.find((c) => c.id === id)!;
    this.store.do({ do: 'set-climate', change: { tempC, rh, airMs } });
  }

  setClimate(key: 'tempC' | 'rh' | 'airMs', field: HTMLInputElement, scale = 1): void {
    const value = Number(field.value.replace(',', '.')) / scale;
    const fault = field.value.trim() === '' ? airFault(key, NaN) : airFault(key, value);
    if (fault) this.messages.stop(`${fault}, not “${field.value}”.`, 'The reading before it stands.');
    else this.store.do({ do: 'set-climate', change: { [key]: value } });
    field.value = (this.plan()!.climate[key] * scale).toFixed(2).replace(/\.?0+$/, '');
  }
}
