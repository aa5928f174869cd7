import type { Work } from '../../kit/units';
import { searchOrders } from './exact';
import { projectOf } from './project';
import { lagName, type Lag, type SequenceRequest } from './request';

/** Whether one copy has any order at all without some of its lags. */
function* hasOrder(request: SequenceRequest, without: ReadonlySet<Lag>, untilMs: number): Work<boolean> {
  const one = projectOf(request, { without, first: true });
  return (yield* searchOrders(one, { untilMs, first: true })).starts !== null;
}

/**
 * The lags that cannot hold together, none of which can be left out: one after another is taken away for good where the
 * rest still cannot hold (deletion filter; Chinneck and Dravnieks 1991). The last named go first, so that what is left stands early.
 */
export function* conflictIn(request: SequenceRequest, untilMs: number): Work<string[]> {
  const gone = new Set<Lag>();
  for (const lag of [...request.lags].reverse()) {
    gone.add(lag);
    if (yield* hasOrder(request, gone, untilMs)) gone.delete(lag);
  }
  return request.lags.filter((lag) => !gone.has(lag)).map(lagName);
}
