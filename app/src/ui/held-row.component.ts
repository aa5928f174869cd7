import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
} from '@angular/core';

/** How far a key goes along the row, in things. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
  Home: -Infinity,
  End: Infinity,
};

/**
 * A few things side by side, one of which is held: tools, views, the leaves of some notes. The Tab key comes to the held one,
 * the arrows take up its neighbours, round the ends too (a radio group; WAI-ARIA Authoring Practices).
 */
@Component({
  selector: 'kd-held-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    role: 'radiogroup',
    '[attr.aria-label]': 'label()',
    '(keydown)': 'step($event)',
  },
  template: `
    @for (option of options(); track option.id) {
      <button
        type="button"
        role="radio"
        [attr.aria-checked]="value() === option.id"
        [tabindex]="$index === reached() ? 0 : -1"
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
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  private readonly heldAt = computed(() => this.options().findIndex(({ id }) => id === this.value()));
  /** The one the Tab key comes to: the held one, the first while none is. */
  readonly reached = computed(() => Math.max(0, this.heldAt()));

  step(event: KeyboardEvent): void {
    const by = STEPS[event.key] as number | undefined;
    if (by === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    // What moves along the row is no key of the frame's or the panel's.
    event.stopPropagation();
    const buttons = [...this.host.nativeElement.querySelectorAll('button')];
    // From the one that has the focus: keys may come quicker than the held thing follows.
    const from = Math.max(0, buttons.indexOf(event.target as HTMLButtonElement));
    const last = buttons.length - 1;
    const at = Math.abs(by) === 1 ? (from + by + last + 1) % (last + 1) : by < 0 ? 0 : last;
    this.valueChange.emit(this.options()[at].id);
    buttons[at].focus();
  }
}
