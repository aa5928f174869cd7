/** How much of a pass another mix takes, in a painter’s words. */
const SHARES = [
  { id: 0.15, name: 'a narrow band' },
  { id: 0.33, name: 'a third of it' },
  { id: 0.5, name: 'half of it' },
  { id: 0.67, name: 'two thirds of it' },
] as const;

/** The shares there are to choose from, and the one that is, where it is none of them. */
export const sharesToChoose = (share: number): { readonly id: number; readonly name: string }[] =>
  SHARES.some(({ id }) => id === share)
    ? [...SHARES]
    : [...SHARES, { id: share, name: `${Math.round(100 * share)} % of it` }].sort((a, b) => a.id - b.id);
