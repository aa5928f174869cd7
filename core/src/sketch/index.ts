export { areaSchema, pencilLineSchema, type Area, type PencilLine, type PencilPoint } from './sketch';
export { lineUnderRubber, regionOfLine, smoothLine } from './close-line';
export { packPoints, unpackPoints } from './packing';
