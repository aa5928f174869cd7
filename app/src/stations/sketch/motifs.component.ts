import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { InputText } from 'primeng/inputtext';
import { paintedOf } from '@kettle/core/document/plan';
import { laidMotif, MOTIFS, motifOf } from '@kettle/core/drawing/sketch';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { linePath } from '../../panel/panel.view';
import { bounds, type Point } from '@kettle/core/kit/geometry';

/** The drawer of motifs: a few of the house and the painter’s own, laid on the panel, or kept from what is in the hand. */
@Component({
  selector: 'kd-motifs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InputText],
  template: `
    <section>
      <h3>Motifs</h3>
      <ul>
        @for (row of rows(); track row.motif.id) {
          <li>
            <button type="button" class="motif" (click)="lay(row.motif.id)">
              <svg [attr.viewBox]="row.box" aria-hidden="true">
                @for (path of row.paths; track $index) {
                  <path [attr.d]="path" />
                }
              </svg>
              {{ row.motif.name }}
            </button>
            @if (row.own) {
              <button
                class="plain"
                type="button"
                [attr.aria-label]="'Take it away: ' + row.motif.name"
                (click)="takeAway(row.motif.id)"
              >
                Take it away
              </button>
            }
          </li>
        }
      </ul>
      @if (picked().length > 0) {
        <div class="row">
          <label class="field"
            ><span>name of a new motif</span><input #name pInputText maxlength="60"
          /></label>
          <button class="plain" type="button" (click)="keep(name)">Keep what is in the hand</button>
        </div>
      } @else {
        <p class="soft">Take up lines, and they can be kept here for other cards.</p>
      }
    </section>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 8px;
      margin: 8px 0;
      padding: 0;
      list-style: none;
    }
    .motif {
      display: grid;
      justify-items: center;
      width: 100%;
      padding: 6px;
      border: 0;
      background: none;
      font: inherit;
      color: var(--ink);
      cursor: pointer;
    }
    .motif:hover {
      color: var(--teal);
    }
    svg {
      width: 64px;
      height: 64px;
    }
    path {
      fill: none;
      stroke: currentColor;
      stroke-width: 1.6px;
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class Motifs {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  /** Lines in the hand. */
  readonly picked = input.required<readonly string[]>();
  /** The lines of a motif that was laid are in the hand. */
  readonly pick = output<readonly string[]>();
  readonly rows = computed(() => {
    const own = this.studio.studio().motifs;
    return [...MOTIFS, ...own].map((motif) => {
      const points = motif.lines.flatMap(({ points: line }) => line.map(([x, y]): Point => [x, y]));
      const [x, y, width, height] = bounds([points]);
      const side = Math.max(width, height) + 2;
      return {
        motif,
        own: own.includes(motif),
        box: [x - (side - width) / 2, y - (side - height) / 2, side, side].join(' '),
        paths: motif.lines.map((line) => linePath(line.points)),
      };
    });
  });

  lay(id: string): void {
    const { motif } = this.rows().find((row) => row.motif.id === id)!;
    const lines = laidMotif(motif, paintedOf(this.store.plan()!).panel, newId);
    this.store.do({ do: 'redraw-lines', gone: [], lines });
    this.pick.emit(lines.map((line) => line.id));
  }

  async keep(field: HTMLInputElement): Promise<void> {
    const name = field.value.trim();
    if (name === '') {
      this.messages.stop('A motif needs a name.', 'Nothing was kept.');
      return;
    }
    const picked = new Set(this.picked());
    const lines = this.store.plan()!.lines.filter(({ id }) => picked.has(id));
    if (await this.studio.change({ motifs: [...this.studio.studio().motifs, motifOf(lines, name, newId())] }))
      field.value = '';
  }

  takeAway(id: string): void {
    void this.studio.change({ motifs: this.studio.studio().motifs.filter((motif) => motif.id !== id) });
  }
}

const newId = (): string => `motif-${crypto.randomUUID().slice(0, 8)}`;
