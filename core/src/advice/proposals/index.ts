export { proposePasses, proposing, type Proposal } from './propose';
