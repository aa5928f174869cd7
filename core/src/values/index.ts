export { reachAt } from './reach';
export { wetMeetings, type WetMeeting } from './meetings';
export { valueLadder, type Rung } from './ladder';
export { sharedEdges, type SharedEdge } from './edges';
export { lightnessOfTone, toneOf, toneShares, whiteShare } from './squint';
export { counterchanges, type Counterchange } from './counterchange';
