export { OCCASIONS } from './occasion';
export { briefSchema, daysUntil, postBy, type Brief } from './brief';
