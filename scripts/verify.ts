// The long evidence: every suite with many more kills, then figures written to docs/measurements. Names of measures, or all of them:
// `npm run verify [-- cutting leaks]`.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { lineKernelRatio } from '../bench/line-kernel';
import { benchChanges } from '../bench/changes';
import { benchCutting } from '../bench/cutting';
import { benchJobs } from '../bench/jobs';
import { benchMixing } from '../bench/mixing';
import { benchPainting } from '../bench/painting';
import { benchPaintedAhead } from '../bench/painted-ahead';
import { benchPanel } from '../bench/panel';
import { inBrowser, openPage } from '../e2e/browser';
import { dragWanted } from '../e2e/colour-drag';
import { quietestDrag, type DragFigures } from '../e2e/drag-watch';
import { dragPegAbout } from '../e2e/peg-drag';
import { paintingSpeed, type PaintingSpeed } from '../e2e/painting-speed';
import { firstVisit, standsAfterMs } from '../e2e/first-visit';
import { measureBareClone } from './measure/bare-clone';
import { manyLines, manyMasks, strokeTimes, type ManyStrokes } from '../e2e/many-strokes';
import { largePlan } from '../core/src/testing/large-plan';
import { largeCard } from '../e2e/large-card';
import { leaks, manyCards } from '../e2e/many-cards';
import { rackTimes, type RackTimes } from '../e2e/full-rack';
import { measureBlooms } from './measure/blooms';
import { measureCalibration } from './measure/calibration';
import { measureChecksOnPaper } from './measure/checks-on-paper';
import { measureCuttingPlans } from './measure/cutting-plans';
import { measureDryNeighbour } from './measure/dry-neighbour';
import { measureDrying } from './measure/drying';
import { measureEffects } from './measure/effects';
import { measureFlatWash } from './measure/flat-wash';
import { measurePicture } from './measure/picture';
import { measurePlannedWash } from './measure/planned-wash';
import { measureTwins } from './measure/twins';
import { evidenceOf, inWords, type Evidence, type Measured } from './measure/limits';
import { measurePatches } from './measure/patches';
import { measurePigments } from './measure/pigments';
import { measureProperties } from './measure/properties';
import { measureSequencing } from './measure/sequencing';
import { measureSwatchSheets } from './measure/swatch-sheets';
import { measureWhites } from './measure/whites';
import { measureWindows } from './measure/windows';

const FOLDER = 'docs/measurements';
/** Tabs and browsers killed, over fourteen kinds of work. */
const KILLS = '200';

/** A drawn frame’s main thread in the middle, and the longest task, ms. */
const SMOOTH = { drawingFrameMs: 8, zoomingFrameMs: 8, pushingFrameMs: 8, longestTaskMs: 50 };

/** Suites, and their figures by file. */
function measureSuites(): Measured {
  const report = `${FOLDER}/suites.json`;
  spawnSync('tsx', ['scripts/test.ts'], { stdio: 'inherit', env: { ...process.env, KILLS, REPORT: report } });
  return { figures: JSON.parse(readFileSync(report, 'utf8')) as Measured['figures'], below: { failed: 1 } };
}

/** The longest step of every job: nothing is to hold a worker from being stopped for longer. */
async function measureJobs(): Promise<Measured> {
  const figures = await benchJobs();
  const steps = Object.keys(figures).filter((name) => name.endsWith('StepMs'));
  return { figures, below: Object.fromEntries(steps.map((name) => [name, 20])) };
}

/** Whether a test would notice if a number of a check, a window or a plan were another. */
function measureMutants(): Measured {
  const report = `${FOLDER}/mutants.json`;
  spawnSync('tsx', ['scripts/mutants.ts', '--sample', '40', '--json', report], { stdio: 'inherit' });
  return {
    figures: JSON.parse(readFileSync(report, 'utf8')) as Measured['figures'],
    above: { killedPercent: 95 },
  };
}

