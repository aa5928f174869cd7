import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { catchError, map, of, switchMap } from 'rxjs';
import { InputText } from 'primeng/inputtext';
import { Slider } from 'primeng/slider';
import { labOf, labOfHex, labPlane, labSchema, type Lab } from '@kettle/core/kit/colour';
import { readGpl } from '@kettle/core/files/formats';
import { paperReflectance } from '@kettle/core/materials/paper';
import { readHead } from '@kettle/core/drawing/photo';
import { BadInput } from '@kettle/core/kit/units';
import { bytesOf, LARGEST_PICTURE, textOf } from '../../data/read-file';
import { Messages } from '../../state/messages.service';
import { NumberField } from '../../ui/number-field.component';
import { PlacesDialog } from '../../ui/places-dialog.component';
import { Swatch } from '../../ui/swatch.component';
import { PictureWorker } from '../../workers/picture-worker.service';
import { Planner } from '../../workers/planner.service';
import { hexOfLab, labTyped } from './colours.view';
import { ColoursState } from './colours-state.service';

/** The plane reaches so far in a* and b*, and is drawn with so many pixels a side. */
const REACH = 85;
const SIZE = 85;

/** A key moves the wanted colour by so much. */
const STEP = 1;

type Places = readonly (readonly [number, number])[];

/** A colour that is looked for: dragged over a plane, typed, or taken from a photo or a palette. */
@Component({
  selector: 'kd-wanted',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText, NumberField, PlacesDialog, Slider, Swatch],
  templateUrl: './wanted.component.html',
  styleUrl: './colours.component.scss',
})
export class Wanted {
  readonly desk = inject(ColoursState);
  private readonly worker = inject(Planner);
  private readonly pictures = inject(PictureWorker);
  private readonly messages = inject(Messages);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly over = viewChild.required<ElementRef<SVGSVGElement>>('over');

  readonly size = SIZE;
  readonly round = Math.round;
  readonly hexFor = hexOfLab;
  readonly axes = [
    { name: 'L*', least: 0, most: 100 },
    { name: 'a*', least: -150, most: 150 },
    { name: 'b*', least: -150, most: 150 },
  ] as const;
  readonly fault = signal('');
  readonly photo = signal<{
    readonly file: Blob;
    readonly href: string;
    readonly bare: Places | null;
  } | null>(null);
  readonly brought = signal<readonly Lab[]>([]);

  readonly hex = computed(() => hexOfLab(this.desk.wanted()));
  readonly at = computed(() => [this.desk.wanted()[1] / REACH, -this.desk.wanted()[2] / REACH] as const);
  readonly inWords = computed(
    () =>
      `L* ${this.round(this.desk.wanted()[0])}, a* ${this.round(this.desk.wanted()[1])}, b* ${this.round(this.desk.wanted()[2])}`,
  );
  private readonly level = computed(() => Math.round(this.desk.wanted()[0]));
  private readonly reach = toSignal(
    toObservable(
      computed(() => ({ dish: this.desk.dish(), level: this.level() }), {
        equal: (a, b) => a.dish?.palette === b.dish?.palette && a.level === b.level,
      }),
    ).pipe(
      switchMap(({ dish, level }) =>
        dish && dish.palette.length > 0
          ? this.worker.reach({ palette: dish.palette, paper: dish.paper, levels: [level] }).pipe(
              map(([regions]) => regions),
              catchError((cause: unknown) => {
                this.messages.stop(
                  `What the dish reaches is not known: ${String(cause)}.`,
                  'The dish is as it was.',
                );
                return of([]);
              }),
            )
          : of([]),
      ),
    ),
    { initialValue: [] },
  );
  readonly reachPath = computed(() =>
    this.reach()
      .flat()
      .map(
        (ring) =>
          `M${ring.map(([a, b]) => `${(a / REACH).toFixed(3)} ${(-b / REACH).toFixed(3)}`).join('L')}Z`,
      )
      .join(''),
  );

