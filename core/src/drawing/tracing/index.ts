export { readSvg, type TracedDrawing } from './read-svg';
export { OWN_SHEET, readTraceSheet } from './read-sheet';
export { placeOnPanel } from './place';
