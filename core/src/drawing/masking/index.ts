export {
  lineMm,
  MASK_PENS,
  MASKING_TOOL_IDS,
  MASKING_TOOLS,
  maskingTool,
  type MaskingTool,
  type MaskingToolId,
} from './tool';
export {
  drawsLines,
  maskStrokeSchema,
  MOST_MASK_DROPS,
  MOST_MASK_STROKES,
  resistSchema,
  type MaskStroke,
  type Resist,
} from './resist';
export { liftedBy, maskHolds, maskPieces, strokeBox, strokeLength, strokePieces } from './footprint';
export { packResists, unpackResists, type PackedResists } from './packing';
export { setsAfter } from './setting';
