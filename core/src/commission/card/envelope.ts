import * as z from 'zod';
import { MM_PER_INCH, sizeMm } from '../../kit/units';
import { DUST_MM } from './piece-kind';

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

/** The envelopes of ISO 269:1985 that take a card, by their nominal sizes, mm. */
const ISO: readonly NamedEnvelope[] = [
  { id: 'c7', name: 'C7', widthMm: 114, heightMm: 81 },
  { id: 'c7-c6', name: 'C7/6', widthMm: 162, heightMm: 81 },
  { id: 'c6', name: 'C6', widthMm: 162, heightMm: 114 },
  { id: 'b6', name: 'B6', widthMm: 176, heightMm: 125 },
  { id: 'dl', name: 'DL, slimline', widthMm: 220, heightMm: 110 },
  { id: 'c6-c5', name: 'C6/5', widthMm: 229, heightMm: 114 },
  { id: 'c5', name: 'C5', widthMm: 229, heightMm: 162 },
  { id: 'b5', name: 'B5', widthMm: 250, heightMm: 176 },
  { id: 'c4', name: 'C4', widthMm: 324, heightMm: 229 },
];

/** Common North American announcement and slimline envelopes, inches. */
const AMERICAN: readonly NamedEnvelope[] = [
  american('us-a1', 'US A1', 5 + 1 / 8, 3 + 5 / 8),
  american('us-a2', 'US A2', 5 + 3 / 4, 4 + 3 / 8),
  american('us-a6', 'US A6', 6 + 1 / 2, 4 + 3 / 4),
  american('us-a7', 'US A7', 7 + 1 / 4, 5 + 1 / 4),
  american('us-a8', 'US A8', 8 + 1 / 8, 5 + 1 / 2),
  american('us-a9', 'US A9', 8 + 3 / 4, 5 + 3 / 4),
  american('us-10', 'US no. 10, slimline', 9 + 1 / 2, 4 + 1 / 8),
  american('us-a10', 'US A10', 9 + 1 / 2, 6),
];

const SQUARES: readonly NamedEnvelope[] = [130, 140, 155, 160, 170, 220].map((mm) => ({
  id: `sq-${mm}`,
  name: `${mm} mm square`,
  widthMm: mm,
  heightMm: mm,
}));

/** Envelopes to start from; makers differ by a millimetre or two, so measure the inside of one. */
export const ENVELOPES: readonly NamedEnvelope[] = [...ISO, ...AMERICAN, ...SQUARES];

function american(id: string, name: string, widthIn: number, heightIn: number): NamedEnvelope {
  return { id, name, widthMm: widthIn * MM_PER_INCH, heightMm: heightIn * MM_PER_INCH };
}

/** What has to go into an envelope: a card, mm, lying or upright. */
interface Content {
  readonly widthMm: number;
  readonly heightMm: number;
}

/**
 * Envelopes of the table that would take a card with so much air on every side and so much thickness to go round,
 * the smallest first.
 */
export function envelopesFor(card: Content, clearanceMm: number, bulkMm: number): NamedEnvelope[] {
  const [long, short] = [Math.max(card.widthMm, card.heightMm), Math.min(card.widthMm, card.heightMm)];
  const room = 2 * clearanceMm + bulkMm - DUST_MM;
  return ENVELOPES.filter(({ widthMm, heightMm }) => widthMm >= long + room && heightMm >= short + room).sort(
    (a, b) => a.widthMm * a.heightMm - b.widthMm * b.heightMm,
  );
}
