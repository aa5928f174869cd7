export type { Check, CheckContext, Finding, Severity } from './check';
export { checkAllKinds, checkingAllKinds } from './all-kinds';
export { checking, CHECKS, checkingStops, registered, runChecks } from './registry';
