import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { inPerspective, type Corners, type Picture } from '@kettle/core/drawing/photo';
import { paintedOf } from '@kettle/core/document/plan';
import { BadInput } from '@kettle/core/kit/units';
import { Messages } from '../../state/messages.service';
import { Pictures } from '../../state/pictures.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { LengthField } from '../../ui/length-field.component';
import { placeFields, sizeField, type LengthOf } from '../../ui/length-of';
import { LengthRow } from '../../ui/length-row.component';
import { PlacesDialog } from '../../ui/places-dialog.component';

/** Corners as they lie when nobody has pulled them yet. */
const NEARLY_WHOLE: Corners = [
  [0.1, 0.1],
  [0.9, 0.1],
  [0.9, 0.9],
  [0.1, 0.9],
];

/** The pictures that lie under the drawing: brought, placed, faded, set straight and corrected on bare paper. */
@Component({
  selector: 'kd-pictures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, LengthField, LengthRow, PlacesDialog],
  templateUrl: './pictures.component.html',
  styleUrl: './leaf.scss',
})
export class PicturesList {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  private readonly pictures = inject(Pictures);
  private use: Picture['use'] = 'traced';
  readonly rows = computed(() =>
    (this.store.plan()?.pictures ?? []).map((picture) => ({
      picture,
      fields: fieldsOf(picture),
      faded: Math.round(100 * picture.faded),
      says: [
        picture.use === 'ground' ? 'The real panel.' : 'To be traced.',
        `${this.studio.length(picture.widthMm)} × ${this.studio.length(picture.heightMm)}.`,
        picture.corners ? 'Set straight.' : '',
        picture.bare.length > 0 ? `Its light put right by ${picture.bare.length} places.` : '',
      ].join(' '),
    })),
  );
  /** The picture whose corners are being pulled. */
  readonly corners = signal<{
    readonly picture: Picture;
    readonly href: string;
    readonly places: Corners;
    readonly widthMm: number;
    readonly heightMm: number;
  } | null>(null);
  /** The picture on which bare paper is being pressed. */
  readonly pressed = signal<string | null>(null);
  /** It is shown for that once it is set straight, which takes a moment. */
  readonly paper = computed(
    () => this.pictures.shown().find(({ picture, fresh }) => fresh && picture.id === this.pressed()) ?? null,
  );

  bring(file: HTMLInputElement, use: Picture['use']): void {
    this.use = use;
    file.click();
  }

  async open(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    try {
      const picture = await this.pictures.bring(file, this.use);
      this.put(picture);
      await this.straighten(picture);
    } catch (cause) {
      if (cause instanceof BadInput)
        this.messages.stop(`${file.name}: the ${cause.message}.`, 'Nothing was laid.');
      else throw cause;
    } finally {
      // The same file may be chosen again.
      input.value = '';
    }
  }

  put(picture: Picture): void {
    this.store.do({ do: 'lay-picture', picture });
  }

  takeAway({ id }: Picture): void {
    this.store.do({ do: 'take-picture', picture: id });
  }

  fade(picture: Picture, field: HTMLInputElement): void {
    const percent = Number(field.value.replace(',', '.'));
    if (field.value.trim() !== '' && percent >= 0 && percent <= 100)
      this.put({ ...picture, faded: percent / 100 });
    else field.value = String(Math.round(100 * picture.faded));
  }

  async straighten(picture: Picture): Promise<void> {
    const file = await this.pictures.original(picture);
    if (!file) {
      this.messages.stop(`The file of “${picture.name}” is not in this browser.`, 'Nothing was changed.');
      return;
    }
    const { panel } = paintedOf(this.store.plan()!);
    const { widthMm, heightMm } = picture.corners ? picture : panel;
    const href = URL.createObjectURL(file);
    this.corners.set({ picture, href, places: picture.corners ?? NEARLY_WHOLE, widthMm, heightMm });
  }

  truth(change: { widthMm: number } | { heightMm: number }): void {
    this.corners.update((at) => at && { ...at, ...change });
  }

  straightened(places: [number, number][]): void {
    const { picture, widthMm, heightMm } = this.corners()!;
    const corners = places as unknown as Corners;
    try {
      inPerspective(corners);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`The ${cause.message}.`, 'Pull them again; nothing was changed.');
      return;
    }
    this.corners.set(null);
    const { panel } = paintedOf(this.store.plan()!);
    const at: [number, number] = [(panel.widthMm - widthMm) / 2, (panel.heightMm - heightMm) / 2];
    // What was pressed as bare paper lay elsewhere.
    this.put({ ...picture, corners, widthMm, heightMm, at, bare: [] });
  }

  corrected(picture: Picture, bare: [number, number][]): void {
    this.pressed.set(null);
    this.put({ ...picture, bare });
  }
}

/** Where a picture lies and how large, row by row. */
const fieldsOf = (picture: Picture): LengthOf<Picture>[][] => [
  placeFields('its corner', [picture.at[0], picture.at[1]], (at) => ({ ...picture, at })),
  [
    sizeField('wide', picture.widthMm, (widthMm) => ({
      ...{ ...picture, widthMm },
      heightMm: Math.max(0.1, Math.round((10 * widthMm * picture.heightMm) / picture.widthMm) / 10),
    })),
  ],
];
