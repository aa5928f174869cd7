export {
  areaSchema,
  LINE_KINDS,
  pencilLineSchema,
  type Area,
  type LineKind,
  type PencilLine,
  type PencilPoint,
} from './sketch';
export {
  oneAfterAnother,
  mirrored,
  moved,
  placedLine,
  placedOutline,
  placedPoint,
  scaled,
  turned,
  type Placing,
} from './placing';
export { lineNear, linesWithin, regionOfLine, smoothLine } from './close-line';
export { packLines, packPoints, unpackLines, unpackPoints, type PackedLines } from './packing';
export { rubbed, rubbedLines } from './rub';
export { laidMotif, MOTIFS, motifOf, motifSchema, type Motif } from './motif';
