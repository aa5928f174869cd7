export { criticalChain, type ChainLink } from './chain';
export { batchOf, copiesInTurn, type Batch } from './batch';
export type { Break } from './breaks';
export { overEvenings, type BatchEvening } from './over-evenings';
export { inOrder, type BetterOrder, type NoOrder } from './in-order';
export { cheapestWayOut, type WayOut } from './way-out';
export {
  afterAct,
  CLEAR_TABLE,
  dryAt,
  mainWash,
  paperReady,
  reachedAt,
  stageAt,
  waitFor,
  washAt,
  washesOn,
  type LaidMask,
  type LaidWash,
  type Table,
  type Wait,
} from './table';
export { driedWarm } from './dried-warm';
export { dryBand } from './bands';
export { findingWaits, idleWaits, type IdleWait } from './meanwhile';
export { meetsWet, type MeetsWet } from './meets-wet';
export { possibleStarts, type PossibleStart } from './starts';
export { keepsWindows, windowsLeft, type WindowLeft } from './kept-windows';
export { patchStates, type PatchState } from './patch-states';
export { windowOf, type Window } from './windows';
export {
  layingOut,
  layOut,
  tableAt,
  withoutTables,
  type MaskSpan,
  type Step,
  type Timeline,
  type TimelineAtTable,
  type WetSpan,
} from './timeline';
export { areaLooks, lookingOn, type LookFrame } from './looks';
export { rehearse, rehearsing, type RehearsalSetting } from './rehearsal';
export { moments } from './moments';
export { minutesAtTable } from './table-minutes';
export { backFrom, inTime, type Help, type InTime } from './in-time';
