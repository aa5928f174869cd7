/** The long evidence kills more than once, and draws every case. */
const IS_LONG = Number(process.env['KILLS'] ?? 1) > 1;

/** An everyday run draws one case in so many. */
const EVERY = 5;

/** How many of so many random cases a run draws. */
export const cases = (all: number): number => (IS_LONG ? all : Math.ceil(all / EVERY));
