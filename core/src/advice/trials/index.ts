export { asPasses, type AsPasses } from './as-passes';
export { difference, type Difference } from './difference';
export { laidOver, layerBetween, sheetLayers, type LayerSpan, type SheetLayer } from './layers';
export { newSheet, type SheetBegins } from './new-sheet';
export {
  carryOut,
  remediesFor,
  runUntil,
  SYMPTOMS,
  type Mishap,
  type Remedy,
  type RemedyStep,
  type Symptom,
} from './rescue';
export { coveredBy } from './wetted';
