export { sittingAt, type MaskNow, type SittingNow, type WetNow } from './clocks';
