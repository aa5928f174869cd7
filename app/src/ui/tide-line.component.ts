import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { tideLine } from './tide-line';

/** Draws the tide line round its nearest positioned ancestor. */
@Component({
  selector: 'kd-tide-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg aria-hidden="true"><path [attr.d]="path()" fill-rule="evenodd" /></svg>`,
  styles: `
    :host {
      position: absolute;
      inset: 0;
      pointer-events: none;
    }
    svg {
      width: 100%;
      height: 100%;
      overflow: visible;
    }
    path {
      fill: var(--tide, var(--teal));
    }
  `,
})
export class TideLine {
  readonly seed = input(1);
  private readonly size = signal<readonly [number, number]>([0, 0]);
  readonly path = computed(() => {
    const [width, height] = this.size();
    return width > 0 && height > 0 ? tideLine(width, height, this.seed()) : '';
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) =>
      this.size.set([entry.contentRect.width, entry.contentRect.height]),
    );
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}
