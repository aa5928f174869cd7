import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { parseLength, writeLength } from '@kettle/core/kit/units';
import { StudioStore } from '../state/studio-store';

/** A length typed as painters write it, `133,35` or `5 1/4 in`; tells only readable lengths on. */
@Component({
  selector: 'kd-length-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <label class="field">
      <span>{{ label() }}</span>
      <input
        pInputText
        inputmode="text"
        autocomplete="off"
        [value]="text()"
        [attr.aria-invalid]="fault() ? true : null"
        (change)="read($event)"
      />
      @if (fault()) {
        <span class="stop" role="alert">{{ fault() }}</span>
      }
    </label>
  `,
  styles: `
    input {
      width: 7.2em;
    }
  `,
})
export class LengthField {
  private readonly studio = inject(StudioStore);
  readonly label = input.required<string>();
  readonly mm = input.required<number>();
  /** A way that may go back as well: a leading minus is read. */
  readonly signed = input(false, { transform: booleanAttribute });
  readonly mmChange = output<number>();
  readonly fault = signal('');

  readonly text = computed(() => writeLength(this.mm(), this.studio.studio().lengthUnit));

  read(event: Event): void {
    const field = event.target as HTMLInputElement;
    try {
      const [, minus, size] = (this.signed() ? /^\s*([-−]?)(.*)$/ : /^()(.*)$/).exec(field.value)!;
      const mm = parseLength(size, this.studio.studio().lengthUnit) * (minus ? -1 : 1);
      this.fault.set('');
      this.mmChange.emit(mm);
      field.value = this.text();
    } catch (cause) {
      if (!(cause instanceof RangeError)) throw cause;
      this.fault.set(cause.message);
    }
  }
}
