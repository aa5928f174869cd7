import type { Timeline } from './timeline';

/** One link of the chain that decides when all is painted: an act, and how long the hands waited before it. */
export interface ChainLink {
  readonly act: string;
  /** The area whose drying was waited for; `null` where hands alone decide. */
  readonly area: string | null;
  /** Whether it was the mask on it that had to set. */
  readonly mask: boolean;
  readonly waitedS: number;
}

/** Acts shorter than this decide nothing. */
const SAME_S = 1e-6;

/**
 * What decides when the last pass is done, first link first: from it back, to whatever laid what was waited for, or to the act
 * the hands came from. What stands in it, and only that, makes the whole sooner.
 */
export function criticalChain({ steps, masks }: Timeline): ChainLink[] {
  let at = steps.findLastIndex(({ act }) => act.kind === 'pass');
  const chain: ChainLink[] = [];
  while (at >= 0) {
    const { act, startS, waited } = steps[at];
    const waitedS = waited ? startS - waited.fromS : 0;
    const sets = ({ area, setS }: (typeof masks)[number]): boolean =>
      area === waited?.area && setS !== null && Math.abs(setS - startS) < SAME_S;
    chain.unshift({ act: act.id, area: waited?.area ?? null, mask: masks.some(sets), waitedS });
    const area = waitedS > SAME_S ? waited!.area : null;
    const before = steps.slice(0, at);
    at = area === null ? at - 1 : before.findLastIndex(({ act: earlier }) => earlier.areas.includes(area));
  }
  return chain;
}
