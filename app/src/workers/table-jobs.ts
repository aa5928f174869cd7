import { runChecks } from '@kettle/core/checks';
import { searchMix } from '@kettle/core/pigment';
import { planPaper, type Plan } from '@kettle/core/plan';
import { areaLooks, layOut } from '@kettle/core/schedule';
import { dampCreep, type LineKernel } from '@kettle/core/water';
import type { TableApi } from './table-api';

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

/** What the worker does when asked, given the compiled kernel once it has loaded. */
export function tableJobs(kernel: Promise<LineKernel>): TableApi {
  const cancelled = new Set<number>();
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
      const search = searchMix(request);
      for (let step = search.next(); ; step = search.next()) {
        if (step.done) return step.value;
        onProgress(step.value);
        await breathe();
        if (cancelled.delete(job)) return null;
      }
    },

    cancel(job) {
      cancelled.add(job);
    },
  };
}
