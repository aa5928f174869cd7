import { layersAt, addPass, smallPlan } from '../../document/plan';
import { ONE_TONE, oneTone, squinting, toneShares } from '../values';
import { inBreaths, type Check } from './check';
import { mixedUntil, WEAKEST } from './fixes';
import { mixesBySize } from './used-mixes';

/** Tones one squints for: dark, middle, light. */
const TONES = 3;

/** Nearly all of the panel lies in one tone: seen from across a room it is empty. */
export const oneValue: Check = {
  id: 'one-value',
  name: 'All one value',
  station: 'passes',
  severity: 'note',
  when: `over ${100 * ONE_TONE} % of the panel lies in one of ${TONES} tones`,
  source: 'ours',
  *find({ plan }) {
    const painted = plan.areas.filter(({ id }) => layersAt(plan, id, plan.acts.length).length > 0);
    if (painted.length < 2) return;
    yield* inBreaths(squinting(plan));
    const shares = toneShares(plan, TONES);
    const tone = oneTone(shares);
    if (tone === null) return;
    const percent = Math.round(100 * shares[tone]);
    yield {
      where: { area: painted[0].id },
      number: { value: percent, unit: '%', limit: 100 * ONE_TONE },
      why: `${percent} % of the panel is ${['dark', 'of middle tone', 'light'][tone]}: squint, and nothing stands out.`,
      ...(yield* mixedUntil(
        plan,
        mixesBySize(plan),
        tone === 0 ? WEAKEST : 1,
        (changed) => oneTone(toneShares(changed, TONES)) === null,
      )),
    };
  },
  edges: () => [
    {
      wrong: smallPlan(addPass('sky', 'sky', 'lemon'), addPass('field', 'field', 'lemon')),
      right: smallPlan(addPass('sky', 'sky', 'dark'), addPass('field', 'field', 'lemon')),
    },
  ],
};
