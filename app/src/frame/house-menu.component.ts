import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Menu } from 'primeng/menu';
import type { MenuItem } from 'primeng/api';
import { STATIONS } from '@kettle/core/plan';
import { BadInput } from '@kettle/core/units';
import { CardShelf } from '../state/card-shelf';
import { Messages } from '../state/messages.service';
import { PlanStore } from '../state/plan-store';
import { StudioStore } from '../state/studio-store';
import { handOver } from '../ui/hand-over';

/** What is done with whole cards and with the house: undo, files, units, the demo card. */
@Component({
  selector: 'kd-house-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Menu],
  template: `
    <p-menu #menu [model]="items()" [popup]="true" appendTo="body" ariaLabel="House menu" />
    <p-button
      label="More"
      severity="secondary"
      [outlined]="true"
      ariaLabel="More: undo, files, units"
      (onClick)="menu.toggle($event)"
    />
    <input #file type="file" accept=".kettle" hidden data-testid="open-file" (change)="openFile(file)" />
  `,
})
export class HouseMenu {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
  private readonly messages = inject(Messages);
  private readonly router = inject(Router);

  private readonly file = viewChild.required<ElementRef<HTMLInputElement>>('file');
  private readonly navigated = toSignal(this.router.events);

  readonly items = computed((): MenuItem[] => {
    const open = this.store.open();
    const station = this.stationMark();
    const inches = this.studio.studio().lengthUnit === 'in';
    return [
      { label: 'Undo', disabled: !open?.canUndo, command: () => this.store.undo() },
      { label: 'Do it again', disabled: !open?.canRedo, command: () => this.store.redo() },
      {
        label: station?.label ?? 'Not needed for this card',
        disabled: !station,
        command: () => station?.toggle(),
      },
      { separator: true },
      { label: 'To the rack', command: () => void this.router.navigate(['/rack']) },
      { label: 'To the cupboard', command: () => void this.router.navigate(['/cupboard']) },
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
      { label: 'Put the demo card back as it was', command: () => void this.putDemoBack() },
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
      const id = await this.shelf.openFile(new Uint8Array(await file.arrayBuffer()));
      this.messages.clear();
      await this.router.navigate(['/card', id, 'brief']);
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(
        `${file.name} was not opened. ${cause.message}.`,
        'The file and your cards are untouched.',
      );
    }
  }

  private async putDemoBack(): Promise<void> {
    await this.router.navigate(['/rack']);
    const id = await this.shelf.putDemoBack();
    await this.router.navigate(['/card', id, 'passes']);
    this.messages.say('The demo card lies as it was shipped.', 'Your other cards were not touched.');
  }
}
