/**
 * The least end of jobs that one pair of hands does, each from its head on and with its tail after it, if they might be
 * interrupted: always the one with the longest tail first (Jackson 1955; Carlier 1982). A bound for what may not.
 */
export function oneMachineBound(
  heads: readonly number[],
  hands: readonly number[],
  tails: readonly number[],
): number {
  const order = heads.map((_, i) => i).sort((a, b) => heads[a] - heads[b]);
  const left = [...hands];
  const open: number[] = [];
  let [next, now, latest] = [0, 0, 0];
  while (next < order.length || open.length > 0) {
    if (open.length === 0) now = Math.max(now, heads[order[next]]);
    while (next < order.length && heads[order[next]] <= now) open.push(order[next++]);
    const job = open.reduce((a, b) => (tails[b] > tails[a] ? b : a));
    const until = next < order.length ? Math.min(now + left[job], heads[order[next]]) : now + left[job];
    left[job] -= until - now;
    now = until;
    if (left[job] <= 1e-9) {
      open.splice(open.indexOf(job), 1);
      latest = Math.max(latest, now + tails[job]);
    }
  }
  return latest;
}
