export {
  lagName,
  sequenceRequestSchema,
  type Lag,
  type PlacedTask,
  type Sequence,
  type SequenceRequest,
  type Task,
} from './request';
export { sequence } from './solve';
