export { PLAN_VERSION, readPlan, readStudio, STUDIO_VERSION } from './migrate';
export { parseJson, readKettleFile, writeKettleFile, type KettleFile } from './kettle-file';
export { traceSheet } from './trace-sheet';
export { writePng, type Picture } from './png';
