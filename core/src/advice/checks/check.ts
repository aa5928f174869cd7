import type { Point } from '../../kit/geometry';
import type { Command, Plan, Station, Studio } from '../../document/plan';
import type { TimelineAtTable } from '../../order/schedule';
import type { Work } from '../../kit/units';

/** How much a finding matters: it stops the work, is worth a look, or is a note. */
export type Severity = 'stop' | 'look' | 'note';

/** One thing a check has found, where, by how much and why. */
export interface Finding {
  readonly id: string;
  /** Where it is mended. */
  readonly station: Station;
  /** The name under which it is accepted: what was found, in which pass, on which area. */
  readonly key: string;
  readonly severity: Severity;
  readonly where: {
    readonly area?: string;
    /** The other of two areas it lies between. */
    readonly pair?: string;
    readonly pass?: string;
    readonly mix?: string;
    readonly atS?: number;
    /** The very place on the panel, mm. */
    readonly point?: Point;
  };
  /** What was found and what it may be at most; `null` = without end. */
  readonly number: { readonly value: number | null; readonly unit: string; readonly limit: number | null };
  readonly why: string;
  readonly fix?: { readonly says: string; readonly commands: readonly Command[] };
}

/** The name under which a finding is accepted. */
export const keyOf = (id: string, { pass = '', area = '', pair, mix }: Finding['where']): string =>
  [id, pass, area, ...[pair, mix].filter((further) => further !== undefined)].join('/');

/** What a check may look at. */
export interface CheckContext {
  readonly plan: Plan;
  readonly timeline: TimelineAtTable;
  /** The table it is painted at, where it is known; `today` is `YYYY-MM-DD`. */
  readonly desk?: Pick<Studio, 'dish' | 'evenings' | 'letter'> & { readonly today: string };
}

/** What a check has found; how much it matters is the check’s to say, unless one finding matters less. */
export type Found = Omit<Finding, 'id' | 'key' | 'severity' | 'station'> & { readonly severity?: Severity };

/** Nothing found so far: here a check that has much to try may be stopped. */
export type Breath = null;

/** A plan just on the wrong side of a check's number, and one just on the right side: told by numbers of their own, not by the check's. */
export interface Edge {
  readonly wrong: Plan;
  readonly right: Plan;
  /** The table they are painted at, for a check that asks for it. */
  readonly desk?: CheckContext['desk'];
}

/** One rule of the trade. Its file holds the rule, its number, the number's source, and plans at the edge of it. */
export interface Check {
  readonly id: string;
  /** What it is called where rules are listed. */
  readonly name: string;
  /** Where what it finds is mended. */
  readonly station: Station;
  readonly severity: Severity;
  /** When something is found, with the number it is decided by. */
  readonly when: string;
  /** Where the number comes from. */
  readonly source: string;
  /** Said of the card, not of its copies that are painted otherwise. */
  readonly ofTheCard?: true;
  /** One that has much to try finds its findings one by one, and takes breath where it may be stopped. */
  readonly find: (context: CheckContext) => Iterable<Found | Breath>;
  /** One for each number it decides by, or more; the compiler refuses a check without. */
  readonly edges: () => readonly [Edge, ...Edge[]];
}

/** Long work within a check, which takes breath at each step of it. */
export function* inBreaths<Answer>(work: Work<Answer>): Generator<Breath, Answer> {
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    yield null;
  }
}
