export { PLAN_VERSION, readPlan, readStudio, STUDIO_VERSION } from './migrate';
