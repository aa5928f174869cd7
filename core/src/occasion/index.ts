export { OCCASIONS } from './occasion';
export { briefSchema, dayOf, daysUntil, postBy, type Brief } from './brief';
