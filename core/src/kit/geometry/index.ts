export {
  bounds,
  boxesMeet,
  clearanceIn,
  contains,
  distance,
  edgeLength,
  gapBetween,
  gapToLine,
  middleOf,
  oneRing,
  pointSchema,
  polygonArea,
  polygonSchema,
  rectangle,
  ringArea,
  type Point,
  type Polygon,
  type Ring,
} from './polygon';
export { interiorPoint } from './interior';
export { isClosed, simplifyLine } from './simplify';
export { convexHull } from './hull';
export { smallestCircle, type Circle } from './smallest-circle';
export { linesOfPath, type Drawn } from './curves';
