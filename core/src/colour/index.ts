export { BAND_COUNT, WAVELENGTHS, sampleSpectrum, type Spectrum } from './spectrum';
export { D65_WHITE, xyzOf, type Xyz } from './observer';
export { chromaOf, hueOf, labOf, labOfXyz, type Lab } from './lab';
export { deltaE00 } from './difference';
export { hexOf, labOfHex } from './display';
export { colourGap, gapInWords, hueName, type ColourGap } from './words';
export { hexSchema, labSchema } from './schema';
