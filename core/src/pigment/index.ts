export { pigmentSchema, type Pigment } from './pigment';
export { PIGMENTS, pigmentByCode } from './library';
export { opticsOf, type Optics } from './absorption';
export { infiniteLayer, layerLight, overGround, ratioOf, stackLayers, type LayerLight } from './layer';
export { interfaceAt, internalOf, seenThrough, type Interface } from './surface';
export { lightOfLoads, pigmentLoads, REFERENCE_FILM_UM, waterPerPaint, type Mix, type MixPart } from './mix';
export { glazeLab, glazeReflectance } from './glaze';
export {
  MAX_PARTS,
  MAX_PIGMENTS,
  matchColour,
  mixRatios,
  REACHABLE_DELTA_E,
  searchMix,
  type MatchAnswer,
  type MatchedMix,
  type MatchRequest,
} from './match';
export { cautionFor, consistencyOf } from './words';