/** Everything that is measured, in the order in which it is: the figures of a measure stand in a file of its name. */
const MEASURES: Readonly<Record<string, () => Measured | Promise<Measured>>> = {
  suites: measureSuites,
  drying: () => ({ figures: { ...measureDrying() } }),
  pigments: measurePigments,
  calibration: measureCalibration,
  effects: measureEffects,
  blooms: measureBlooms,
  'flat-wash': measureFlatWash,
  'planned-wash': measurePlannedWash,
  'dry-neighbour': measureDryNeighbour,
  picture: measurePicture,
  twins: measureTwins,
  'rehearsal-memory': measureRehearsal,
  patches: measurePatches,
  panel: () => ({
    figures: benchPanel(),
    below: { '0.25 mm: wet step over copy of the state': 16, '0.5 mm: wet step over copy of the state': 20 },
  }),
  mixing: () => ({
    figures: benchMixing(),
    below: { tableFirstMs: 150, tableMs: 150, queryMs: 20, paletteMs: 500 },
    above: { plainOverQuery: 20, plainPaletteOverPalette: 500 },
  }),
  painting: async () => ({
    figures: await quietest(benchPainting, 'simdNs', 5),
    below: { simdNs: 400 },
    above: { referenceOverSimd: 10 },
  }),
  cutting: () => ({ figures: benchCutting(), below: { fortyMs: 200 } }),
  'cutting-plans': measureCuttingPlans,
  whites: measureWhites,
  'swatch-sheets': measureSwatchSheets,
  sequencing: measureSequencing,
  properties: measureProperties,
  windows: measureWindows,
  'checks-on-paper': measureChecksOnPaper,
  'line-kernel': async () => ({ figures: { ...(await lineKernelRatio()) } }),
  'first-visit': async () => ({
    figures: await measureFirstVisit(),
    below: { initialScriptsAndStyles: 250_000, worker: 150_000 },
  }),
  'many-strokes': async () => ({ figures: await measureManyStrokes(manyLines(3000)), below: SMOOTH }),
  'many-masks': async () => ({
    figures: await measureManyStrokes(manyMasks(2000, 5000)),
    // Each stroke is also told to the worker; a frame of the screen is 16 ms.
    below: { ...SMOOTH, drawingFrameMs: 16 },
  }),
  'colour-drag': async () => ({
    figures: await measureColourDrag(),
    below: { p95Ms: 100, longestTaskMs: 50 },
  }),
  'peg-drag': async () => ({ figures: await measurePegDrag(), below: { p95Ms: 50, longestTaskMs: 50 } }),
  'painted-ahead': async () => ({
    figures: await quietest(benchPaintedAhead, 'coarseMs', 3),
    below: { coarseMs: 3000, fineMs: 15_000, changedPassMs: 1500 },
  }),
  'painting-speed': async () => ({
    figures: await measurePaintingSpeed(0.5),
    below: { p95Ms: 60, longestTaskMs: 50 },
    above: { realTime: 0.9 },
  }),
  'painting-speed-fine': async () => ({
    figures: await measurePaintingSpeed(0.25),
    below: { p95Ms: 110, longestTaskMs: 50 },
  }),
  'painting-hour': measurePaintingHour,
  'full-rack': async () => ({
    figures: await measureFullRack(),
    below: { puttingUpMs: 50, inUseMs: 50 },
  }),
  'many-cards': async () => ({
    figures: await inBrowser(async (profile, url) => ({
      ...(await manyCards(await openPage(profile, url), url, 300)),
    })),
    below: { opensMs: 1500, eveningsMs: 5000 },
  }),
  jobs: measureJobs,
  changes: async () => ({
    figures: await benchChanges(),
    below: { sprayedMs: 150, largeMs: 150, pegMs: 50 },
  }),
  'large-card': async () => ({
    figures: await inBrowser(async (profile, url) => ({
      ...(await largeCard(await openPage(profile, url), url, largePlan(40, 60))),
    })),
    below: { longestTaskMs: 100 },
  }),
  mutants: measureMutants,
  leaks: async () => ({
    figures: await inBrowser(async (profile, url) => leaks(await openPage(profile, url), 60, 500)),
    below: { rackGrownMB: 2, stationsGrownMB: 2 },
  }),
  'bare-clone': async () => ({ figures: { ...(await measureBareClone()) } }),
};

mkdirSync(FOLDER, { recursive: true });
const SUMMARY = `${FOLDER}/summary.json`;
const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in MEASURES));
if (unknown.length > 0) throw new Error(`no such measure: ${unknown.join(', ')}`);
const names = asked.length > 0 ? asked : Object.keys(MEASURES);
// What is not measured now stands as it was measured last.
let evidence: Evidence[] = existsSync(SUMMARY)
  ? (JSON.parse(readFileSync(SUMMARY, 'utf8')) as Evidence[])
  : [];
for (const name of names) {
  const measured = await MEASURES[name]();
  writeFileSync(`${FOLDER}/${name}.json`, `${JSON.stringify(measured.figures, null, 1)}\n`);
  const rows = evidenceOf(name, measured);
  console.log(`· ${name} measured`);
  for (const row of rows.filter(({ holds }) => !holds)) console.log(`  ${inWords(row)}`);
  const all = [...evidence.filter(({ measure }) => measure !== name), ...rows];
  evidence = Object.keys(MEASURES).flatMap((of) => all.filter(({ measure }) => measure === of));
  writeFileSync(SUMMARY, `${JSON.stringify(evidence, null, 1)}\n`);
}

