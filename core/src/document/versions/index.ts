export { PLAN_VERSION, readPlan, readStudio, STUDIO_VERSION, versionOf } from './migrate';
export { mendPlan, type MendedPlan } from './mend';
export { planAfter, readableStart, replayed, type RecordedChange } from './recorded';
