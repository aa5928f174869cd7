import { Distances } from './distances';
import type { Project } from './project';

/**
 * No order of all copies of such a one ends earlier: all hands' work between the least head and the least tail; the longest chain; the
 * rounds the boards make, each as long as one stays on; all work with the heat tool.
 */
export function batchBound(one: Project): number {
  const distances = Distances.of(one);
  if (!distances) return 0;
  const end = distances.size - 1;
  const busy = one.jobs.flatMap(({ handsS }, i) => (handsS > 0 ? [i] : []));
  const least = (list: readonly number[]): number => (list.length === 0 ? 0 : Math.min(...list));
  const work = (jobs: readonly number[], by: number): number =>
    least(jobs.map((i) => distances.at(0, i + 1))) +
    jobs.reduce((sum, i) => sum + one.jobs[i].copies * one.jobs[i].handsS, 0) / by +
    least(jobs.map((i) => distances.at(i + 1, end) - one.jobs[i].handsS));
  const cycles = one.holdings.flatMap(({ takes, frees }) =>
    frees === null ? [] : [Math.max(0, distances.at(takes + 1, frees + 1)) + one.jobs[frees].handsS],
  );
  const taken = one.holdings.reduce((sum, { takes }) => sum + one.jobs[takes].copies, 0);
  const rounds = Number.isFinite(one.boards) ? Math.ceil(taken / one.boards) : 0;
  return Math.max(
    distances.at(0, end),
    work(busy, one.hands),
    work(
      busy.filter((i) => one.jobs[i].heat),
      1,
    ),
    rounds * least(cycles),
  );
}
