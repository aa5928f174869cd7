export type { Check, CheckContext, Finding, Severity } from './check';
export { CHECKS, runChecks } from './registry';
