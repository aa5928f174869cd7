export { boardsFor, sheetsOnBoard, tapeRound } from './boards';
export { cuttingList, type ListedPiece, type Material } from './cutting-list';
export { ENVELOPES, envelopeSchema, envelopesFor, type Envelope, type NamedEnvelope } from './envelope';
export {
  cornersOf,
  croppedFormat,
  cropSchema,
  frameSchema,
  heldOnPainting,
  openingOf,
  type Crop,
  type CropFrame,
} from './crop';
export { facesOf, grainAlongFold, type Face } from './faces';
export { isMounted, type Mat } from './pieces';
export {
  cardFormatSchema,
  cardSizes,
  TOO_TIGHT_MM,
  type CardFormat,
  type CardSizes,
  type Fold,
  type Size,
} from './size';
export {
  cardStockSchema,
  sheetNamed,
  SHEETS,
  sheetsSchema,
  sheetStockSchema,
  USUAL_SHEETS,
  type CardStock,
  type Sheets,
  type SheetStock,
} from './stock';
export {
  cutRequestSchema,
  cutSheet,
  cutting,
  type Cut,
  type CutPlan,
  type CutRequest,
  type PlacedPiece,
} from './cut';
export { offcutsOf, type Offcut } from './offcuts';
export { weighCard, type Parcel, type PostLimits } from './weigh';
