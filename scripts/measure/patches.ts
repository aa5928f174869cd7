import {
  newPass,
  newPlan,
  outlineOf,
  rimOf,
  applyCommands,
  NEW_STUDIO,
  addMix,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import { patchesOf, type Patch } from '@kettle/core/order/areas';
import { dryAt, layOut, rehearse, stageAt, tableAt, type TimelineAtTable } from '@kettle/core/order/schedule';
import { contains, gapToLine, rectangle, type Point, type Polygon } from '@kettle/core/kit/geometry';
import { chance, done } from '@kettle/core/kit/units';
import {
  cellAt,
  Replay,
  stageOf,
  type PanelRun,
  type Simulation,
  type Stage,
} from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';
import type { Measured } from './limits';

const SCENES = 200;
const PROBES = 40;
const MOMENTS = 12;
const STATES_BYTES = 50e6;
/** Places nearer to a rim are wetted over it, mm. */
const FROM_RIM_MM = 2;
/** While a pass is laid, and so long after, its water is on its way, s. */
const SETTLES_S = 30;

const STAGES: readonly Stage[] = ['puddled', 'shiny', 'satin', 'damp', 'cool', 'dry'];
const WASHES = ['pre-wet', 'flat-wash', 'wet-in-wet', 'glaze'] as const;

/** A blob or a box somewhere on the panel. */
function anyShape(random: () => number): Polygon {
  const [width, height] = [30 + 80 * random(), 25 + 55 * random()];
  const [x, y] = [(148 - width) * random(), (105 - height) * random()];
  if (random() < 0.5) return rectangle(x, y, width, height);
  return [
    Array.from({ length: 36 }, (_, i): Point => {
      const turn = (2 * Math.PI * i) / 36;
      const out = 0.5 * (0.85 + 0.15 * Math.cos(3 * turn));
      return [x + width * (0.5 + out * Math.cos(turn)), y + height * (0.5 + out * Math.sin(turn))];
    }),
  ];
}

/** Areas that overlap and lie in each other, with up to eight passes, some into the wet, some when all is dry. */
function scene(seed: number): Plan {
  const random = chance(4200 + seed);
  const areas = Array.from({ length: 2 + Math.floor(3 * random()) }, (_, i) => `area-${i}`);
  const passes = Array.from({ length: 2 + Math.floor(7 * random()) }, (_, i): Command => {
    const technique = WASHES[Math.floor(random() * WASHES.length)];
    const start = random() < 0.5 ? ('when-dry' as const) : ('straight-on' as const);
    return {
      do: 'add-act',
      before: 'untape',
      act: newPass({
        ...{ id: `pass-${i}`, technique, areas: [areas[Math.floor(random() * areas.length)]], start },
        ...{ mix: technique === 'pre-wet' ? null : 'blue', filmUm: Math.round(30 + 70 * random()) },
      }),
    };
  });
  const begun = newPlan(
    { id: `scene-${seed}`, title: 'Scene', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  return applyCommands(begun, [
    addMix('blue', 0.15, 'PB29'),
    ...areas.map((id): Command => ({ do: 'add-area', area: { id, name: id, outline: anyShape(random) } })),
    ...passes,
  ]).plan;
}

/** Places well inside patches that are wetted at some time. */
function probesOf(plan: Plan, random: () => number): { readonly at: Point; readonly patch: Patch }[] {
  const outlines = plan.areas.flatMap(({ outline }) => outline.map((ring) => [...ring, ring[0]]));
  const drawn = patchesOf(plan).filter(({ under }) => under.length > 0);
  const probes: { at: Point; patch: Patch }[] = [];
  for (let tries = 0; tries < 4000 && probes.length < PROBES; tries++) {
    const at: Point = [4 + 140 * random(), 4 + 97 * random()];
    if (outlines.some((line) => gapToLine(at, line) < FROM_RIM_MM)) continue;
    const patch = drawn.find(({ regions }) => regions.some((region) => contains(region, at)));
    if (patch) probes.push({ at, patch });
  }
  return probes;
}

/** The stage of the cells round a place, from their mean film and paper water. */
function stageThere({ panel }: PanelRun, [x, y]: Point, rim: number): Stage {
  let [film, paper, cells] = [0, 0, 0];
  for (let dy = -1; dy <= 1; dy++)
    for (let dx = -1; dx <= 1; dx++) {
      const column = Math.floor((x + rim) / panel.cellMm) + dx;
      const row = Math.floor((y + rim) / panel.cellMm) + dy;
      const cell = cellAt(panel, column, row);
      film += panel.film[cell];
      paper += panel.paper[cell];
      cells++;
    }
  return stageOf(film / cells, paper / cells);
}

const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))];

