export { actSchema, type Act, type ChoreAct, type Pass, type Start } from './act';
export { applyCommands, replayPatches, type Patch, type PlanChange } from './apply';
export { CHORES, choreOf, type Chore } from './chore';
export { commandSchema, firstFinishing, runCommand, type Command } from './command';
export { cuttingRequest, MATERIALS } from './cutting';
export { CUTTING_IN_MM_S, handsOn } from './hands-on';
export {
  areaOf,
  formatOf,
  laidMix,
  mixOf,
  outlineOf,
  paintedOf,
  planPaper,
  sizesOf,
  stillToCrop,
} from './lookup';
export { madeAgain, newPlan, type Beginning } from './new-plan';
export { colourAt, heartOf, layersAt, maskedAfter, wettedThrough } from './painted';
export {
  planSchema,
  STATIONS,
  type Plan,
  type PlannedMix,
  type Sitting,
  type SittingEvent,
  type Station,
  type White,
} from './plan';
export { NEW_STUDIO, studioSchema, type Studio } from './studio';
export { TECHNIQUES, techniqueOf, WATER_WORDS, waterWord, type Technique } from './technique';
export { areasTouch, touchingAreas } from './touching';
