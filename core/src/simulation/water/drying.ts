import type { Climate, HeatTool } from '../../materials/climate';
import {
  DAMP_PAPER_GM2,
  DRY_PAPER_GM2,
  FALLING_RATE_SHARE,
  FIRST_STEP_S,
  LONGEST_DAMP_STEP_S,
  LONGEST_FILM_STEP_S,
  NEVER_S,
  PUDDLED_FILM_UM,
  SHINY_FILM_UM,
  STEP_GROWTH,
  UPTAKE_GM2,
  UPTAKE_OFFSET_GM2,
} from './constants';
import { evaporationRate } from './evaporation';
import { absorptionRate, paperEvaporationRate, type WaterPaper } from './exchange';

/** One wash left to dry: a film on paper that may be damp already. */
export interface Wash {
  readonly paper: WaterPaper;
  readonly filmUm: number;
  readonly paperWaterGm2?: number;
  readonly climate: Climate;
  readonly heatTool?: HeatTool;
}

/** When each stage is over, s from laying; a stage never entered ends with the one before; `null` = never. */
export interface StageEnds {
  readonly puddledEndS: number | null;
  readonly shinyEndS: number | null;
  readonly satinEndS: number | null;
  readonly dampEndS: number | null;
  readonly coolEndS: number | null;
}

/** The course of a drying wash to touch dry; parallel arrays, one entry a step, the first at 0 s. */
export interface DryingCourse {
  readonly atS: readonly number[];
  readonly filmUm: readonly number[];
  readonly paperGm2: readonly number[];
  readonly evaporatedGm2: readonly number[];
  readonly stages: StageEnds;
  /** What goes on after the course: paper that is dry to the touch gives off the rest, at this free rate, g/m²s. */
  readonly goesOn: { readonly paper: WaterPaper; readonly freeRate: number };
}

interface State {
  readonly film: number;
  readonly paper: number;
  readonly evaporated: number;
}

/** Largest share of the smaller store that may move in one step, so that fourth order holds its digits. */
const STEP_ACCURACY = 0.02;

/** Share of the uptake's own relaxation time a step may span; Runge–Kutta 4 is unstable beyond 2.8. */
const RELAXATION_SHARE = 0.5;

/** A film this thin is gone, µm; below the rounding of the step that empties it. */
const NO_FILM_UM = 1e-9;

/**
 * Dries one wash to touch dry: film to paper, film and paper to air, by Runge–Kutta 4 with growing steps.
 * The step that empties the film is cut to end with it; the other stage ends are read between steps. `stepScale` shortens every step (for the
 * step-halving test). The same rates drive the panel simulation.
 */
export function dry(wash: Wash, stepScale = 1): DryingCourse {
  const { paper } = wash;
  const phases = airPhases(wash);
  const atS = [0];
  const states: State[] = [{ film: wash.filmUm, paper: wash.paperWaterGm2 ?? 0, evaporated: 0 }];
  let time = 0;
  let phase = 0;
  let step = FIRST_STEP_S * stepScale;
  while (!isDry(states.at(-1)!) && time < NEVER_S) {
    const now = states.at(-1)!;
    const { rate, untilS } = phases[phase];
    if (rate === 0 && untilS === Infinity && !filmStillSinks(now, paper)) break;
    const length = Math.min(step, stepLimit(now, paper, rate) * stepScale, untilS - time);
    const next = advance(now, length, paper, rate);
    const [landed, spent] =
      next.film < NO_FILM_UM && now.film > 0 ? land(now, length, paper, rate) : [next, length];
    time += spent;
    if (time >= untilS) [time, phase] = [untilS, phase + 1];
    atS.push(time);
    states.push(landed);
    step *= STEP_GROWTH;
  }
  const course = {
    atS,
    filmUm: states.map((s) => s.film),
    paperGm2: states.map((s) => s.paper),
    evaporatedGm2: states.map((s) => s.evaporated),
  };
  const goesOn = { paper, freeRate: phases.at(-1)!.rate };
  return { ...course, stages: stageEnds(course), goesOn };
}

const isDry = (s: State): boolean => s.film === 0 && s.paper <= DRY_PAPER_GM2;

/** In saturated air nothing dries, but a film may still sink into thirsty paper. */
const filmStillSinks = (s: State, paper: WaterPaper): boolean =>
  s.film > 0 && absorptionRate(paper, s.paper) > 1e-6;

interface AirPhase {
  readonly rate: number;
  readonly untilS: number;
}

function airPhases({ climate, heatTool }: Wash): AirPhase[] {
  const still = evaporationRate(climate);
  if (!heatTool) return [{ rate: still, untilS: Infinity }];
  const heated = evaporationRate(climate, heatTool);
  const endS = heatTool.seconds === undefined ? Infinity : heatTool.fromS + heatTool.seconds;
  const phases = [
    { rate: still, untilS: heatTool.fromS },
    { rate: heated, untilS: endS },
    { rate: still, untilS: Infinity },
  ];
  return phases.filter(({ untilS }, i) => untilS > (phases[i - 1]?.untilS ?? 0));
}

/**
 * One step of Runge–Kutta 4. What sinks from a film and what paper gives to the air go by the paper's water alone, so that
 * four slopes of it are all that is needed: written out in numbers, since every time in the program rests on some hundred of these.
 */
