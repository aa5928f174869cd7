import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { PanelPicture } from '../../panel/panel-picture.component';
import { panelDrawing } from '../../panel/panel.view';
import { LookAheadService } from '../../state/look-ahead.service';
import { PlanStore } from '../../state/plan-store';
import { StudioStore } from '../../state/studio-store';
import { inThreeTones, judge } from './judge.view';

/** The panel small, mirrored and in three tones, and what can be measured of how it is laid out. */
@Component({
  selector: 'kd-judge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PanelPicture],
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
        <p>Mark areas first; then it is measured how they lie.</p>
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
  readonly drawing = computed(() => {
    const plan = this.store.plan();
    return plan ? panelDrawing(plan, this.lookAhead.ahead()) : null;
  });
  readonly tones = computed(() => (this.drawing() ? inThreeTones(this.drawing()!) : null));
  readonly judgement = computed(() => {
    const [plan, drawing] = [this.store.plan(), this.drawing()];
    return plan && drawing ? judge(plan, drawing, (mm) => this.studio.length(mm)) : null;
  });
}
