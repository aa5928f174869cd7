import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import type { CropFrame, Size } from '@kettle/core/commission/card';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import { EnvelopeSelect } from '../../ui/envelope-select.component';
import { LengthField } from '../../ui/length-field.component';
import { frameMoved, frameRows, trimInWords } from './crop.view';

/** More frames over one painting hide it. */
const MOST_FRAMES = 8;

/** The frames over a painting one by one: which envelope, where, how turned, what is kept; and the one that is cut. */
@Component({
  selector: 'kd-crop-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, InputText, Choice, EnvelopeSelect, LengthField],
  templateUrl: './crop-list.component.html',
  styles: `
    li {
      margin-top: 14px;
    }
    ul {
      list-style: none;
      padding: 0;
    }
    input {
      width: 5em;
    }
  `,
})
export class CropList {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly length = (mm: number): string => this.studio.length(mm);
  readonly plan = this.store.plan;
  readonly rows = computed(() => (this.plan() ? frameRows(this.plan()!, this.length) : []));
  readonly trim = computed(() => {
    const chosen = this.rows().find((row) => row.chosen);
    return chosen ? trimInWords(chosen, this.length) : '';
  });
  readonly more = computed(() => this.rows().length < MOST_FRAMES);
  readonly stands = [
    { id: 'lying', name: 'lying' },
    { id: 'upright', name: 'upright' },
  ] as const;

  setPainting(change: Partial<Size>): void {
    this.store.do({ do: 'paint-larger', painting: { ...this.plan()!.crop!.painting, ...change } });
  }

  /** A further frame in the middle of the painting, for the card’s envelope. */
  lay(): void {
    const { crop, card } = this.plan()!;
    const frame: CropFrame = {
      id: `frame-${crypto.randomUUID().slice(0, 8)}`,
      ...{ envelope: card.envelope, stands: card.stands },
      ...{ xMm: crop!.painting.widthMm / 2, yMm: crop!.painting.heightMm / 2, turnDeg: 0 },
    };
    this.store.do({ do: 'lay-frame', frame });
  }

  change(frame: CropFrame, change: Parameters<typeof frameMoved>[2]): void {
    this.store.do({ do: 'lay-frame', frame: frameMoved(this.plan()!, frame, change) });
  }

  turn(frame: CropFrame, field: HTMLInputElement): void {
    const turnDeg = Number(field.value.replace(',', '.'));
    if (field.value.trim() !== '' && Number.isFinite(turnDeg)) this.change(frame, { turnDeg });
    field.value = String(this.plan()!.crop!.frames.find(({ id }) => id === frame.id)!.turnDeg);
  }

  choose(frame: string | null): void {
    this.store.do({ do: 'choose-frame', frame });
  }

  takeAway(frame: string): void {
    this.store.do({ do: 'take-frame', frame });
  }
}
