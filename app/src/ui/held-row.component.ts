import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** A few things side by side, one of which is held: tools, views, the leaves of some notes. */
@Component({
  selector: 'kd-held-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'radiogroup', '[attr.aria-label]': 'label()' },
  template: `
    @for (option of options(); track option.id) {
      <button
        type="button"
        role="radio"
        [attr.aria-checked]="value() === option.id"
        [class.held]="value() === option.id"
        (click)="valueChange.emit(option.id)"
      >
        {{ option.name }}
      </button>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 6px;
      align-items: center;
    }
    button {
      padding: 5px 10px;
      white-space: nowrap;
      border: 0;
      border-bottom: 2px solid transparent;
      background: none;
      color: var(--ink);
      cursor: pointer;
    }
    .held {
      border-bottom-color: var(--teal);
      color: var(--teal);
      font-weight: 700;
    }
    :host(.leaves) {
      flex-wrap: wrap;
      gap: 0;
      margin: 0 -5px 10px;
    }
    :host(.leaves) button {
      padding: 5px 4px;
      font-size: 15px;
    }
  `,
})
export class HeldRow<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly id: T; readonly name: string }[]>();
  readonly value = input.required<T>();
  readonly valueChange = output<T>();
}