const red = evidence.filter(({ holds }) => !holds);
for (const row of red) console.log(`red · ${inWords(row)}`);
const { status: told } = spawnSync('tsx', ['scripts/evidence.ts'], { stdio: 'inherit' });
process.exitCode = red.length > 0 || told !== 0 ? 1 : 0;

/** How a sheet follows the pen, the quietest of two. */
async function measurePaintingSpeed(cellMm: number): Promise<Record<string, number>> {
  const rounds: PaintingSpeed[] = [];
  for (let round = 0; round < 2; round++)
    rounds.push(
      await inBrowser(async (profile, url) => paintingSpeed(await openPage(profile, url), url, cellMm)),
    );
  return { ...rounds.reduce((a, b) => (b.p95Ms < a.p95Ms ? b : a)) };
}

/** An hour of painting, likewise in a process of its own. */
function measurePaintingHour(): Measured {
  const { stdout } = spawnSync('tsx', ['scripts/measure/painting-hour.ts'], { encoding: 'utf8' });
  return {
    figures: JSON.parse(stdout) as Measured['figures'],
    below: { undoMs: 300, reopenMs: 3000, grownMB: 400 },
    above: { samePaper: 0.5 },
  };
}

/** Memory is measured in a process of its own, in which nothing else has grown. */
function measureRehearsal(): Measured {
  const { stdout } = spawnSync('tsx', ['scripts/measure/rehearsal.ts'], { encoding: 'utf8' });
  return { figures: JSON.parse(stdout) as Measured['figures'], below: { grownMB: 300 } };
}

/** The quietest of some runs: other work on the machine only ever slows one. */
async function quietest<Figure extends string, Figures extends Record<Figure, number>>(
  bench: () => Promise<Figures>,
  by: Figure,
  runs: number,
): Promise<Figures> {
  let best = await bench();
  for (let again = 1; again < runs; again++) {
    const next = await bench();
    if (next[by] < best[by]) best = next;
  }
  return best;
}

/** What a first visit weighs, and when the plan stands on the table: the middle of five, each in a browser of its own. */
async function measureFirstVisit(): Promise<Record<string, number>> {
  const standsMs: number[] = [];
  for (let visit = 0; visit < 5; visit++) standsMs.push(await inBrowser(standsAfterMs));
  return { ...(await inBrowser(firstVisit)), standsMs: standsMs.sort((a, b) => a - b)[2] };
}

/** Drawing on a card of many strokes, the quietest of three. */
async function measureManyStrokes(many: ManyStrokes): Promise<Record<string, number>> {
  const rounds: Record<string, number>[] = [];
  for (let round = 0; round < 3; round++) {
    const times = await inBrowser(async (profile, url) =>
      strokeTimes(await openPage(profile, url), url, many),
    );
    rounds.push({
      ...Object.fromEntries(times.map(({ doing, medianFrameMs }) => [`${doing}FrameMs`, medianFrameMs])),
      longestTaskMs: Math.max(...times.map(({ longestTaskMs }) => longestTaskMs)),
    });
  }
  return rounds.reduce((best, next) => (next['longestTaskMs'] < best['longestTaskMs'] ? next : best));
}

/** Dragging a wanted colour over the plane of the demo card, the quietest of three. */
async function measureColourDrag(): Promise<DragFigures & Record<string, number>> {
  return { ...(await quietestDrag(dragWanted, ({ longestTaskMs }) => longestTaskMs)) };
}

/** Dragging a peg of the demo card about, the quietest of three. */
async function measurePegDrag(): Promise<DragFigures & Record<string, number>> {
  return {
    ...(await quietestDrag(
      (page) => dragPegAbout(page, 'kettle-wash'),
      ({ p95Ms }) => p95Ms,
    )),
  };
}

/** The quietest of three visits, since other work on the machine only ever adds. */
async function measureFullRack(): Promise<RackTimes & Record<string, number>> {
  const visits: RackTimes[] = [];
  for (let visit = 0; visit < 3; visit++)
    visits.push(
      await inBrowser(async (profile, url) => rackTimes(await openPage(profile, url), url, 60, 150)),
    );
  const worst = ({ puttingUpMs, inUseMs }: RackTimes): number => Math.max(puttingUpMs, inUseMs);
  return { ...visits.reduce((best, next) => (worst(next) < worst(best) ? next : best)) };
}
