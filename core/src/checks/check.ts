import type { Point } from '../geometry';
import type { Command, Plan } from '../plan';
import type { Timeline } from '../schedule';

/** How much a finding matters: it stops the work, is worth a look, or is a note. */
export type Severity = 'stop' | 'look' | 'note';

/** One thing a check has found, where, by how much and why. */
export interface Finding {
  readonly id: string;
  /** The name under which it is accepted: what was found, in which pass, on which area. */
  readonly key: string;
  readonly severity: Severity;
  readonly where: {
    readonly area?: string;
    readonly pass?: string;
    readonly atS?: number;
    /** The very place on the panel, mm. */
    readonly point?: Point;
  };
  /** What was found and what it may be at most; `null` = without end. */
  readonly number: { readonly value: number | null; readonly unit: string; readonly limit: number | null };
  readonly why: string;
  readonly fix?: { readonly says: string; readonly commands: readonly Command[] };
}

/** What a check may look at. */
export interface CheckContext {
  readonly plan: Plan;
  readonly timeline: Timeline;
}

/** One rule of the trade. Its file holds the rule, its number and the number's source. */
export interface Check {
  readonly id: string;
  readonly severity: Severity;
  readonly find: (context: CheckContext) => Omit<Finding, 'id' | 'key' | 'severity'>[];
}
