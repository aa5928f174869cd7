import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** A dab of paint: dry colour with, where given, the wet one beside it. */
@Component({
  selector: 'kd-swatch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 40 22" aria-hidden="true">
      <path d="M3 12C4 5 12 2 21 3s17 2 16 9-8 8-17 8S2 19 3 12z" [attr.fill]="dry()" />
      @if (wet()) {
        <path d="M21 3c9 1 17 2 16 9s-8 8-17 8c3-5 3-12 1-17z" [attr.fill]="wet()" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 2em;
      height: 1.1em;
      vertical-align: -0.2em;
    }
    svg {
      width: 100%;
      height: 100%;
    }
  `,
})
export class Swatch {
  readonly dry = input.required<string>();
  readonly wet = input<string>();
}
