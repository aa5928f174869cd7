export { BAND_COUNT, WAVELENGTHS, sampleSpectrum, type Spectrum } from './spectrum';
export { LIGHTS, lightSchema, spectralPower, type Light } from './light';
export { D65_WHITE, xyzOf, xyzWeights, type Xyz, type XyzWeights } from './observer';
export { EIGHT_BANDS, FULL_BANDS, thinned, TWELVE_BANDS, type BandSet } from './bands';
export { chromaOf, hueApart, hueOf, labOf, labOfXyz, type Lab } from './lab';
export { smoothReflectance } from './smooth';
export { deltaE00 } from './difference';
export { EYES, type EyeMatrix, type EyesId } from './eyes';
export { labPlane } from './plane';
export { atScreenEdge, hexOf, labOfHex, labOfLight, oklabOf, onScreen } from './display';
export { colourGap, colourName, gapInWords, hueName, type ColourGap } from './words';
export { hexSchema, labSchema } from './schema';
export {
  BYTE_OF_LIGHT,
  BYTE_STEPS,
  byteOfLight,
  CHROMA_HALVINGS,
  CONE_ROOTS_TO_LIGHTNESS,
  CONES_TO_SRGB,
  LIGHT_OF_BYTE,
  putPixel,
  SCREEN_EDGE,
  SRGB_TO_CONES,
  XYZ_TO_SRGB,
} from './screen';
