export { pigmentSchema, type Pigment } from './pigment';
export { PIGMENTS, pigmentByCode } from './library';
export { opticsOf, type Optics } from './absorption';
export { infiniteLayer, layerLight, overGround, ratioOf, stackLayers, type LayerLight } from './layer';
export { interfaceAt, internalOf, seenThrough, type Interface } from './surface';
export { FACE_ON_THE_TABLE, flakeCoverage, MASSTONE_COVERS } from './metallic';
export { filmOptics, filmSums, laySums, sumFilm, type FilmOptics, type FilmSums } from './film';
export { filmColourist, type FilmColourist } from './film-colour';
export {
  atReferenceFilm,
  loadsByCode,
  pigmentLoads,
  REFERENCE_FILM_UM,
  waterPerPaint,
  type Mix,
  type MixPart,
} from './mix';
export { glazeLab, glazeReflectance, groundOf, type Viewing } from './glaze';
export { choicesOf, MAX_PARTS, MAX_PIGMENTS, mixRatios, ratiosOf, type Ratio } from './ratios';
export { mixTable, type MixTable } from './mix-table';
export {
  matchColour,
  matchIn,
  matching,
  REACHABLE_DELTA_E,
  type MatchAnswer,
  type MatchedMix,
  type MatchRequest,
} from './match';
export {
  GREY_CHROMA,
  isGrey,
  MUTED_BELOW,
  muddinessOf,
  NEAR_COMPLEMENTS,
  type Muddiness,
  type Verdict,
} from './mud';
export { meetingOf, meetingOfThree, type Meeting } from './third-colour';
export { glazeOrders, MAX_GLAZES, type GlazeOrder } from './glaze-order';
export { strengthFor, type StrengthAnswer } from './strength-for';
export { lifted, liftedResidue, liftReach, type LiftReach } from './lifting';
export { contrastRatio, coverOver, MAX_COATS, type Cover } from './opacity';
export { boxTable, type BoxTable } from './box-table';
export {
  choosePalette,
  choosePaletteFrom,
  COLOUR_ALONE,
  type PaletteAnswer,
  type PaletteRequest,
  type PaletteTerms,
} from './palette';
export { boxCache, tableCache } from './shelf';
export { calibrate, type Calibration, type ReadSwatch } from './calibrate';
export { pigmentCard, type PigmentCard } from './card';
export { MEDIA, MEDIUM_IDS, mediumOf, type Medium, type MediumId } from './medium';
export { MAX_ON_PANEL, paintRecipe, type PaintKernel, type PaintRecipe, type PaintTile } from './painting';
export { plainPaintKernel } from './painting-plain';
export { cautionFor, consistencyOf } from './words';
