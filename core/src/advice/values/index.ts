export { reachAt } from './reach';
export { wetMeetings, type WetMeeting } from './meetings';
export { valueLadder, type Rung } from './ladder';
export { edgesOfThings, sharedEdges, tracingBorders, type SharedEdge } from './edges';
export {
  lightnessOfTone,
  ONE_TONE,
  oneTone,
  toneOf,
  findingWhite,
  squinting,
  toneShares,
  whiteShare,
} from './squint';
export { counterchanges, type Counterchange } from './counterchange';
