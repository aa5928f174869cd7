/** Puts an entry in the place of the one with its id, or after the others. */
export function putIn<T extends { id: string }>(list: T[], entry: T): void {
  const at = list.findIndex(({ id }) => id === entry.id);
  if (at < 0) list.push(entry);
  else list[at] = entry;
}

/**
 * Changes an entry by its id; what is left undefined goes. The entry is put anew: one that came with an earlier command of
 * the same step is that command’s own, and must stay as it was given.
 */
export function changeIn<T extends { id: string }>(list: T[], id: string, change: Partial<T>): void {
  const at = list.findIndex((entry) => entry.id === id);
  if (at < 0) return;
  const kept = Object.entries<unknown>({ ...list[at], ...change }).filter(([, value]) => value !== undefined);
  list[at] = Object.fromEntries(kept) as T;
}

export const without = <T extends { id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((entry) => entry.id !== id);

/** Entries in an order of ids; those it does not name come last, as they were. */
export function byTurn<T extends { id: string }>(list: readonly T[], order: readonly string[]): T[] {
  const turn = new Map(order.map((id, i) => [id, i]));
  const turnOf = ({ id }: T): number => turn.get(id) ?? order.length;
  return list.toSorted((a, b) => turnOf(a) - turnOf(b));
}
