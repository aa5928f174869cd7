import { Injectable } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { Composition, Filled } from '@kettle/core/areas';
import type { CutRequest, Size } from '@kettle/core/card';
import type { Mood, Suggestion } from '@kettle/core/dish';
import type { Paper } from '@kettle/core/paper';
import type {
  Calibration,
  MatchAnswer,
  MatchRequest,
  PaletteAnswer,
  PaletteRequest,
  Pigment,
  ReadSwatch,
} from '@kettle/core/pigment';
import { packResists } from '@kettle/core/masking';
import type { Point, Polygon } from '@kettle/core/geometry';
import type { Command, Plan, Studio } from '@kettle/core/plan';
import type { Batch, BetterOrder } from '@kettle/core/schedule';
import { packLines, type PencilLine } from '@kettle/core/sketch';
import type { ColourReckoning } from './colour-reckoning';
import { inkedLines } from './inked';
import type { Cutting, Deadlock, Desk, LookAhead, MaskReckoning, RankedWhite, TableApi } from './table-api';

/** Work under way: its answer (`null` when cancelled) and the way to stop it. */
export interface Search<Answer = MatchAnswer> {
  readonly answer: Promise<Answer | null>;
  readonly cancel: () => void;
}

/** The one worker of the app, started on first use. */
@Injectable({ providedIn: 'root' })
export class TableWorker {
  private remote: Remote<TableApi> | null = null;
  private jobs = 0;

  async lookAhead(plan: Plan, revision: number, desk: Desk): Promise<LookAhead> {
    const resists = packResists(plan.resists);
    const inked = { ...bare(plan), lines: inkedLines(plan) };
    return { plan, ...(await this.api().lookAhead(inked, resists, revision, desk)) };
  }

  propose(plan: Plan): Promise<readonly Command[]> {
    return this.api().propose(bare(plan), packResists(plan.resists));
  }

  cut(request: CutRequest): Promise<Cutting> {
    return this.api().cut(request);
  }

  fill(lines: readonly PencilLine[], at: Point, panel: Size): Promise<Filled | null> {
    return this.api().fill(packLines(lines), at, panel);
  }

  compose(plan: Plan, darkness: ReadonlyMap<string, number>): Promise<Composition> {
    return this.api().compose({ ...plan, lines: [] }, packLines(plan.lines), darkness);
  }

  rankWhites(plan: Plan): Promise<RankedWhite[]> {
    return this.api().rankWhites(bare(plan), packResists(plan.resists));
  }

  reckonMasks(plan: Plan): Promise<MaskReckoning> {
    return this.api().reckonMasks(bare(plan), packResists(plan.resists));
  }

  matchColour(request: MatchRequest, onProgress: (share: number) => void): Search {
    return this.search((api, job) => api.matchColour(job, request, proxy(onProgress)));
  }

  choosePalette(
    box: readonly Pigment[],
    paper: Paper,
    request: PaletteRequest,
    onProgress: (share: number) => void,
  ): Search<PaletteAnswer> {
    return this.search((api, job) => api.choosePalette(job, box, paper, request, proxy(onProgress)));
  }

  suggest(
    box: readonly Pigment[],
    paper: Paper,
    mood: Omit<Mood, 'word'>,
    onProgress: (share: number) => void,
  ): Search<Suggestion[]> {
    return this.search((api, job) => api.suggest(job, box, paper, mood, proxy(onProgress)));
  }

  reach(palette: readonly Pigment[], paper: Paper, lightness: number): Promise<Polygon[]> {
    return this.api().reach(palette, paper, lightness);
  }

  reckonColours(plan: Plan, dish: Studio['dish']): Promise<ColourReckoning> {
    return this.api().reckonColours(bare(plan), packResists(plan.resists), dish);
  }

  calibrate(like: Pigment, paper: Paper, swatches: readonly ReadSwatch[]): Promise<Calibration> {
    return this.api().calibrate(like, paper, swatches);
  }

  putInOrder(plan: Plan, onProgress: (share: number) => void): Search<Omit<BetterOrder, 'plan'> | Deadlock> {
    return this.search<Omit<BetterOrder, 'plan'> | Deadlock>((api, job) =>
      api.putInOrder(job, bare(plan), packResists(plan.resists), proxy(onProgress)),
    );
  }

  batch(plans: readonly Plan[], desk: Desk, onProgress: (share: number) => void): Search<Batch> {
    return this.search((api, job) =>
      api.batch(
        job,
        plans.map(bare),
        plans.map(({ resists }) => packResists(resists)),
        desk,
        proxy(onProgress),
      ),
    );
  }

  private search<Answer>(
    start: (api: Remote<TableApi>, job: number) => Promise<Answer | null>,
  ): Search<Answer> {
    const job = ++this.jobs;
    const api = this.api();
    return { answer: start(api, job), cancel: () => void api.cancel(job) };
  }

  private api(): Remote<TableApi> {
    this.remote ??= wrap<TableApi>(
      new Worker(new URL('./table.worker', import.meta.url), { type: 'module', name: 'table' }),
    );
    return this.remote;
  }
}

/** A plan without what is many: lines dry nowhere and stay here, masks by hand go packed. */
const bare = (plan: Plan): Plan => ({ ...plan, lines: [], resists: [] });
