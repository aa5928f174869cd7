export { common, cutAway, edgeWithin, filled, grown, joined, stroked } from './combine';
export { BRIDGED_MM, filledAt, linesRound, regionAt, type Filled } from './fill';
export { areasOfWords } from './lettered';
export { areasOfLight, litArea, shadowsAmiss, type LitArea, type ShadowAmiss } from './lit';
export { copyLines, placeLines } from './follow';
export { areasInFrame, type AreaInFrame } from './in-frame';
export { measureAreas, type AreaMeasures } from './measures';
export { narrowestWidth } from './narrowest';
export { cutOutArea, joinAreas, splitArea } from './reshape';