function advance(s: State, dt: number, paper: WaterPaper, freeRate: number): State {
  const half = dt / 2;
  const sixth = dt / 6;
  if (s.film > 0) {
    const k1 = absorptionRate(paper, s.paper);
    const k2 = absorptionRate(paper, s.paper + k1 * half);
    const k3 = absorptionRate(paper, s.paper + k2 * half);
    const k4 = absorptionRate(paper, s.paper + k3 * dt);
    const sunk = sixth * (k1 + 2 * k2 + 2 * k3 + k4);
    return {
      film: s.film - freeRate * dt - sunk,
      paper: s.paper + sunk,
      evaporated: s.evaporated + freeRate * dt,
    };
  }
  const k1 = paperEvaporationRate(paper, s.paper, freeRate);
  const k2 = paperEvaporationRate(paper, s.paper - k1 * half, freeRate);
  const k3 = paperEvaporationRate(paper, s.paper - k2 * half, freeRate);
  const k4 = paperEvaporationRate(paper, s.paper - k3 * dt, freeRate);
  const left = sixth * (k1 + 2 * k2 + 2 * k3 + k4);
  return { film: 0, paper: s.paper - left, evaporated: s.evaporated + left };
}

/** Shortens a step so that the film ends exactly with it; what rounding leaves of it goes into the paper. */
function land(s: State, dt: number, paper: WaterPaper, freeRate: number): [State, number] {
  let [low, high] = [0, dt];
  while (high - low > 1e-10 * dt) {
    const middle = (low + high) / 2;
    if (advance(s, middle, paper, freeRate).film > 0) low = middle;
    else high = middle;
  }
  const end = advance(s, low, paper, freeRate);
  return [{ film: 0, paper: end.paper + end.film, evaporated: end.evaporated }, low];
}

function stepLimit(s: State, paper: WaterPaper, freeRate: number): number {
  // The uptake front starts at a paper water of zero, where its own offset sets the scale.
  const reach = s.paper + UPTAKE_OFFSET_GM2;
  const relaxation = (RELAXATION_SHARE * (paper.capacityGm2 * reach)) / (paper.uptake * UPTAKE_GM2);
  if (s.film > 0) {
    const sinks = absorptionRate(paper, s.paper);
    const filmLasts = s.film / Math.max(1e-12, freeRate + sinks);
    return Math.min(
      (STEP_ACCURACY * reach) / Math.max(1e-12, sinks),
      relaxation,
      Math.max(LONGEST_FILM_STEP_S, STEP_ACCURACY * filmLasts),
    );
  }
  const lasts = (STEP_ACCURACY * s.paper) / Math.max(1e-12, paperEvaporationRate(paper, s.paper, freeRate));
  return Math.min(lasts, relaxation, Math.max(LONGEST_DAMP_STEP_S, lasts));
}

type Series = Omit<DryingCourse, 'stages' | 'goesOn'>;

function stageEnds({ atS, filmUm, paperGm2 }: Series): StageEnds {
  const filmGone = filmUm.indexOf(0);
  const firstBelow = (values: readonly number[], limit: number, from: number): number | null => {
    if (from < 0) return null;
    for (let i = from; i < values.length; i++)
      if (values[i] <= limit) return i === from ? atS[i] : crossing(i, values, limit);
    return null;
  };
  const crossing = (i: number, values: readonly number[], limit: number): number =>
    atS[i - 1] + ((values[i - 1] - limit) / (values[i - 1] - values[i])) * (atS[i] - atS[i - 1]);
  return {
    puddledEndS: firstBelow(filmUm, PUDDLED_FILM_UM, 0),
    shinyEndS: firstBelow(filmUm, SHINY_FILM_UM, 0),
    satinEndS: filmGone < 0 ? null : atS[filmGone],
    dampEndS: firstBelow(paperGm2, DAMP_PAPER_GM2, filmGone),
    coolEndS: firstBelow(paperGm2, DRY_PAPER_GM2, filmGone),
  };
}

/** Film (µm) and paper water (g/m²) a time after laying, between the steps of a course and after its end. */
export function waterAt(course: DryingCourse, atS: number): { filmUm: number; paperGm2: number } {
  const times = course.atS;
  let low = 0;
  let high = times.length - 1;
  if (atS >= times[high])
    return {
      filmUm: course.filmUm[high],
      paperGm2: driedOn(course.goesOn, course.paperGm2[high], atS - times[high]),
    };
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (times[middle] <= atS) low = middle;
    else high = middle;
  }
  const share = Math.max(0, (atS - times[low]) / (times[high] - times[low]));
  const between = (values: readonly number[]): number => values[low] + share * (values[high] - values[low]);
  return { filmUm: between(course.filmUm), paperGm2: between(course.paperGm2) };
}

/** Water left in paper without a film after some seconds, g/m²: even loss down to the falling rate, then a share of what is left. */
function driedOn({ paper, freeRate }: DryingCourse['goesOn'], paperGm2: number, seconds: number): number {
  const falling = FALLING_RATE_SHARE * paper.capacityGm2;
  const evenS = freeRate > 0 ? Math.max(0, paperGm2 - falling) / freeRate : Infinity;
  if (seconds <= evenS) return paperGm2 - freeRate * seconds;
  return Math.min(paperGm2, falling) * Math.exp((-freeRate * (seconds - evenS)) / falling);
}
