export {
  clockFrom,
  JUMP_MS,
  keptOf,
  slept,
  tableTime,
  ticked,
  wasSet,
  type ClockJump,
  type ClockReading,
  type KeptClock,
  type TableClock,
} from './table-clock';