/** The plan as it is planned, every film laid at once and evenly on its areas, or as a hand paints it. */
function simulationOf(plan: Plan, timeline: TimelineAtTable, seed: number, byHand: boolean): Simulation {
  const rehearsed = rehearse(plan, timeline, { cellMm: 1, seed });
  if (byHand) return rehearsed;
  const rim = rimOf(plan);
  const acts = timeline.steps.flatMap(({ act, endS }) =>
    act.kind === 'pass'
      ? act.areas.map((area) => ({
          ...{ kind: 'wash' as const, atS: endS, filmUm: act.filmUm, pigments: [] },
          shape: {
            polygon: outlineOf(plan, area)[0].map(([x, y]): [number, number] => [x + rim, y + rim]),
          },
        }))
      : [],
  );
  return { ...rehearsed, acts };
}

interface Agreement {
  readonly samples: number;
  readonly same: number;
  /** No more than one stage off. */
  readonly within: number;
  readonly dryOff: readonly number[];
}

/** One scene: the stage at its probes at some moments, and how far the time to dry after its last pass is off. */
function agreementOf(seed: number, byHand: boolean): Agreement {
  const plan = scene(seed);
  const random = chance(9000 + seed);
  const timeline = layOut(plan);
  const painted = timeline.steps.filter(({ act }) => act.kind === 'pass');
  const simulation = simulationOf(plan, timeline, seed, byHand);
  const probes = probesOf(plan, random);
  const replay = new Replay(simulation, panelKernelFromBuild(), STATES_BYTES);
  const fromS = painted[0].startS;
  const times = Array.from({ length: MOMENTS }, () => fromS + random() * (simulation.stopS - fromS))
    .filter((atS) => !painted.some(({ startS, endS }) => atS >= startS && atS < endS + SETTLES_S))
    .sort((a, b) => a - b);
  const off = times.flatMap((atS) => {
    done(replay.goTo(atS));
    const { washed } = tableAt(plan, timeline, atS);
    return probes.map(({ at, patch }) => {
      const wash = washed.get(patch.index)?.wash;
      const told = STAGES.indexOf(wash ? stageAt(wash, atS) : 'dry');
      return Math.abs(told - STAGES.indexOf(stageThere(replay.run, at, rimOf(plan))));
    });
  });
  return {
    samples: off.length,
    same: off.filter((stages) => stages === 0).length,
    within: off.filter((stages) => stages <= 1).length,
    dryOff: timeToDry(plan, timeline, replay, probes),
  };
}

/** Wetness as patches tell it against the simulated sheet of the same plan, laid as planned and painted by a hand. */
export function measurePatches(): Measured {
  const figures = (byHand: boolean, name: string): Record<string, number> => {
    const scenes = Array.from({ length: SCENES }, (_, seed) => agreementOf(seed, byHand));
    const sum = (of: (agreement: Agreement) => number): number =>
      scenes.reduce((all, agreement) => all + of(agreement), 0);
    const samples = sum((agreement) => agreement.samples);
    const dryOff = scenes.flatMap((agreement) => agreement.dryOff);
    return {
      [`${name}Samples`]: samples,
      [`${name}SamePercent`]: (100 * sum(({ same }) => same)) / samples,
      [`${name}WithinOnePercent`]: (100 * sum(({ within }) => within)) / samples,
      [`${name}DryOffMedianPercent`]: 100 * percentile(dryOff, 0.5),
      [`${name}DryOffP95Percent`]: 100 * percentile(dryOff, 0.95),
    };
  };
  return {
    figures: { scenes: SCENES, ...figures(false, 'laid'), ...figures(true, 'byHand') },
    above: {
      ...{ laidSamePercent: 95, laidWithinOnePercent: 99 },
      ...{ byHandSamePercent: 95, byHandWithinOnePercent: 99 },
    },
    below: {
      ...{ laidDryOffMedianPercent: 10, laidDryOffP95Percent: 20 },
      ...{ byHandDryOffMedianPercent: 10, byHandDryOffP95Percent: 20 },
    },
  };
}

/** From the last pass on: how far the time to dry as told is off the simulated one, as a share of it, place by place. */
function timeToDry(
  plan: Plan,
  timeline: TimelineAtTable,
  replay: Replay,
  probes: readonly { readonly at: Point; readonly patch: Patch }[],
): number[] {
  const rim = rimOf(plan);
  const lastS = timeline.steps.findLast(({ act }) => act.kind === 'pass')!.endS;
  const { washed } = tableAt(plan, timeline, lastS);
  const wet = probes.flatMap(({ at, patch }) => {
    const wash = washed.get(patch.index)?.wash;
    const dryS = wash ? dryAt(wash) : null;
    return dryS !== null && wash!.laidS >= lastS - 1 ? [{ at, toldS: dryS - lastS, simulatedS: NaN }] : [];
  });
  for (
    let atS = lastS + SETTLES_S;
    atS < lastS + 20_000 && wet.some((one) => Number.isNaN(one.simulatedS));
    atS += 30
  ) {
    done(replay.goTo(atS));
    for (const one of wet)
      if (Number.isNaN(one.simulatedS) && stageThere(replay.run, one.at, rim) === 'dry')
        one.simulatedS = atS - lastS;
  }
  return wet
    .filter(({ simulatedS }) => !Number.isNaN(simulatedS))
    .map(({ toldS, simulatedS }) => Math.abs(toldS / simulatedS - 1));
}
