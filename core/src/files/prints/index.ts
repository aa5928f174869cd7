export { pdfPrint, PRINT_PAGES, type PrintPage } from './pdf-print';
export { svgPrint } from './svg-print';
export { cutTemplate } from './cut-template';
export { labelSheet } from './label-sheet';
export { shieldSheet } from './shield';
export {
  BLANKS,
  MOST_ENTRIES,
  readSwatchSheet,
  swatchSheet,
  swatchSheetSvg,
  type SwatchCell,
  type SwatchEntry,
  type SwatchSheet,
} from './swatch-sheet';
export { traceSheet } from './trace-sheet';
export { cardAtTrueSize, RULER_MM, type TrueSize } from './true-size';
export { sheetPng, writeOpenRaster } from './open-raster';
export { strokesSvg } from './strokes-svg';
