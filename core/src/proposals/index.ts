export { proposePasses, type Proposal } from './propose';
