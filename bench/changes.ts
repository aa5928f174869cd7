import { areasOfWords } from '@kettle/core/order/areas';
import { loadFonts, setWords, type Words } from '@kettle/core/drawing/lettering';
import { packResists } from '@kettle/core/drawing/masking';
import { applyCommands, NEW_STUDIO, type Command, type Plan } from '@kettle/core/document/plan';
import { chance, type Work } from '@kettle/core/kit/units';
import { loadLineKernel } from '@kettle/kernels/node';
import { tableJobs } from '../app/src/workers/table-jobs';
import { largePlan } from '../core/src/testing/large-plan';
import { kettleInTheRain } from '../demo/kettle-in-the-rain';

const CHANGES = 20;
const DROPS = 8000;

const packed = (plan: Plan) => ({ plan: { ...plan, resists: [] }, resists: packResists(plan.resists) });

/** A look ahead after each of some changes of the air, or a peg after each of some moves: the slowest but one in twenty, ms. */
async function p95(change: (n: number) => Work<unknown> | Promise<Work<unknown>>): Promise<number> {
  const times: number[] = [];
  // The first finds what does not change.
  for (let n = 0; n <= CHANGES; n++) {
    const work = await change(n);
    const beganMs = performance.now();
    while (!work.next().done);
    if (n > 0) times.push(performance.now() - beganMs);
  }
  return Math.round(times.sort((a, b) => a - b)[Math.floor(0.95 * (CHANGES - 1))]);
}

const inAir = (plan: Plan, n: number): Plan => ({ ...plan, climate: { ...plan.climate, rh: 0.4 + n / 100 } });

/** A ground masked by a toothbrush: thousands of drops. */
function sprayed(): Plan {
  const random = chance(3);
  const drops = Array.from({ length: DROPS }, (): [number, number, number] => [
    ...([148 * random(), 64 * random()] as const),
    0.3 + 0.6 * random(),
  ]);
  return applyCommands(kettleInTheRain(), [
    { do: 'put-resist', resist: { id: 'spray', name: 'spray', tool: 'toothbrush', strokes: [], drops } },
  ]).plan;
}

/** Forty leaves that all overlap, thirty passes, and a text of sixty letters under mask. */
async function lettered(): Promise<Plan> {
  const fonts = await loadFonts();
  const words: Words = {
    ...{
      id: 'w',
      text: 'a long and happy life together and a kettle that is never empty in it',
      font: 'upright',
    },
    ...{ capHeightMm: 4, from: [4, 96], to: [144, 96], archMm: 0, slantDeg: 0, spacingMm: 0, set: 'middle' },
  };
  let count = 0;
  const letters = areasOfWords(words, setWords(words, fonts.get('upright')!), () => `letter-${count++}`);
  const kept = Array.from({ length: count }, (_, i): Command => ({
    do: 'keep-white',
    white: { id: `white-${i}`, area: `letter-${i}`, way: 'mask', tool: null, wanted: null, edge: 'hard' },
  }));
  return applyCommands(largePlan(40, 30), [...letters, ...kept]).plan;
}

/** What a change costs in the worker until all that hangs on it stands anew. */
export async function benchChanges(): Promise<Record<string, number>> {
  const jobs = tableJobs(loadLineKernel());
  const desk = { ...NEW_STUDIO, today: '2026-03-02' };
  const ahead = (plan: Plan) => (n: number) => jobs.lookAhead({ card: packed(inAir(plan, n)), desk });
  const large = await lettered();
  return {
    demoMs: await p95(ahead(kettleInTheRain())),
    sprayedMs: await p95(ahead(sprayed())),
    largeMs: await p95(ahead(large)),
    pegMs: await p95((n) =>
      jobs.beginAt({ card: packed(large), pass: 'laid-10', start: { atS: 3000 + 60 * n } }),
    ),
  };
}
