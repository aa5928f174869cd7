export type { Check, CheckContext, Finding, Severity } from './check';
export { checkAllVariants, checkingAllVariants } from './all-variants';
export { checking, CHECKS, checkingStops, runChecks, unheeded } from './registry';
