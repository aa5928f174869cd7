import { it } from 'vitest';

/** Journeys that are slow, or measured against the clock elsewhere, are left to the long evidence. */
export const inEvidence = it.runIf(Number(process.env['KILLS'] ?? 1) > 1);
