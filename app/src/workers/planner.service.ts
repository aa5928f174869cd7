import { inject, Injectable } from '@angular/core';
import { map, type Observable } from 'rxjs';
import type { Composition, Filled } from '@kettle/core/order/areas';
import type { CutRequest, Size } from '@kettle/core/commission/card';
import type { Point } from '@kettle/core/kit/geometry';
import { packResists } from '@kettle/core/drawing/masking';
import type { MatchAnswer, MatchRequest } from '@kettle/core/materials/pigment';
import type { Command, Plan, Start, Studio, Trial } from '@kettle/core/document/plan';
import type { PossibleStart, Timeline } from '@kettle/core/order/schedule';
import { packLines, type PencilLine } from '@kettle/core/drawing/sketch';
import type { AsPasses } from '@kettle/core/advice/trials';
import type { ColourReckoning } from './colour-reckoning';
import { inkedLines } from './inked';
import { JobClient, type AskedOf, type Told } from './job-client';
import type { JobApi } from './jobs';
import type { Cutting, Desk, LookAhead, MaskReckoning, PackedPlan, RankedWhite } from './table-api';
import type { TableJobs } from './table-jobs';
import { Workers } from './workers.service';

/** The worker that reckons with plans and colours, started on first use. Whoever no longer listens stops the work. */
@Injectable({ providedIn: 'root' })
export class Planner {
  private readonly jobs = new JobClient<TableJobs>(
    inject(Workers).watched<JobApi>(
      'Working out the drying and the colours',
      () => new Worker(new URL('./table.worker', import.meta.url), { type: 'module', name: 'table' }),
    ),
  );

  /** What a plan leads to. `revision` says of which state of the plan it is. */
  lookAhead(plan: Plan, revision: number, desk: Desk): Observable<LookAhead> {
    const { resists } = packed(plan);
    const card = { plan: { ...bare(plan), lines: inkedLines(plan) }, resists };
    return this.jobs
      .answer('lookAhead', { card, desk }, 'ahead')
      .pipe(map((answer) => ({ plan, revision, ...answer })));
  }

  starts(plan: Plan, pass: string): Observable<PossibleStart[]> {
    return this.jobs.answer('starts', { card: packed(plan), pass });
  }

  beginAt(plan: Plan, pass: string, start: Start): Observable<Timeline> {
    return this.jobs.answer('beginAt', { card: packed(plan), pass, start });
  }

  asPasses(plan: Plan, sheet: Trial): Observable<AsPasses> {
    return this.jobs.answer('asPasses', { card: packed(plan), sheet });
  }

  cutTemplate(plan: Plan): Observable<string | null> {
    const folds = plan.lines.filter(({ kind }) => kind === 'fold');
    return this.jobs.answer('cutTemplate', { ...bare(plan), lines: folds }, 'ahead');
  }

  propose(plan: Plan): Observable<readonly Command[]> {
    return this.jobs.answer('propose', packed(plan));
  }

  cut(request: CutRequest): Observable<Cutting> {
    return this.jobs.answer('cut', request);
  }

  fill(lines: readonly PencilLine[], at: Point, panel: Size): Observable<Filled | null> {
    return this.jobs.answer('fill', { lines: packLines(lines), at, panel });
  }

  compose(plan: Plan, darkness: ReadonlyMap<string, number>): Observable<Composition> {
    return this.jobs.answer(
      'compose',
      { plan: { ...plan, lines: [] }, lines: packLines(plan.lines), darkness },
      'picture',
    );
  }

  rankWhites(plan: Plan): Observable<RankedWhite[]> {
    return this.jobs.answer('rankWhites', packed(plan), 'ahead');
  }

  reckonMasks(plan: Plan): Observable<MaskReckoning> {
    return this.jobs.answer('reckonMasks', packed(plan), 'ahead');
  }

  reckonColours(plan: Plan, dish: Studio['dish']): Observable<ColourReckoning> {
    return this.jobs.answer('reckonColours', { card: packed(plan), dish }, 'ahead');
  }

  matchColour(request: MatchRequest): Observable<MatchAnswer> {
    return this.jobs.answer('matchColour', request);
  }

  choosePalette(asked: AskedOf<TableJobs['choosePalette']>): Observable<Told<TableJobs['choosePalette']>> {
    return this.jobs.job('choosePalette', asked);
  }

  suggest(asked: AskedOf<TableJobs['suggest']>): Observable<Told<TableJobs['suggest']>> {
    return this.jobs.job('suggest', asked);
  }

  reach(asked: AskedOf<TableJobs['reach']>) {
    return this.jobs.answer('reach', asked, 'picture');
  }

  calibrate(asked: AskedOf<TableJobs['calibrate']>) {
    return this.jobs.answer('calibrate', asked);
  }

  putInOrder(plan: Plan): Observable<Told<TableJobs['putInOrder']>> {
    return this.jobs.job('putInOrder', packed(plan));
  }

  batch(plans: readonly Plan[], desk: Desk): Observable<Told<TableJobs['batch']>> {
    return this.jobs.job('batch', { cards: plans.map(packed), desk });
  }
}

/** A plan without what is many: lines dry nowhere and stay here, masks by hand go packed. */
const bare = (plan: Plan): Plan => ({ ...plan, lines: [], resists: [] });

const packed = (plan: Plan): PackedPlan => ({ plan: bare(plan), resists: packResists(plan.resists) });
