import { common, measuringWidths } from '../../order/areas';
import { edgeLength, gapBetween, polygonArea } from '../../kit/geometry';
import { atReferenceFilm, coverOver, liftReach, pigmentByCode, type Mix } from '../../materials/pigment';
import {
  colourAt,
  laidMix,
  mixOf,
  outlineOf,
  planPaper,
  type Pass,
  type Plan,
  type White,
  techniqueOf,
} from '../../document/plan';
import { asPart, done, remembered, type Work } from '../../kit/units';

/** Areas that overlap by less only meet at their edges, mm². */
const MEETS_MM2 = 0.1;

/** Whites are alike when the larger is at most so many times the smaller. */
const ALIKE = 4;

/** What the choice of a way depends on. */
export interface WhiteFacts {
  readonly cm2: number;
  readonly inscribedMm: number;
  readonly narrowestMm: number;
  readonly edgeMm: number;
  /** How many such whites there are, itself among them. */
  readonly parts: number;
  readonly soft: boolean;
  /** Passes that run over it. */
  readonly crossings: number;
  /** One of them flows: it is laid wet into wet or graded, and cannot be stopped round a shape. */
  readonly flows: boolean;
  /** Lightness that is to be kept, and what can be won back by lifting and by opaque white. */
  readonly wantedL: number;
  readonly liftedL: number;
  readonly opaqueL: number;
  /** Coats of opaque white until it is as light as wanted; `null` when no number of them is enough. */
  readonly coats: number | null;
  /** How strongly what crosses it stains, 0…1. */
  readonly staining: number;
  readonly sizing: number;
  /** How long a mask would stay on, s; `null` when that is not known. */
  readonly maskedS: number | null;
  /** What the house does where more than one way would do. */
  readonly house: Plan['rules']['whites'];
}

/** Only whether two areas overlap is asked: further apart than this nothing is measured, mm. */
const APART_MM = 0.01;

/** Whether two areas overlap is asked of every white and every pass. */
const overlapKnown = remembered<boolean>();

const overlap = (plan: Plan, one: string, other: string): boolean =>
  overlapKnown(plan.areas, `${one} ${other}`, () => {
    const [some, others] = [outlineOf(plan, one), outlineOf(plan, other)];
    if (gapBetween(some, others, APART_MM) > 0) return false;
    return common([some], [others]).reduce((sum, region) => sum + polygonArea(region), 0) > MEETS_MM2;
  });

/** The passes that run over an area without being meant for it. */
export function crossings(plan: Plan, area: string): Pass[] {
  return plan.acts.filter(
    (act): act is Pass =>
      act.kind === 'pass' &&
      !act.areas.includes(area) &&
      act.areas.some((other) => overlap(plan, area, other)),
  );
}

/** Opaque white, titanium and undiluted. */
const WHITE_PAINT = atReferenceFilm([{ pigment: pigmentByCode('PW6'), parts: 1 }], 1);

/** Less dark than the paper by so much opaque white still reads as white: a difference of 10 is a lost edge, L*. */
const AS_LIGHT = 8;

/** Whether what a pass lays flows, so that a brush does not stop it round a shape. */
const flowsOver = ({ technique }: Pass): boolean => techniqueOf(technique).flows === true;

/** Measures an area that is, or might be, kept light. */
export function* measuringWhite(
  plan: Plan,
  area: string,
  white: Pick<White, 'wanted' | 'edge'>,
  maskedS: number | null = null,
): Work<WhiteFacts> {
  const outline = outlineOf(plan, area);
  const widths = yield* asPart(measuringWidths(outline), 0, 0.5);
  for (const act of plan.acts)
    for (const other of act.kind === 'pass' && !act.areas.includes(area) ? act.areas : []) {
      yield 0.5;
      overlap(plan, area, other);
    }
  const cm2 = polygonArea(outline) / 100;
  const crossing = crossings(plan, area);
  const paper = planPaper(plan);
  const layers = crossing.flatMap((pass): Mix[] =>
    pass.mix === null ? [] : [laidMix(plan, mixOf(plan, pass.mix), pass.filmUm)],
  );
  const first = plan.acts.findIndex((act) => act.id === crossing[0]?.id);
  const wantedL = white.wanted?.[0] ?? colourAt(plan, area, Math.max(0, first))[0];
  yield 0.7;
  const cover = coverOver(WHITE_PAINT, paper, layers, wantedL - AS_LIGHT);
  yield 0.9;
  return {
    ...{ cm2, edgeMm: edgeLength(outline), narrowestMm: widths.narrowestMm, inscribedMm: widths.inscribedMm },
    parts: alike(plan, area, cm2),
    soft: white.edge === 'soft',
    crossings: crossing.length,
    flows: crossing.some(flowsOver),
    ...{ wantedL, liftedL: liftReach(paper, layers).after[0] },
    ...{ opaqueL: cover.coats.at(-1)![0], coats: cover.coatsNeeded },
    staining: Math.max(0, ...layers.flatMap(({ parts }) => parts.map(({ pigment }) => pigment.staining))),
    ...{ sizing: paper.sizing, maskedS, house: plan.rules.whites },
  };
}

/** The same in one go. */
export const whiteFacts = (...asked: Parameters<typeof measuringWhite>): WhiteFacts =>
  done(measuringWhite(...asked));

/** How many whites are about as large as this one, itself among them. */
const alike = (plan: Plan, area: string, cm2: number): number =>
  1 +
  plan.whites.filter((white) => {
    const other = polygonArea(outlineOf(plan, white.area)) / 100;
    return white.area !== area && other < ALIKE * cm2 && cm2 < ALIKE * other;
  }).length;
