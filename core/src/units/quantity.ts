import * as z from 'zod';

/** A length in mm that something has: finite and above zero. */
export const sizeMm = z.number().positive().max(5000);

/** A length in mm that may be nothing: a clearance, a reveal, a thickness. */
export const lengthMm = z.number().nonnegative().max(5000);

/** Seconds of table time, zero or more. */
export const seconds = z.number().nonnegative();

/** An identifier inside one document: short, printable, without spaces. */
export const id = z.string().regex(/^[A-Za-z0-9_:.-]{1,64}$/, 'an id is 1–64 letters, digits or -_.:');

/** A calendar day, `2026-12-11`. */
export const isoDate = z.iso.date();

/** A moment, `2026-12-11T19:42:00.000Z`. */
export const isoMoment = z.iso.datetime();
