import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { InputText } from 'primeng/inputtext';
import { hexOf, labOf } from '@kettle/core/kit/colour';
import { writeGpl } from '@kettle/core/files/formats';
import { paperReflectance } from '@kettle/core/materials/paper';
import { readHead, type Corners } from '@kettle/core/drawing/photo';
import { glazeLab, REFERENCE_FILM_UM, type Pigment } from '@kettle/core/materials/pigment';
import { laidMix, planPaper } from '@kettle/core/document/plan';
import { swatchSheetSvg } from '@kettle/core/files/prints';
import { BadInput } from '@kettle/core/kit/units';
import { bytesOf, LARGEST_PICTURE } from '../../data/read-file';
import { Messages } from '../../state/messages.service';
import { PaintBox } from '../../state/paint-box.service';
import { PlanStore } from '../../state/plan-store';
import { handOver } from '../../ui/hand-over';
import { PlacesDialog } from '../../ui/places-dialog.component';
import { PictureWorker } from '../../workers/picture-worker.service';
import { Planner } from '../../workers/planner.service';
import { chartsOf, freeCode, readRows, sheetOf, type ReadRow } from './charts.view';
import { reachChart, REACH_LEVELS } from './reach-chart';

/** The four marks as they lie when nobody has pulled them yet. */
const NEARLY_WHOLE: Corners = [
  [0.06, 0.06],
  [0.94, 0.06],
  [0.94, 0.94],
  [0.06, 0.94],
];

/** What the pigments of the dish do to one another, on paper and in a chart; and the swatch sheet by which they are measured. */
@Component({
  selector: 'kd-charts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText, PlacesDialog],
  templateUrl: './charts.component.html',
  styleUrls: ['./colours.component.scss', './charts.component.scss'],
})
export class ChartsNote {
  private readonly store = inject(PlanStore);
  private readonly box = inject(PaintBox);
  private readonly table = inject(Planner);
  private readonly pictures = inject(PictureWorker);
  private readonly messages = inject(Messages);
  private readonly plot = viewChild.required<ElementRef<HTMLDivElement>>('plot');
  private readonly called = this.box.called.bind(this.box);

  readonly palette = computed(() => {
    const plan = this.store.plan();
    return plan ? plan.embedded.pigments.filter(({ code }) => plan.palette.includes(code)) : [];
  });
  readonly charts = computed(() => {
    const plan = this.store.plan();
    return plan ? chartsOf(plan, this.palette(), this.called) : [];
  });
  readonly sheet = computed(() => sheetOf(this.palette(), this.called));
  readonly marks = NEARLY_WHOLE;
  readonly photo = signal<{ readonly file: Blob; readonly href: string } | null>(null);
  readonly read = signal<readonly ReadRow[]>([]);
  readonly says = signal('');
  readonly plotted = signal(false);

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      const at = this.photo();
      if (at) URL.revokeObjectURL(at.href);
    });
  }

  printSheet(): void {
    const title = `${this.store.plan()!.title}, swatch sheet`;
    handOver(swatchSheetSvg(this.sheet(), title), `${title}.svg`, 'image/svg+xml');
  }

  /** The mixes of the card as they dry, for other programs. */
  savePalette(): void {
    const plan = this.store.plan()!;
    const colours = plan.mixes.map((mix) => ({
      name: mix.name,
      hex: hexOf(glazeLab(planPaper(plan), [laidMix(plan, mix, REFERENCE_FILM_UM)])),
    }));
    handOver(writeGpl(plan.title, colours), `${plan.title}.gpl`, 'text/plain');
  }

  async open(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      readHead(await bytesOf(file, LARGEST_PICTURE));
      this.photo.set({ file, href: URL.createObjectURL(file) });
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${file.name}: the ${cause.message}.`, 'Nothing was read, and nothing was changed.');
    }
  }

  async marksAre(places: readonly (readonly [number, number])[]): Promise<void> {
    const { file, href } = this.photo()!;
    const plan = this.store.plan()!;
    try {
      const white = labOf(paperReflectance(planPaper(plan).white));
      const labs = await this.pictures.readSheet(file, places as unknown as Corners, this.sheet(), white);
      this.read.set(readRows(plan, this.sheet(), labs, this.palette()));
      this.photo.set(null);
      URL.revokeObjectURL(href);
    } catch (cause) {
      const says = cause instanceof Error ? cause.message : String(cause);
      this.messages.stop(
        `The sheet could not be read: ${says}.`,
        'Pull the marks again; nothing was changed.',
      );
    }
  }

  /** Takes the painter’s own swatches for a pigment’s spectra, here and in the box. */
  async calibrate(row: ReadRow): Promise<void> {
    const plan = this.store.plan()!;
    const pigment = await this.fitted(row, this.box.byCode(row.code));
    if (!pigment || !(await this.box.calibrated(pigment))) return;
    this.store.do({
      ...{ do: 'set-out', palette: plan.palette },
      pigments: plan.palette.map((code) => this.box.byCode(code)),
    });
  }

  /** Keeps the painter’s swatches as a pigment of its own in the box, beside the one it is like. */
  async keepAsOwn(row: ReadRow, field: HTMLInputElement): Promise<void> {
    const name = field.value.trim();
    if (name === '') return;
    const code = freeCode(
      name,
      this.box.pigments().map((pigment) => pigment.code),
    );
    const pigment = await this.fitted(row, this.box.byCode(row.code));
    if (!pigment || !(await this.box.calibrated({ ...pigment, code, name, ci: code }))) return;
    this.box.own(code, true);
    field.value = '';
  }

  private async fitted(row: ReadRow, like: Pigment): Promise<Pigment | null> {
    this.says.set(`${row.name} is being fitted…`);
    try {
      const paper = planPaper(this.store.plan()!);
      const { pigment, worst } = await firstValueFrom(
        this.table.calibrate({ like, paper, swatches: row.swatches }),
      );
      this.says.set(`${row.name} is calibrated; its swatches lie within ΔE ${worst.toFixed(1)} of the fit.`);
      return { ...pigment, code: like.code };
    } catch (cause) {
      this.says.set('');
      const says = cause instanceof Error ? cause.message : String(cause);
      this.messages.stop(`${row.name} could not be fitted: ${says}.`, 'Its spectra are as they were.');
      return null;
    }
  }

  /** Draws the reach of the palette at several lightnesses with what is mixed and what is wanted; the chart is loaded only then. */
  async showReach(): Promise<void> {
    const plan = this.store.plan()!;
    const paper = planPaper(plan);
    try {
      const palette = this.palette().slice(0, 6);
      const reaches = await firstValueFrom(this.table.reach({ palette, paper, levels: REACH_LEVELS }));
      const mixes = plan.mixes.map((mix) => {
        const lab = glazeLab(paper, [laidMix(plan, mix, REFERENCE_FILM_UM)]);
        return { name: mix.name, lab, hex: hexOf(lab), wanted: mix.wanted };
      });
      this.plotted.set(true);
      // It is drawn as wide as it stands, so it has to stand there first.
      await new Promise(requestAnimationFrame);
      await reachChart(this.plot().nativeElement, reaches, mixes);
    } catch (cause) {
      this.plotted.set(false);
      this.messages.stop(`The chart could not be drawn: ${String(cause)}.`, 'The dish is as it was.');
    }
  }
}
