export { pdfPrint, PRINT_PAGES, type PrintPage } from './pdf-print';
export { svgPrint } from './svg-print';
export { cutTemplate } from './cut-template';
export { shieldSheet } from './shield';
export { traceSheet } from './trace-sheet';
export { cardAtTrueSize, RULER_MM, type TrueSize } from './true-size';
