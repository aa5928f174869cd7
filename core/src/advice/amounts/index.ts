export { paintByMix, wetted } from './usage';
export { mixingList, reckoningAmounts, type MixAmount } from './mixing-list';
export { jarsFor, type Jars } from './jars';