  constructor() {
    afterRenderEffect(() => {
      const context = this.canvas().nativeElement.getContext('2d')!;
      const pixels = new ImageData(SIZE, SIZE);
      pixels.data.set(labPlane(this.level(), SIZE, REACH));
      context.putImageData(pixels, 0, 0);
    });
  }

  take(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.pull(event);
  }

  pull(event: PointerEvent): void {
    if (!(event.currentTarget as Element).hasPointerCapture(event.pointerId)) return;
    const { left, top, width, height } = this.over().nativeElement.getBoundingClientRect();
    const share = (at: number, from: number, length: number): number =>
      Math.min(1, Math.max(-1, (2 * (at - from)) / length - 1));
    const a = REACH * share(event.clientX, left, width);
    const b = -REACH * share(event.clientY, top, height);
    this.desk.wanted.set([this.desk.wanted()[0], a, b]);
  }

  key(event: KeyboardEvent): void {
    const [, a, b] = this.desk.wanted();
    const step = STEP * (event.shiftKey ? 10 : 1);
    const moves: Readonly<Record<string, readonly [number, number] | undefined>> = {
      ArrowLeft: [a - step, b],
      ArrowRight: [a + step, b],
      ArrowUp: [a, b + step],
      ArrowDown: [a, b - step],
    };
    const to = moves[event.key];
    if (!to) return;
    event.preventDefault();
    this.desk.wanted.set([
      this.desk.wanted()[0],
      ...(to.map((v) => Math.min(REACH, Math.max(-REACH, v))) as [number, number]),
    ]);
  }

  setAxis(axis: number, value: number): void {
    const lab = this.desk.wanted().map((v, i) => (i === axis ? value : v));
    const read = labSchema.safeParse(lab);
    if (read.success) this.desk.wanted.set(read.data);
  }

  typeHex(field: HTMLInputElement): void {
    const lab = labTyped(field.value);
    this.fault.set(lab ? '' : `“${field.value}” is no colour: write #rrggbb, or L, a, b as three numbers.`);
    if (lab) this.desk.wanted.set(lab);
    field.value = this.hex();
  }

  async open(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      readHead(await bytesOf(file, LARGEST_PICTURE));
      await this.pictures.sizeOf(file).catch(() => {
        throw new BadInput('picture', 'is damaged: it cannot be unpacked');
      });
      this.photo.set({ file, href: URL.createObjectURL(file), bare: null });
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(
        `${file.name}: the ${cause.message}.`,
        'No colour was taken, and nothing was changed.',
      );
    }
  }

  async openPalette(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      const { colours } = readGpl(await textOf(file));
      this.brought.set(colours.map(({ hex }) => labOfHex(hex)));
      if (colours.length > 0) this.desk.wanted.set(labOfHex(colours[0].hex));
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(
        `${file.name}: the ${cause.message}.`,
        'No colour was taken, and nothing was changed.',
      );
    }
  }

  closePhoto(): void {
    const at = this.photo();
    if (at) URL.revokeObjectURL(at.href);
    this.photo.set(null);
  }

  bareIs(bare: Places): void {
    this.photo.update((at) => at && { ...at, bare });
  }

  async coloursAre(places: Places): Promise<void> {
    const { file, bare } = this.photo()!;
    this.closePhoto();
    try {
      const white = labOf(paperReflectance(this.desk.dish()!.paper.white));
      const labs = await this.pictures.coloursAt(file, [...bare!].map(pair), white, [...places].map(pair));
      this.brought.set(labs);
      if (labs.length > 0) this.desk.wanted.set(labs[0]);
    } catch (cause) {
      const says = cause instanceof Error ? cause.message : String(cause);
      this.messages.stop(`No colours could be read: ${says}.`, 'Nothing was changed.');
    }
  }

  tenth(value: number): number {
    return Math.round(10 * value) / 10;
  }
}

const pair = ([x, y]: readonly [number, number]): [number, number] => [x, y];
