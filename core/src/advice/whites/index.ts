export { crossings, measuringWhite, whiteFacts, type WhiteFacts } from './facts';
export { LARGE_MASK_CM2, LONGEST_MASK_S, penFor, rankWays, type RankedWay } from './ranking';
export {
  FINEST_BRUSH_MM,
  legibility,
  measureLetter,
  problemOf,
  type Legibility,
  type LetterMeasure,
  type LetterProblem,
  type LetterTools,
  type ReadLetter,
} from './legibility';
export { barrierGaps, type BarrierGap } from './barrier-gap';
export { LOST_EDGE_L, lostContour, type LostContour } from './contour';
export { comparison, COMPARED } from './comparison';
export { fluidForAll, removals, removalSteps, type MaskedFor, type Removal } from './removal';
