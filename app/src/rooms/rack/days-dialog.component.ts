import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputNumber } from 'primeng/inputnumber';
import { InputText } from 'primeng/inputtext';
import type { FeastRule } from '@kettle/core/commission/occasion';
import { BadInput } from '@kettle/core/kit/units';
import { CardShelf } from '../../state/card-shelf';
import { textOf } from '../../data/read-file';
import { Messages } from '../../state/messages.service';
import { StudioStore } from '../../state/studio-store';
import { Choice } from '../../ui/choice.component';
import { handOver } from '../../ui/hand-over';
import {
  calendarOf,
  keptDays,
  MONTHS,
  takenIn,
  TURNS,
  WEEKDAYS,
  withDay,
  withoutDay,
  type KeptDay,
} from './days.view';

/** People and their days, kept in this browser: added, taken away, handed over to other calendars and taken in. */
@Component({
  selector: 'kd-days-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, Dialog, InputNumber, InputText, Choice],
  templateUrl: './days-dialog.component.html',
  styleUrl: './days-dialog.component.scss',
})
export class DaysDialog {
  private readonly studio = inject(StudioStore);
  private readonly shelf = inject(CardShelf);
  private readonly messages = inject(Messages);
  readonly closed = output();

  readonly months = MONTHS;
  readonly weekdays = WEEKDAYS;
  readonly turns = TURNS;
  readonly kinds: readonly { readonly id: FeastRule['kind']; readonly name: string }[] = [
    { id: 'date', name: 'on a date' },
    { id: 'weekday', name: 'on a weekday of a month' },
    { id: 'easter', name: 'so many days from Easter' },
  ];

  readonly name = signal('birthday');
  readonly forWhom = signal('');
  readonly kind = signal<FeastRule['kind']>('date');
  readonly month = signal(1);
  readonly day = signal(1);
  readonly weekday = signal(7);
  readonly nth = signal<1 | 2 | 3 | 4 | -1>(2);
  readonly offsetDays = signal(0);

  readonly days = computed(() => keptDays(this.studio.studio()));

  async add(): Promise<void> {
    const name = this.name().trim();
    if (name === '') return;
    const days = withDay(this.studio.studio(), this.forWhom(), name, this.rule(), newId());
    if (await this.studio.change(days)) this.forWhom.set('');
  }

  remove(day: KeptDay): void {
    void this.studio.change(withoutDay(this.studio.studio(), day));
  }

  async handOverCalendar(): Promise<void> {
    const { writeCalendar } = await import('@kettle/core/files/formats');
    const now = new Date();
    const days = calendarOf(this.shelf.cards(), this.studio.studio(), now);
    handOver(await writeCalendar(days, now), 'Kettle Drift.ics', 'text/calendar');
  }

  async takeInCalendar(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    const { readCalendar } = await import('@kettle/core/files/formats');
    try {
      const before = this.studio.studio();
      const { days: found, unread } = await readCalendar(await textOf(file));
      const { left, ...days } = takenIn(before, found, newId);
      if (!(await this.studio.change(days))) return;
      const taken = days.occasions.length - before.occasions.length;
      this.messages.say(
        `${taken} yearly ${taken === 1 ? 'day' : 'days'} taken in from ${file.name}.`,
        [
          left > 0 ? `${left} that come once, or oftener than yearly, were left where they are.` : '',
          unread > 0
            ? `${unread} could not be read: ${unread === 1 ? 'it has' : 'they have'} no day there is.`
            : '',
        ]
          .join(' ')
          .trim(),
      );
    } catch (cause) {
      if (!(cause instanceof BadInput)) throw cause;
      this.messages.stop(`${file.name} was not taken in. ${cause.message}.`, 'Your own days are untouched.');
    }
  }

  private rule(): FeastRule {
    switch (this.kind()) {
      case 'date':
        return { kind: 'date', month: this.month(), day: this.day() };
      case 'weekday':
        return { kind: 'weekday', month: this.month(), weekday: this.weekday(), nth: this.nth() };
      case 'easter':
        return { kind: 'easter', offsetDays: this.offsetDays() };
    }
  }
}

const newId = (): string => `day-${crypto.randomUUID().slice(0, 8)}`;
