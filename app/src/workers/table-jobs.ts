import { composition, filledAt, fluidMl } from '@kettle/core/areas';
import { cutSheet, offcutsOf } from '@kettle/core/card';
import { checkAllKinds, runChecks } from '@kettle/core/checks';
import { suggestPalettes } from '@kettle/core/dish';
import { unpackResists } from '@kettle/core/masking';
import { boxShelf, calibrate, choosePalette, matchIn, tableShelf } from '@kettle/core/pigment';
import { planPaper, type Plan } from '@kettle/core/plan';
import { proposePasses } from '@kettle/core/proposals';
import { areaLooks, batchOf, cheapestWayOut, inOrder, layOut, type BetterOrder } from '@kettle/core/schedule';
import { unpackLines } from '@kettle/core/sketch';
import { BadInput, done, type Work } from '@kettle/core/units';
import { reachAt } from '@kettle/core/values';
import { dampCreep, type LineKernel } from '@kettle/core/water';
import { fluidForAll, rankWays, removals, whiteFacts } from '@kettle/core/whites';
import type { Deadlock, TableApi } from './table-api';
import { reckonColours } from './colour-reckoning';
import { watching } from './watching';

function creepOf(plan: Plan, line: LineKernel): Map<string, number> {
  const paper = planPaper(plan);
  const films = [...new Set(plan.acts.flatMap((act) => (act.kind === 'pass' ? [act.filmUm] : [])))];
  const creep = new Map(films.map((film) => [film, dampCreep(paper, film, plan.climate, line)]));
  return new Map(plan.acts.flatMap((act) => (act.kind === 'pass' ? [[act.id, creep.get(act.filmUm)!]] : [])));
}

/** A white nobody has said more of. */
const UNSAID = { wanted: null, edge: 'hard' } as const;

/** Share of a palette's choice that goes into colouring the box. */
const TABLE_SHARE = 0.7;

const stops = (plan: Plan): number =>
  runChecks(plan, layOut(plan)).filter(({ severity }) => severity === 'stop').length;

function* orderOrWayOut(plan: Plan): Work<BetterOrder | Deadlock | null> {
  const found = yield* inOrder(plan);
  return found && 'conflict' in found
    ? { ...found, wayOut: yield* cheapestWayOut(plan, found.conflict) }
    : found;
}

/** What the worker does when asked, given the compiled kernel once it has loaded. */
export function tableJobs(kernel: Promise<LineKernel>): TableApi {
  const watch = watching();
  const tableFor = tableShelf();
  const boxFor = boxShelf();

  return {
    async lookAhead(bare, resists, revision, desk) {
      const plan = { ...bare, resists: unpackResists(resists) };
      const line = await kernel;
      const timeline = layOut(plan);
      return {
        revision,
        timeline,
        looks: areaLooks(plan, timeline),
        findings: checkAllKinds(plan, timeline, desk),
        creepMm: creepOf(plan, line),
        kernel: line.name,
      };
    },

    async matchColour(job, request, onProgress) {
      const table = await watch.work(job, tableFor(request), onProgress);
      return table && matchIn(table, request.target);
    },

    async choosePalette(job, box, paper, request, onProgress) {
      const table = await watch.work(job, boxFor(box, paper), (share) => onProgress(TABLE_SHARE * share));
      return (
        table &&
        watch.work(job, choosePalette(table, request), (share) =>
          onProgress(TABLE_SHARE + (1 - TABLE_SHARE) * share),
        )
      );
    },

    async suggest(job, box, paper, mood, onProgress) {
      const table = await watch.work(job, boxFor(box, paper), (share) => onProgress(TABLE_SHARE * share));
      return (
        table &&
        watch.work(job, suggestPalettes(table, mood), (share) =>
          onProgress(TABLE_SHARE + (1 - TABLE_SHARE) * share),
        )
      );
    },

    reach: (palette, paper, lightness) =>
      Promise.resolve(reachAt(done(tableFor({ palette, paper })), lightness)),

    reckonColours: (bare, resists, dish) =>
      Promise.resolve(reckonColours({ ...bare, resists: unpackResists(resists) }, dish)),

    propose: (bare, resists) =>
      Promise.resolve(proposePasses({ ...bare, resists: unpackResists(resists) }).commands),

    async putInOrder(job, bare, resists, onProgress) {
      const plan = { ...bare, resists: unpackResists(resists) };
      const found = await watch.work(job, orderOrWayOut(plan), onProgress);
      if (!found || 'conflict' in found) return found;
      const { plan: better, ...order } = found;
      return stops(better) > stops(plan) ? null : order;
    },

    async batch(job, bare, resists, desk, onProgress) {
      const plans = bare.map((plan, i) => ({ ...plan, resists: unpackResists(resists[i]) }));
      try {
        return await watch.work(job, batchOf(plans, desk), onProgress);
      } catch (cause) {
        throw cause instanceof BadInput ? new Error(`It does not go: ${cause.reason}.`) : cause;
      }
    },

    cut(request) {
      const plan = cutSheet(request);
      return Promise.resolve({ ...plan, offcuts: offcutsOf(request, plan) });
    },

    fill: (lines, at, panel) => Promise.resolve(filledAt(unpackLines(lines), at, panel)),

    compose: (plan, lines, darkness) =>
      Promise.resolve(composition({ ...plan, lines: unpackLines(lines) }, darkness)),

    rankWhites(bare, resists) {
      const plan = { ...bare, resists: unpackResists(resists) };
      const { masks } = layOut(plan);
      return Promise.resolve(
        plan.areas.map(({ id }) => {
          const white = plan.whites.find(({ area }) => area === id) ?? UNSAID;
          const laid = masks.find(({ area }) => area === id);
          const maskedS = laid && laid.offS !== null ? laid.offS - laid.onS : null;
          const facts = whiteFacts(plan, id, white, maskedS);
          return { area: id, facts, ways: rankWays(facts) };
        }),
      );
    },

    reckonMasks(bare, resists) {
      const plan = { ...bare, resists: unpackResists(resists) };
      return Promise.resolve({
        ml: new Map(plan.resists.map((resist) => [resist.id, fluidMl(plan, resist)])),
        allMl: fluidForAll(plan),
        removals: removals(plan, layOut(plan).masks),
      });
    },

    calibrate: (like, paper, swatches) => Promise.resolve(calibrate(like, paper, swatches)),

    cancel: watch.cancel,
  };
}
