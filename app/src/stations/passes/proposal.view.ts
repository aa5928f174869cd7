import { applyCommands, waterWord, type Command, type Pass, type Plan } from '@kettle/core/document/plan';
import { actInWords } from '../../ui/act-words';
import { startInWords } from './start.view';

/** What proposed passes are, one after another; empty where the card has the same already. */
export function proposalInWords(plan: Plan, commands: readonly Command[]): string[] {
  const { plan: proposed } = applyCommands(plan, commands);
  const [before, after] = [passesInWords(plan), passesInWords(proposed)];
  return before.join() === after.join() ? [] : after;
}

const passesInWords = (plan: Plan): string[] =>
  plan.acts
    .filter((act): act is Pass => act.kind === 'pass')
    .map((act) => {
      const mix = plan.mixes.find(({ id }) => id === act.mix)?.name ?? 'clear water';
      return `${actInWords(plan, act)}: ${mix}, ${waterWord(act.filmUm)}, ${startInWords(act.start)}`;
    });
