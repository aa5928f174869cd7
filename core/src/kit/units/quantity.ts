import * as z from 'zod';

/** A length in mm that something has: finite and above zero. */
export const sizeMm = z.number().positive().max(5000);

/** A length in mm that may be nothing: a clearance, a reveal, a thickness. */
export const lengthMm = z.number().nonnegative().max(5000);

/** A place on the panel or beside it, mm from its corner. */
export const positionMm = z.number().min(-5000).max(5000);

/** Seconds of table time, zero or more; no card lies on the table for longer than a year. */
export const seconds = z
  .number()
  .nonnegative()
  .max(366 * 86_400);

/** What a thing of the trade goes by: a pigment's code, a brush, a paper. */
export const code = z.string().min(1).max(60);

/** What sets a scatter off, so that it comes out the same again. */
export const seed = z.int();

/** An identifier inside one document: short, printable, without spaces. */
export const id = z.string().regex(/^[A-Za-z0-9_:.-]{1,64}$/, 'an id is 1–64 letters, digits or -_.:');

/** A calendar day, `2026-12-11`. */
export const isoDate = z.iso.date();

/** A moment, `2026-12-11T19:42:00.000Z`. */
export const isoMoment = z.iso.datetime();
