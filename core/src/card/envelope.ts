import * as z from 'zod';
import { sizeMm } from '../units';

/** Inside size of an envelope, its longer edge as it lies on the table first. */
export const envelopeSchema = z
  .strictObject({ name: z.string().max(60).optional(), widthMm: sizeMm, heightMm: sizeMm })
  .refine(({ widthMm, heightMm }) => widthMm >= heightMm, {
    path: ['widthMm'],
    error: 'is the longer edge as the envelope lies on the table; it is shorter than heightMm',
  });
export type Envelope = z.infer<typeof envelopeSchema>;

export interface NamedEnvelope {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Envelopes to start from (ISO 269 and common North American sizes, as nominal inside sizes). */
export const ENVELOPES: readonly NamedEnvelope[] = [
  { id: 'c6', name: 'C6', widthMm: 162, heightMm: 114 },
  { id: 'c5', name: 'C5', widthMm: 229, heightMm: 162 },
  { id: 'dl', name: 'DL, slimline', widthMm: 220, heightMm: 110 },
  { id: 'us-a2', name: 'US A2', widthMm: 146.05, heightMm: 111.125 },
  { id: 'us-a6', name: 'US A6', widthMm: 165.1, heightMm: 120.65 },
  { id: 'us-a7', name: 'US A7', widthMm: 184.15, heightMm: 133.35 },
  { id: 'sq-155', name: '155 mm square', widthMm: 155, heightMm: 155 },
];
