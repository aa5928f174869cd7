import { inject, Injectable } from '@angular/core';
import { proxy, type Remote } from 'comlink';
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
import type { Sign } from './watched-worker';
import { Workers } from './workers.service';
import type { Cutting, Deadlock, Desk, LookAhead, MaskReckoning, RankedWhite, TableApi } from './table-api';

/** Work under way: its answer (`null` when cancelled) and the way to stop it. */
export interface Search<Answer = MatchAnswer> {
  readonly answer: Promise<Answer | null>;
  readonly cancel: () => void;
}

/** The one worker of the app, started on first use. */
@Injectable({ providedIn: 'root' })
export class TableWorker {
  private readonly worker = inject(Workers).watched<TableApi>(
    'Working out the drying and the colours',
    () => new Worker(new URL('./table.worker', import.meta.url), { type: 'module', name: 'table' }),
  );
  private jobs = 0;

  async lookAhead(plan: Plan, revision: number, desk: Desk): Promise<LookAhead> {
    const resists = packResists(plan.resists);
    const inked = { ...bare(plan), lines: inkedLines(plan) };
    return { plan, ...(await this.worker.ask((api) => api.lookAhead(inked, resists, revision, desk))) };
  }

  propose(plan: Plan): Promise<readonly Command[]> {
    return this.worker.ask((api) => api.propose(bare(plan), packResists(plan.resists)));
  }

  cut(request: CutRequest): Promise<Cutting> {
    return this.worker.ask((api) => api.cut(request));
  }

  fill(lines: readonly PencilLine[], at: Point, panel: Size): Promise<Filled | null> {
    return this.worker.ask((api) => api.fill(packLines(lines), at, panel));
  }

  compose(plan: Plan, darkness: ReadonlyMap<string, number>): Promise<Composition> {
    return this.worker.ask((api) => api.compose({ ...plan, lines: [] }, packLines(plan.lines), darkness));
  }

  rankWhites(plan: Plan): Promise<RankedWhite[]> {
    return this.worker.ask((api) => api.rankWhites(bare(plan), packResists(plan.resists)));
  }

  reckonMasks(plan: Plan): Promise<MaskReckoning> {
    return this.worker.ask((api) => api.reckonMasks(bare(plan), packResists(plan.resists)));
  }

  matchColour(request: MatchRequest, onProgress: (share: number) => void): Search {
    return this.search((api, job, sign) => api.matchColour(job, request, proxy(sign(onProgress))));
  }

  choosePalette(
    box: readonly Pigment[],
    paper: Paper,
    request: PaletteRequest,
    onProgress: (share: number) => void,
  ): Search<PaletteAnswer> {
    return this.search((api, job, sign) =>
      api.choosePalette(job, box, paper, request, proxy(sign(onProgress))),
    );
  }

  suggest(
    box: readonly Pigment[],
    paper: Paper,
    mood: Omit<Mood, 'word'>,
    onProgress: (share: number) => void,
  ): Search<Suggestion[]> {
    return this.search((api, job, sign) => api.suggest(job, box, paper, mood, proxy(sign(onProgress))));
  }

  reach(palette: readonly Pigment[], paper: Paper, lightness: number): Promise<Polygon[]> {
    return this.worker.ask((api) => api.reach(palette, paper, lightness));
  }

  reckonColours(plan: Plan, dish: Studio['dish']): Promise<ColourReckoning> {
    return this.worker.ask((api) => api.reckonColours(bare(plan), packResists(plan.resists), dish));
  }

  calibrate(like: Pigment, paper: Paper, swatches: readonly ReadSwatch[]): Promise<Calibration> {
    return this.worker.ask((api) => api.calibrate(like, paper, swatches));
  }

  putInOrder(plan: Plan, onProgress: (share: number) => void): Search<Omit<BetterOrder, 'plan'> | Deadlock> {
    return this.search<Omit<BetterOrder, 'plan'> | Deadlock>((api, job, sign) =>
      api.putInOrder(job, bare(plan), packResists(plan.resists), proxy(sign(onProgress))),
    );
  }

  batch(plans: readonly Plan[], desk: Desk, onProgress: (share: number) => void): Search<Batch> {
    return this.search((api, job, sign) =>
      api.batch(
        job,
        plans.map(bare),
        plans.map(({ resists }) => packResists(resists)),
        desk,
        proxy(sign(onProgress)),
      ),
    );
  }

  private search<Answer>(
    start: (api: Remote<TableApi>, job: number, sign: Sign) => Promise<Answer | null>,
  ): Search<Answer> {
    const job = ++this.jobs;
    return {
      answer: this.worker.ask((api, sign) => start(api, job, sign)),
      cancel: () => this.worker.tell((api) => api.cancel(job)),
    };
  }
}

/** A plan without what is many: lines dry nowhere and stay here, masks by hand go packed. */
const bare = (plan: Plan): Plan => ({ ...plan, lines: [], resists: [] });
