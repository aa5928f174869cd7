import { readPlan } from '@kettle/core/document/versions';
import { layOut } from '@kettle/core/order/schedule';
import { rankWays, whiteFacts } from '@kettle/core/advice/whites';
import { planCommand } from '../command';

export const whites = planCommand({
  name: 'whites',
  says: 'a plan → for each of its whites the ways to keep it, the best first',
  answers: 'whites[{id,ways[{way,score 0…100,reasons[…],numbers{}}]}]',
  run: (input) => {
    const plan = readPlan(input);
    const { masks } = layOut(plan);
    return {
      whites: plan.whites.map((white) => {
        const laid = masks.find(({ area }) => area === white.area);
        const maskedS = laid && laid.offS !== null ? laid.offS - laid.onS : null;
        return { id: white.id, ways: rankWays(whiteFacts(plan, white.area, white, maskedS)) };
      }),
    };
  },
});
