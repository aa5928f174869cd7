import { runChecks } from '@kettle/core/checks';
import { boxShelf, calibrate, choosePalette, matchIn, tableShelf } from '@kettle/core/pigment';
import { planPaper, type Plan } from '@kettle/core/plan';
import { areaLooks, layOut } from '@kettle/core/schedule';
import type { Work } from '@kettle/core/units';
import { dampCreep, type LineKernel } from '@kettle/core/water';
import type { OnProgress, TableApi } from './table-api';

/** Lets waiting messages in, a cancel among them. A zero timeout would be held back to 4 ms. */
function breathe(): Promise<void> {
  return new Promise((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });
}

function creepOf(plan: Plan, line: LineKernel): Map<string, number> {
  const paper = planPaper(plan);
  const films = [...new Set(plan.acts.flatMap((act) => (act.kind === 'pass' ? [act.filmUm] : [])))];
  const creep = new Map(films.map((film) => [film, dampCreep(paper, film, plan.climate, line)]));
  return new Map(plan.acts.flatMap((act) => (act.kind === 'pass' ? [[act.id, creep.get(act.filmUm)!]] : [])));
}

/** Share of a palette's choice that goes into colouring the box. */
const TABLE_SHARE = 0.7;

/** What the worker does when asked, given the compiled kernel once it has loaded. */
export function tableJobs(kernel: Promise<LineKernel>): TableApi {
  const cancelled = new Set<number>();
  const tableFor = tableShelf();
  const boxFor = boxShelf();

  /** Does long work, telling how far it is and stopping when its job is cancelled. */
  async function watched<Answer>(
    job: number,
    work: Work<Answer>,
    onProgress: OnProgress,
  ): Promise<Answer | null> {
    for (let step = work.next(); ; step = work.next()) {
      if (step.done) return step.value;
      onProgress(step.value);
      await breathe();
      if (cancelled.delete(job)) return null;
    }
  }

  return {
    async lookAhead(plan, revision) {
      const line = await kernel;
      const timeline = layOut(plan);
      return {
        revision,
        timeline,
        looks: areaLooks(plan, timeline),
        findings: runChecks(plan, timeline),
        creepMm: creepOf(plan, line),
        kernel: line.name,
      };
    },

    async matchColour(job, request, onProgress) {
      const table = await watched(job, tableFor(request), onProgress);
      return table && matchIn(table, request.target);
    },

    async choosePalette(job, box, paper, request, onProgress) {
      const table = await watched(job, boxFor(box, paper), (share) => onProgress(TABLE_SHARE * share));
      return (
        table &&
        watched(job, choosePalette(table, request), (share) =>
          onProgress(TABLE_SHARE + (1 - TABLE_SHARE) * share),
        )
      );
    },

    calibrate: (like, paper, swatches) => Promise.resolve(calibrate(like, paper, swatches)),

    cancel(job) {
      cancelled.add(job);
    },
  };
}
