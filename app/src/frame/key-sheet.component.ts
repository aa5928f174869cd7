import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FrameKeys } from './frame-keys.service';

/** The sheet of keys, shown while `?` is held. */
@Component({
  selector: 'kd-key-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (keys.held()) {
      <div class="sheet" role="dialog" aria-label="Keys">
        <h2>Keys</h2>
        <dl>
          @for (hint of keys.local(); track hint.key) {
            <dt>{{ hint.key }}</dt>
            <dd>{{ hint.does }}</dd>
          }
          @for (hint of keys.everywhere; track hint.key) {
            <dt>{{ hint.key }}</dt>
            <dd>{{ hint.does }}</dd>
          }
        </dl>
      </div>
    }
  `,
  styles: `
    .sheet {
      position: fixed;
      z-index: 20;
      right: 24px;
      bottom: 24px;
      padding: 18px 26px;
      border: 1px solid #8a9096;
      background: var(--paper);
    }
    dl {
      display: grid;
      grid-template-columns: auto auto;
      gap: 4px 18px;
      margin: 10px 0 0;
    }
    dt {
      font-weight: 700;
      text-align: right;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeySheet {
  readonly keys = inject(FrameKeys);
}
