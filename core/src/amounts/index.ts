export { paintOf, wetted } from './usage';
export { copiesOf, mixingList, type MixAmount } from './mixing-list';
export { jarsFor, type Jars } from './jars';
