import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import type { Remedy, Symptom } from '@kettle/core/advice/trials';
import { PaintingService } from '../../../state/painting.service';
import { SheetsService } from '../../../state/sheets.service';
import { pictureHref } from '../../../panel/picture-href';
import { Choice } from '../../../ui/choice.component';
import type { Forecast } from '../../../workers/sheet-jobs';
import { mishapAt, outcomeInWords, remediesAt, SYMPTOM_CHOICES } from './rescue.view';
import { HandService } from './hand.service';

/** A way out, and what would come of it. */
interface Outlook {
  readonly remedy: Remedy;
  readonly forecast: Forecast | null;
}

/** Something went wrong: point at it, and see what would help before it is done. */
@Component({
  selector: 'kd-rescue',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  templateUrl: './rescue.component.html',
  styleUrl: './rescue.component.scss',
})
export class RescueView {
  private readonly painting = inject(PaintingService);
  private readonly sheets = inject(SheetsService);
  readonly hand = inject(HandService);

  readonly symptoms = SYMPTOM_CHOICES;
  readonly symptom = signal<Symptom>('bloom');
  readonly reaches = [
    { id: 3, name: 'a spot' },
    { id: 7, name: 'a patch' },
    { id: 15, name: 'a large part' },
  ];
  readonly outlooks = signal<readonly Outlook[]>([]);
  readonly doing = signal<string | null>(null);
  readonly sheet = this.painting.sheet;
  readonly progress = this.sheets.progress;
  /** The place and what is round it, as the box of a picture, mm. */
  readonly box = computed(() => {
    const place = this.hand.pointed();
    if (!place) return '0 0 1 1';
    const side = 5 * place.radiusMm;
    return `${place.at[0] - side / 2} ${place.at[1] - side / 2} ${side} ${side}`;
  });
  readonly href = pictureHref;
  readonly says = outcomeInWords;
  private asked = 0;

  constructor() {
    effect(() => {
      const place = this.hand.pointed();
      untracked(() => {
        if (place) void this.lookAhead();
      });
    });
  }

  point(): void {
    this.outlooks.set([]);
    this.hand.pointing.set(true);
  }

  stop(): void {
    this.asked++;
    this.sheets.stop();
  }

  async carryOut({ remedy }: Outlook): Promise<void> {
    this.doing.set(remedy.id);
    await this.painting.carryOut(remedy);
    this.doing.set(null);
    this.outlooks.set([]);
    this.hand.pointed.set(null);
  }

  /** Simulates each way out, one after another. */
  private async lookAhead(): Promise<void> {
    const [sheet, place] = [this.sheet(), this.hand.pointed()];
    if (!sheet || !place) return;
    const asked = ++this.asked;
    this.painting.clock({ rate: 0 });
    const reading = await this.painting.read({ circle: [...place.at, place.radiusMm] });
    if (!reading || asked !== this.asked) return;
    const remedies = remediesAt(mishapAt(sheet, this.symptom(), reading, place));
    this.outlooks.set(remedies.map((remedy) => ({ remedy, forecast: null })));
    for (const remedy of remedies) {
      const forecast = await this.sheets.forecast(sheet.id, remedy, place);
      if (asked !== this.asked) return;
      this.outlooks.update((all) =>
        all.map((outlook) => (outlook.remedy === remedy ? { remedy, forecast } : outlook)),
      );
    }
  }
}
