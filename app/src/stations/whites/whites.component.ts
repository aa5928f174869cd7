import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { choreOf, type White } from '@kettle/core/plan';
import { PanelPicture } from '../../panel/panel-picture.component';
import { panelDrawing } from '../../panel/panel.view';
import { LookAheadService } from '../../state/look-ahead.service';
import { PlanStore } from '../../state/plan-store';
import { maskAnswer, whiteRows } from './whites.view';

/** Which parts stay light, and how each is kept. */
@Component({
  selector: 'kd-whites',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PanelPicture],
  template: `
    @if (plan(); as plan) {
      <div class="station">
        <div class="table picture">
          <kd-panel-picture
            [drawing]="drawing()!"
            [outlines]="true"
            [names]="true"
            [picked]="picked()"
            label="The panel before the mask comes off"
            (pick)="picked.set($event)"
          />
        </div>
        <div class="notes">
          <h2>Whites</h2>
          @if (rows().length === 0) {
            <p>Mark areas at Sketch first; here you say which of them stay light.</p>
          }
          @if (masked()) {
            <p>{{ answer() }}</p>
            <p class="soft">{{ caution }}</p>
          }
          @for (row of rows(); track row.area) {
            <fieldset [class.picked]="row.area === picked()">
              <legend>{{ row.name }}</legend>
              @for (way of row.ways; track way.way) {
                <label [class.off]="way.discouraged">
                  <input
                    type="radio"
                    [name]="row.area"
                    [checked]="row.white?.way === way.way"
                    (change)="keep(row.area, way.way)"
                  />
                  <span
                    ><strong>{{ way.name }}</strong
                    ><span class="soft">{{ way.reason }}</span></span
                  >
                </label>
              }
              <label>
                <input type="radio" [name]="row.area" [checked]="!row.white" (change)="giveUp(row.white)" />
                <span>not kept: paint over it</span>
              </label>
            </fieldset>
          }
        </div>
      </div>
    }
  `,
  styles: `
    .picture {
      display: grid;
      padding: 40px 60px;
    }
    fieldset {
      margin: 14px 0 0;
      padding: 6px 0 12px;
      border: 0;
      border-bottom: 1px dotted #9aa0a4;
    }
    legend {
      padding: 0;
      font: 500 18px var(--serif);
    }
    .picked legend {
      color: var(--teal);
    }
    label {
      display: grid;
      grid-template-columns: 24px 1fr;
      align-items: baseline;
      padding: 4px 0;
    }
    input {
      accent-color: var(--teal);
    }
    label strong {
      display: block;
      font-weight: 400;
    }
    label .soft {
      font-size: 15px;
      line-height: 1.25;
    }
    .off .soft {
      color: var(--rust);
    }
  `,
})
export class WhitesStation {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  readonly plan = this.store.plan;
  readonly caution = choreOf('mask-on').caution;
  readonly picked = signal<string | null>(null);
  readonly rows = computed(() => (this.plan() ? whiteRows(this.plan()!) : []));
  readonly masked = computed(() => this.plan()?.whites.some((w) => w.way === 'mask') ?? false);
  readonly answer = computed(() => maskAnswer(this.plan()!));

  /** Just before the mask comes off, when all that is kept can still be seen to be kept. */
  readonly drawing = computed(() => {
    const [plan, ahead] = [this.plan(), this.lookAhead.ahead()];
    if (!plan) return null;
    const off = ahead?.timeline.masks.map((m) => m.offS ?? Infinity) ?? [];
    return panelDrawing(plan, ahead, off.length > 0 ? Math.min(...off) - 1 : Infinity);
  });

  keep(area: string, way: White['way']): void {
    this.store.do({
      do: 'keep-white',
      white: { id: `white-${area}`, area, way, tool: null, wanted: null, edge: 'hard' },
    });
  }

  giveUp(white: White | null): void {
    if (white) this.store.do({ do: 'give-up-white', white: white.id });
  }
}
