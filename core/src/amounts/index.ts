export { paintByMix, wetted } from './usage';
export { mixingList, type MixAmount } from './mixing-list';
export { jarsFor, type Jars } from './jars';
