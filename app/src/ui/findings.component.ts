import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Finding } from '@kettle/core/advice/checks';
import { PlanStore } from '../state/plan-store';

/** What checks have found, why, and what can be pressed: its fix, or that it is wanted so. */
@Component({
  selector: 'kd-findings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (finding of findings(); track finding.key) {
      <div class="finding" [attr.data-finding]="finding.id">
        <p [class.stop]="finding.severity === 'stop'" [class.note]="finding.severity === 'note'">
          {{ finding.why }}
        </p>
        @if (finding.fix; as fix) {
          <button class="plain" type="button" (click)="mend(finding)">{{ fix.says }}</button>
        }
        <button class="plain" type="button" (click)="accept(finding)">I want it so</button>
        <button class="plain" type="button" (click)="leaveOut(finding.id)">Not in this house</button>
      </div>
    }
  `,
  styles: `
    .finding {
      padding: 0 0 8px;
    }
    p {
      margin: 2px 0;
    }
    .note {
      color: var(--soft);
    }
  `,
})
export class Findings {
  private readonly store = inject(PlanStore);
  readonly findings = input.required<readonly Finding[]>();

  mend(finding: Finding): void {
    this.store.do(...finding.fix!.commands);
  }

  accept(finding: Finding): void {
    this.store.do({ do: 'accept-finding', finding: finding.key, reason: 'wanted' });
  }

  /** A rule that is not looked for on this card from now on. */
  leaveOut(check: string): void {
    const { weights } = this.store.plan()!.rules;
    this.store.do({ do: 'set-rules', change: { weights: { ...weights, [check]: 'off' } } });
  }
}
