export type { Check, Finding, Severity } from './check';
export { CHECKS, runChecks } from './registry';
