/** Kept, since to make one takes as long as to say a hundred days with it. */
const SHORT = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

/** A day `YYYY-MM-DD` as it is said beside a card: “Sat 9 Jan”. */
export const shortDay = (day: string): string => SHORT.format(new Date(`${day}T00:00:00`));
