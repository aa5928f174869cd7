export { finishing, type FinishingStep } from './finishing';
