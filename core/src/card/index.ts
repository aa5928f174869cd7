export { ENVELOPES, envelopeSchema, type Envelope, type NamedEnvelope } from './envelope';
export { cardFormatSchema, cardSizes, type CardFormat, type CardSizes, type Size } from './size';
export { cutRequestSchema, cutSheet, type Cut, type CutPlan, type CutRequest, type PlacedPiece } from './cut';
