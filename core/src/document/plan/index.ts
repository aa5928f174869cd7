export { MOST_CORNERS_IN_ALL, MOST_IN_A_LIST, MOST_POINTS_IN_ALL } from './limits';
export {
  actSchema,
  AWAITED,
  type Act,
  type ChoreAct,
  LIES,
  MOST_OTHER_MIXES,
  type LaidShield,
  type OtherMix,
  type PaintedStroke,
  type Pass,
  type Start,
} from './act';
export { applyCommands, replayOnJson, replayPatches, type Patch, type PlanChange } from './apply';
export { CHORES, choreOf, DRY_WARM, type Chore, type ChoreDoes } from './chore';
export { deedOf } from './deed';
export { commandSchema, type Command } from './command';
export { addArea, addMix, addPass, smallPlan } from './small-plan';
export { runCommand } from './run-command';
export { countersToFill, type CountersToFill } from './counters';
export { rightAfter, rightBefore } from './act-moves';
export { everMasked, firstFinishing, freeId, maskTimes, type MaskTimes } from './mask-acts';
export { cuttingRequest, MATERIALS } from './cutting';
export { CUTTING_IN_MM_S, handsOn } from './hands-on';
export {
  areaOf,
  covers,
  formatOf,
  laidMix,
  maskOn,
  mixOf,
  nameOf,
  outlineOf,
  paintedOf,
  planPaper,
  piecesOf,
  rimOf,
  sizesOf,
  stillToCrop,
} from './lookup';
export { newMix } from './new-mix';
export { newPass } from './new-pass';
export { madeAgain, newPlan, type Beginning } from './new-plan';
export {
  colourAt,
  representativePoint,
  isPaintedRound,
  sparedBy,
  isShielded,
  bareLightness,
  lightnessOver,
  topAreaAt,
  layersAt,
  layersAtPlace,
  maskedAfter,
  wettedThrough,
} from './painted';
export { laidAt, mixesOf, partLaid } from './places';
export {
  LONGEST_NAME,
  planSchema,
  STATIONS,
  WAYS,
  WEIGHTS,
  type Plan,
  type PlannedMix,
  type Sitting,
  type SittingEvent,
  type Station,
  type White,
} from './plan';
export { HOUSE_RULES, NEW_STUDIO, studioSchema, type Studio } from './studio';
export {
  afterStudioCommands,
  missingIn,
  studioCommandsBetween,
  studioCommandSchema,
  undoingStudio,
  type StudioCommand,
} from './studio-command';
export {
  LIFT,
  OPAQUE,
  SALT,
  TECHNIQUES,
  techniqueOf,
  WATER_WORDS,
  waterWord,
  type Laying,
  type Technique,
  type TechniqueWindow,
} from './technique';
export { lowestWithin, relaid, stacked } from './stacking';
export { asParts, partName, thingOf, type Part } from './parts';
export { thingSchema, type Thing } from './thing';
export { MOST_ACTS, pigmentsIn, trialSchema, type HandAct, type Trial } from './trial';
export { variantsOf, type PaintedVariant } from './painted-variants';
export { MOST_VARIANTS, type Variant } from './variant';
export { HIDING_WHITE } from './white-acts';
