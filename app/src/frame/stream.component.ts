import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { LookAheadService } from '../state/look-ahead.service';
import { PlanStore } from '../state/plan-store';
import { STREAM, streamPath, streamStops } from './stream.view';

/** The stream: one drawn line with a station for each stage, in the order painters work. None is a gate. */
@Component({
  selector: 'kd-stream',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Stations" [class.old]="isOld()">
      <svg
        [attr.viewBox]="'0 0 ' + stream.width + ' ' + stream.height"
        [attr.height]="stream.height"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <path [attr.d]="path" />
      </svg>
      @for (stop of stops(); track stop.station) {
        <a
          [routerLink]="['/card', planId(), stop.station]"
          routerLinkActive="here"
          ariaCurrentWhenActive="page"
          [class]="stop.state"
          [style.left.%]="(100 * stop.x) / stream.width"
          [attr.data-station]="stop.station"
        >
          <span class="mark" [style.top.px]="stop.y"></span>
          @if (stop.findings > 0) {
            <span class="count" [style.top.px]="stop.y - 14"
              ><span class="visually-hidden">open checks{{ isOld() ? ' before the last change' : '' }}: </span
              >{{ stop.findings }}</span
            >
          }
          <span class="name"
            >{{ stop.name }}
            @if (stop.state === 'not-needed') {
              <span class="visually-hidden"> (not needed)</span>
            }
          </span>
        </a>
      }
    </nav>
  `,
  styles: `
    :host {
      flex: 0 1 580px;
      min-width: 0;
    }
    nav {
      position: relative;
      height: 62px;
    }
    svg {
      position: absolute;
      top: 2px;
      left: 0;
      width: 100%;
    }
    path {
      fill: none;
      stroke: #8fa9ad;
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    a {
      position: absolute;
      top: 0;
      width: 12.5%;
      height: 60px;
      margin-left: -6.25%;
      color: var(--ink);
      font-size: clamp(11.5px, 1.35vw, 15px);
      text-align: center;
      text-decoration: none;
    }
    .mark {
      position: absolute;
      left: 50%;
      width: 15px;
      height: 15px;
      margin: -6px 0 0 -7.5px;
      border: 2px dotted #7d8990;
      border-radius: 47% 53% 50% 50%;
      background: var(--paper);
    }
    .dry .mark {
      border: 2.5px solid var(--teal);
    }
    .not-needed {
      color: var(--faint);
    }
    .not-needed .mark {
      border: 0;
      width: 9px;
      height: 2px;
      margin: 1px 0 0 -4px;
      background: #7d8990;
    }
    .name {
      position: absolute;
      right: 0;
      bottom: 2px;
      left: 0;
    }
    .here .name {
      color: var(--teal);
      font-weight: 700;
    }
    .here .mark {
      width: 19px;
      height: 19px;
      margin: -8px 0 0 -9.5px;
      border: 2.5px solid var(--teal);
      background: var(--teal);
    }
    /* What was found is of the card before its last change; a moment of it nobody needs to see. */
    .old .count {
      opacity: 0.35;
      transition: opacity 0.2s 0.5s;
    }
    .count {
      position: absolute;
      left: calc(50% + 12px);
      color: var(--rust);
      font-size: 13px;
      font-weight: 700;
    }
  `,
})
export class Stream {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  readonly isOld = this.lookAhead.isOld;
  readonly stream = STREAM;
  readonly path = streamPath();
  readonly planId = computed(() => this.store.plan()?.id);
  readonly stops = computed(() => {
    const plan = this.store.plan();
    return plan ? streamStops(plan, this.lookAhead.findingsAt()) : [];
  });
}
