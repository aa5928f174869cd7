import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import type { MenuItem } from 'primeng/api';
import { STATIONS } from '@kettle/core/document/plan';
import { BadInput, shortened } from '@kettle/core/kit/units';
import { CardShelf } from '../state/card-shelf';
import { Messages } from '../state/messages.service';
import { PlanStore } from '../state/plan-store';
import { Renewal } from '../state/renewal.service';
import { StudioStore } from '../state/studio-store';
import { handOver } from '../ui/hand-over';
import { DemoDialog } from './demo-dialog.component';
import { FrameKeys } from './frame-keys.service';

/** What is done with whole cards and with the house: undo, files, units, the demo card. */
@Component({
  selector: 'kd-house-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, DemoDialog, Menu],
  template: `
    <p-menu #menu [model]="items()" [popup]="true" appendTo="body" ariaLabel="House menu" />
    <p-button
      label="More"
      severity="secondary"
      [outlined]="true"
      ariaLabel="More: undo, files, units"
      (onClick)="menu.toggle($event)"
    />
    @if (putsDemoBack()) {
      <kd-demo-dialog (closed)="putsDemoBack.set(false)" />
    }
    <input #file type="file" accept=".kettle" hidden data-testid="open-file" (change)="openFile(file)" />
  `,
})
export class HouseMenu {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);
  private readonly keys = inject(FrameKeys);
  private readonly renewal = inject(Renewal);
  readonly putsDemoBack = signal(false);

  private readonly file = viewChild.required<ElementRef<HTMLInputElement>>('file');
  private readonly navigated = toSignal(this.router.events);

  readonly items = computed((): MenuItem[] => {
    const open = this.store.open();
    const station = this.stationMark();
    const inches = this.studio.studio().lengthUnit === 'in';
    return [
      {
        label: 'Undo',
        disabled: !(open?.canUndo ?? this.studio.canUndo),
        command: () => this.keys.undo(),
      },
      {
        label: 'Redo',
        disabled: !(open?.canRedo ?? this.studio.canRedo),
        command: () => this.keys.redo(),
      },
      {
        label: station?.label ?? 'Not needed for this card',
        disabled: !station,
        command: () => station?.toggle(),
      },
      { separator: true },
      { label: 'To the rack', command: () => void this.router.navigate(['/rack']) },
      { label: 'To the cupboard', command: () => void this.router.navigate(['/cupboard']) },
      {
        label: this.renewal.readyOffline() ? 'Safekeeping · ready without a network' : 'Safekeeping',
        command: () => void this.router.navigate(['/safekeeping']),
      },
      { separator: true },
      { label: 'Save the card as a .kettle file', disabled: !open, command: () => void this.saveFile() },
      {
        label: 'Open a .kettle file',
        command: () => this.file().nativeElement.click(),
      },
      { separator: true },
      {
        label: inches ? 'Measure in mm' : 'Measure in inches',
        command: () => void this.studio.change({ lengthUnit: inches ? 'mm' : 'in' }),
      },
      { label: 'Put demo cards back…', command: () => this.putsDemoBack.set(true) },
    ];
  });

  /** The station on show, to be marked as not needed for this card or needed after all. */
  private stationMark(): { label: string; toggle: () => void } | null {
    this.navigated();
    const plan = this.store.plan();
    const station = STATIONS.find((name) => name === this.router.url.split('/').at(-1));
    if (!plan || !station) return null;
    const notNeeded = !plan.notNeeded.includes(station);
    return {
      label: notNeeded ? `This card does without ${station}` : `This card needs ${station} after all`,
      toggle: () => this.store.do({ do: 'mark-not-needed', station, notNeeded }),
    };
  }

  private async saveFile(): Promise<void> {
    const plan = this.store.plan();
    if (plan) handOver(await this.shelf.fileOf(plan), `${plan.title}.kettle`, 'application/zip');
  }

  async openFile(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      const { id, missing, leftOut } = await this.shelf.openFile(file);
      this.messages.clear();
      if (missing.length > 0)
        this.messages.say(
          `${file.name} is without its pictures: ${quoted(missing)}.`,
          'All the rest has come in.',
        );
      else if (leftOut.length > 0)
        this.messages.say(
          `Not taken in from ${file.name}: ${quoted(leftOut)}.`,
          'It does not belong to the card.',
        );
      await this.router.navigate(['/card', id, 'brief']);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(
        `${file.name} was not opened. ${cause.message}.`,
        'The file and your cards are untouched.',
      );
    }
  }
}

/** So many names are told of a list. */
const MOST_NAMED = 3;
const quoted = (names: readonly string[]): string =>
  [
    ...names.slice(0, MOST_NAMED).map((name) => `“${shortened(name, 60)}”`),
    ...(names.length > MOST_NAMED ? [`${names.length - MOST_NAMED} more`] : []),
  ].join(', ');
