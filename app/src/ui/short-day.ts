/** A day `YYYY-MM-DD` as it is said beside a card: “Sat 9 Jan”. */
export const shortDay = (day: string): string =>
  new Date(`${day}T00:00:00`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
