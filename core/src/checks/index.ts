export type { Check, Finding, Severity } from './check';
export { CHECKS, findingKey, runChecks } from './registry';
