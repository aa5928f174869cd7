import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { PanelDrawing } from './panel.view';

/** The panel with its paint, seen from above. Areas can be pressed where a station asks for it. */
@Component({
  selector: 'kd-panel-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="viewBox()" role="img" [attr.aria-label]="label()">
      <defs>
        <pattern
          id="mask-weave"
          width="2"
          height="2"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(35)"
        >
          <rect width="2" height="2" fill="#e6d6ad" fill-opacity="0.85" />
          <path d="M0 0V2" stroke="#b99d5c" stroke-width="0.5" />
        </pattern>
      </defs>
      <rect
        class="sheet"
        [attr.x]="-rim()"
        [attr.y]="-rim()"
        [attr.width]="drawing().widthMm + 2 * rim()"
        [attr.height]="drawing().heightMm + 2 * rim()"
      />
      @if (painted(); as href) {
        <image
          [attr.href]="href"
          [attr.x]="-rim()"
          [attr.y]="-rim()"
          [attr.width]="drawing().widthMm + 2 * rim()"
          [attr.height]="drawing().heightMm + 2 * rim()"
          preserveAspectRatio="none"
        />
      }
      @for (shape of drawing().shapes; track shape.id) {
        <path
          class="area"
          [class.picked]="shape.id === picked()"
          [class.unpainted]="painted() ? outlines() : !shape.fill || outlines()"
          [attr.d]="shape.path"
          [attr.fill]="painted() ? 'none' : (shape.fill ?? 'none')"
          fill-rule="evenodd"
          (click)="pick.emit(shape.id)"
        />
        @if (shape.masked) {
          <path [attr.d]="shape.path" fill="url(#mask-weave)" fill-rule="evenodd" pointer-events="none" />
        }
      }
      @if (pencil()) {
        @for (line of drawing().lines; track $index) {
          <path class="pencil" [attr.d]="line" />
        }
      }
      @if (names()) {
        @for (shape of drawing().shapes; track shape.id) {
          <text [attr.x]="shape.label[0]" [attr.y]="shape.label[1]">{{ shape.name }}</text>
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .sheet {
      fill: #f6f5f0;
      stroke: #c9c8c2;
      stroke-width: 0.3;
    }
    .unpainted {
      stroke: #6d747a;
      stroke-width: 0.3;
      stroke-dasharray: 1.4 1;
    }
    .picked {
      stroke: var(--teal);
      stroke-width: 1;
      stroke-dasharray: none;
    }
    .pencil {
      fill: none;
      stroke: #6b7077;
      stroke-width: 0.35;
      stroke-opacity: 0.8;
      stroke-linecap: round;
      stroke-linejoin: round;
      pointer-events: none;
    }
    text {
      font: 4.4px var(--sans);
      fill: var(--ink);
      text-anchor: middle;
      paint-order: stroke;
      stroke: #ffffffb0;
      stroke-width: 1;
      pointer-events: none;
    }
  `,
})
export class PanelPictureView {
  readonly drawing = input.required<PanelDrawing>();
  readonly label = input('the panel');
  readonly names = input(false);
  readonly pencil = input(true);
  readonly outlines = input(false);
  readonly picked = input<string | null>(null);
  /** A simulated picture of the paint, in place of each area's flat colour. */
  readonly painted = input<string | null>(null);
  readonly pick = output<string>();

  readonly rim = computed(() => Math.max(0, this.drawing().rimMm));
  readonly viewBox = computed(() => {
    const { widthMm, heightMm } = this.drawing();
    const rim = this.rim() + 0.5;
    return `${-rim} ${-rim} ${widthMm + 2 * rim} ${heightMm + 2 * rim}`;
  });
}
