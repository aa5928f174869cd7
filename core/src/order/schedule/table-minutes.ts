import { cardsBegun } from '../../commission/occasion';
import { choreOf, type Plan } from '../../document/plan';
import type { Timeline } from './timeline';

/**
 * What a card asks of the painter's evenings, min: hands on all copies and spares begun, and the waits of one, since
 * copies dry side by side. Resting under weight is left out: it happens overnight.
 */
export function minutesAtTable(
  { brief }: Pick<Plan, 'brief'>,
  { steps }: Pick<Timeline, 'steps'>,
): { readonly handsMin: number; readonly waitMin: number } {
  const begun = cardsBegun(brief);
  const handsOn = steps.map(({ act, startS, endS }) => ({
    s: endS - startS,
    times: act.kind === 'chore' && choreOf(act.chore).oncePerBatch ? 1 : begun,
  }));
  const ofOne = handsOn.reduce((sum, { s }) => sum + s, 0);
  const spanS = steps.length === 0 ? 0 : steps.at(-1)!.endS - steps[0].startS;
  return {
    handsMin: handsOn.reduce((sum, { s, times }) => sum + s * times, 0) / 60,
    waitMin: Math.max(0, spanS - ofOne) / 60,
  };
}
