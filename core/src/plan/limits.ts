/** Areas, whites, mixes, acts of one plan: so many of each at most; a card of letters in a wreath has some dozens. */
export const MOST_IN_A_LIST = 400;

/** Corners of all areas together; the checks look at each of them. */
export const MOST_CORNERS_IN_ALL = 60_000;

/** Points of all lines, and of all strokes of masking, together. */
export const MOST_POINTS_IN_ALL = 1_000_000;
