export { OCCASIONS } from './occasion';
export { briefSchema, cardsBegun, dayOf, daysUntil, MOST_COPIES, postBy, type Brief } from './brief';
export {
  FEASTS,
  feastIn,
  feastRuleSchema,
  nextFeast,
  ownOccasionSchema,
  type Feast,
  type FeastRule,
} from './feast';
export {
  eveningSchema,
  eveningsSchema,
  planBack,
  planBackSchema,
  PRESSING_NIGHTS,
  type Evening,
  type PlanBack,
  type PlanBackRequest,
} from './plan-back';
export { eveningsFrom, planForward, type PlanForward } from './plan-forward';
export { personSchema, type Person } from './person';
export { occasionsAhead, shareOfYear, type OccasionDay } from './year';
