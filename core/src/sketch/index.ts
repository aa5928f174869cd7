export { areaSchema, pencilLineSchema, type Area, type PencilLine, type PencilPoint } from './sketch';
export { CLOSING_GAP_MM, regionOfLine, smoothLine } from './close-line';
export { packPoints, unpackPoints } from './packing';
