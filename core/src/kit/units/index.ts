export { MM_PER_INCH, formatLength, parseLength, writeLength, type LengthUnit } from './length';
export { formatClock, formatSpan } from './duration';
export { code, id, isoDate, isoMoment, lengthMm, positionMm, seconds, seed, sizeMm } from './quantity';
export { changeOf } from './change';
export { BadInput, readInput, shortened } from './input';
export { asPart, done, type Work } from './work';
export { leastBetween } from './golden-section';
export { chance, normal } from './chance';
export { remembered } from './remembered';
