export {
  replaySitting,
  sittingAt,
  type MaskNow,
  type SittingNow,
  type SittingReplay,
  type WetNow,
} from './clocks';
