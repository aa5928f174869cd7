import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { PlanStore } from '../../state/plan-store';
import type { ColourReckoning } from '../../workers/colour-reckoning';
import {
  counterchangeInWords,
  edgeInWords,
  ladderOf,
  ladderY,
  oneToneInWords,
  thirdColours,
} from './values.view';

/** The value ladder, edges that are lost, white that is kept, and light against dark. */
@Component({
  selector: 'kd-values',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <h2>Values</h2>
      @if (reckoning(); as found) {
        <p>
          {{ share(found.whiteShare) }} of the panel stays white. Squinting:
          {{ share(found.tones[2]) }} light, {{ share(found.tones[1]) }} middle,
          {{ share(found.tones[0]) }} dark.
        </p>
        @if (oneTone(); as said) {
          <p class="stop">{{ said }}</p>
        }
        <svg
          class="ladder"
          [attr.viewBox]="'0 0 340 ' + height()"
          role="img"
          aria-label="The value ladder, light above"
        >
          @for (step of [100, 80, 60, 40, 20, 0]; track step) {
            <path class="rule" [attr.d]="'M30 ' + y(step) + 'H44'" />
            <text x="24" [attr.y]="y(step) + 4" text-anchor="end">{{ step }}</text>
          }
          @for (rung of rungs(); track rung.key) {
            <path class="lead" [attr.d]="'M' + rung.x + ' ' + rung.at + 'L' + (rung.x + 24) + ' ' + rung.y" />
            <circle [attr.cx]="rung.x" [attr.cy]="rung.at" r="6" [attr.fill]="rung.grey" />
            <text [attr.x]="rung.x + 28" [attr.y]="rung.y + 4">{{ rung.says }}</text>
          }
        </svg>
      } @else {
        <p class="soft">It is being reckoned…</p>
      }
    </section>
    @if (reckoning(); as found) {
      <section>
        <h3>Edges, the faintest first</h3>
        <ul>
          @for (edge of edges(); track edge.says) {
            <li [class.stop]="edge.lost">{{ edge.says }}</li>
          } @empty {
            <li>No two areas share an edge.</li>
          }
        </ul>
      </section>
      <section>
        <h3>Light against dark</h3>
        @for (said of bodies(); track said) {
          <p>{{ said }}</p>
        } @empty {
          <p class="soft">Say at Sketch where the lamp stands and which areas are bodies.</p>
        }
        @for (said of thirds(); track said) {
          <p>{{ said }}</p>
        }
      </section>
    }
  `,
  styleUrl: './colours.component.scss',
  styles: `
    .ladder {
      width: 100%;
      margin-top: 8px;
    }
    .ladder text {
      font: 13px var(--sans);
      fill: var(--ink);
    }
    .ladder .rule,
    .ladder .lead {
      fill: none;
      stroke: #8a9096;
      stroke-width: 1;
    }
    .ladder circle {
      stroke: #8a9096;
      stroke-width: 0.6;
    }
    li {
      padding: 3px 0;
    }
  `,
})
export class Values {
  private readonly store = inject(PlanStore);
  readonly reckoning = input.required<ColourReckoning | null>();
  private readonly drawn = computed(() => ladderOf(this.reckoning()?.ladder ?? []));
  readonly rungs = computed(() => this.drawn().rungs);
  readonly height = computed(() => this.drawn().height);
  readonly y = ladderY;
  readonly oneTone = computed(() => oneToneInWords(this.reckoning()?.tones ?? []));
  readonly edges = computed(() => {
    const plan = this.store.plan();
    const edges = this.reckoning()?.edges ?? [];
    return plan ? edges.map((edge) => ({ lost: edge.lost, says: edgeInWords(plan, edge) })) : [];
  });
  readonly bodies = computed(() => {
    const plan = this.store.plan();
    return plan ? (this.reckoning()?.counterchanges ?? []).map((c) => counterchangeInWords(plan, c)) : [];
  });
  readonly thirds = computed(() => {
    const plan = this.store.plan();
    return plan ? thirdColours(plan, this.reckoning()?.meetings ?? []) : [];
  });

  share(part: number): string {
    return `${Math.round(100 * part)} %`;
  }
}
