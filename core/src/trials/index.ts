export { asPasses, type AsPasses } from './as-passes';
export { newSheet, type SheetBegins } from './new-sheet';
export { wetted } from './wetted';
