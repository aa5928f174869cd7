import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';

/** A number typed with point or comma; what is none, or lies out of its bounds, goes back to what stood there. */
@Component({
  selector: 'kd-number-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <label class="field">
      <span>{{ label() }}</span>
      <input
        pInputText
        inputmode="decimal"
        autocomplete="off"
        [placeholder]="placeholder()"
        [value]="value() ?? ''"
        (change)="read($any($event.target))"
      />
    </label>
  `,
  styles: `
    input {
      width: 4.2em;
    }
  `,
})
export class NumberField {
  readonly label = input.required<string>();
  readonly value = input.required<number | null>();
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  /** What stands there while nothing is said; then the field may be left empty, and tells `null`. */
  readonly placeholder = input('');
  readonly valueChange = output<number | null>();

  read(field: HTMLInputElement): void {
    const text = field.value.trim().replace(',', '.').replace('−', '-');
    const value = text === '' ? null : Number(text);
    const fits = value === null ? this.placeholder() !== '' : value >= this.least() && value <= this.most();
    if (fits) this.valueChange.emit(value);
    else field.value = String(this.value() ?? '');
  }
}
