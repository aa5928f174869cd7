import { booleanAttribute, ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import { alike } from './alike';

/** One of a few named things, chosen from a list that opens. */
@Component({
  selector: 'kd-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Select],
  host: { '[class.wide]': 'wide()' },
  template: `
    <p-select
      [options]="list()"
      optionLabel="name"
      optionValue="id"
      [placeholder]="placeholder()"
      [ngModel]="value()"
      (ngModelChange)="valueChange.emit($event)"
      [ariaLabel]="label()"
      [fluid]="wide()"
      appendTo="body"
    />
  `,
  styles: `
    :host {
      display: inline-block;
    }
    :host(.wide) {
      display: block;
    }
  `,
})
export class Choice<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly id: T; readonly name: string }[]>();
  readonly value = input.required<NoInfer<T> | null>();
  readonly placeholder = input('');
  readonly wide = input(false, { transform: booleanAttribute });
  readonly valueChange = output<NoInfer<T>>();
  readonly list = computed(() => [...this.options()], { equal: alike });
}
