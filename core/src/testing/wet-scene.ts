import { applyCommands, newPass, type Command, type Plan } from '../document/plan';
import { chance } from '../kit/units';
import { sketchedScene } from './sketched-scene';

/** A sketched scene whose far and near ground get colour floated and charged into them, somewhere in the day’s air. */
export function wetScene(seed: number): Plan {
  const plan = sketchedScene(seed);
  const random = chance(1000 + seed);
  const mixOf = (): string => plan.mixes[Math.floor(random() * plan.mixes.length)].id;
  const into = ['far', 'near'].flatMap((area): Command[] => {
    const film = (low: number, high: number): number => Math.round(low + random() * (high - low));
    const pass = (technique: string, mix: string | null, filmUm: number): Command => ({
      do: 'add-act',
      before: 'untape',
      act: newPass({ id: `${area}-${technique}`, areas: [area], technique, mix, filmUm }),
    });
    const [first, second] = [mixOf(), mixOf()];
    return [
      pass('pre-wet', null, film(60, 140)),
      pass('wet-in-wet', first, film(30, 50)),
      ...(first === second ? [] : [pass('charge', second, film(10, 25))]),
    ];
  });
  const air: Command = { do: 'set-climate', change: { rh: 0.35 + 0.4 * random(), tempC: 15 + 8 * random() } };
  return applyCommands(plan, [...into, air]).plan;
}
