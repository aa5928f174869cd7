import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { filter } from 'rxjs';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { panelDrawing } from '../../panel/panel.view';
import { latest } from '../../state/latest';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { Planner } from '../../workers/planner.service';
import { darknessOf, inThreeTones, judge } from './judge.view';

/** A burst of changes is judged once, ms. */
const SETTLE_MS = 150;

/** The panel small, mirrored and in three tones, and what can be measured of how it is laid out. */
@Component({
  selector: 'kd-judge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PanelPictureView],
  template: `
    <section>
      <h2>Judge it</h2>
      @if (drawing(); as drawing) {
        <figure>
          <kd-panel-picture class="mirrored" [drawing]="drawing" label="the panel mirrored" />
          <figcaption>mirrored</figcaption>
        </figure>
        <figure>
          <kd-panel-picture [drawing]="tones()!" label="the panel in three tones" />
          <figcaption>in three tones</figcaption>
        </figure>
      }
      @for (look of judgement()?.looks; track look) {
        <p class="look" role="status">{{ look }}</p>
      }
      @for (note of judgement()?.notes; track note) {
        <p>{{ note }}</p>
      } @empty {
        <p>
          {{
            drawing()?.shapes?.length
              ? 'It is being measured…'
              : 'Mark areas first; then it is measured how they lie.'
          }}
        </p>
      }
    </section>
  `,
  styles: `
    figure {
      display: inline-block;
      width: 47%;
      margin: 8px 2% 8px 0;
    }
    kd-panel-picture {
      display: block;
      height: 120px;
    }
    .mirrored {
      transform: scaleX(-1);
    }
    figcaption {
      color: var(--soft);
      font-size: 15px;
    }
    .look {
      font-weight: 700;
    }
  `,
})
export class Judge {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly worker = inject(Planner);
  private readonly messages = inject(Messages);
  readonly drawing = computed(() => {
    const plan = this.store.plan();
    return plan ? panelDrawing(plan, this.lookAhead.ahead()) : null;
  });
  readonly tones = computed(() => (this.drawing() ? inThreeTones(this.drawing()!) : null));
  private readonly subject = computed(() => {
    const [plan, drawing] = [this.store.plan(), this.drawing()];
    return plan && drawing ? { plan, darkness: darknessOf(drawing) } : null;
  });
  private readonly composed = toSignal(
    toObservable(this.subject).pipe(
      filter((subject) => subject !== null),
      latest(
        SETTLE_MS,
        ({ plan, darkness }) => this.worker.compose(plan, darkness),
        (cause) =>
          this.messages.stop(
            `The panel could not be measured: ${String(cause)}.`,
            'The card is safe. Load the page again.',
          ),
      ),
    ),
  );
  readonly judgement = computed(() => {
    const [plan, drawing, composed] = [this.store.plan(), this.drawing(), this.composed()];
    return plan && drawing && composed
      ? judge(plan, drawing, composed, (mm) => this.studio.length(mm))
      : null;
  });
}
