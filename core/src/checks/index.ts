export type { Check, CheckContext, Finding, Severity } from './check';
export { checkAllKinds } from './all-kinds';
export { CHECKS, runChecks } from './registry';
