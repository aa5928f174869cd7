import type { AWAITED, Pass, Start } from '@kettle/core/document/plan';
import { formatClock } from '@kettle/core/kit/units';

type Awaited = (typeof AWAITED)[number];

/** A start as one of a list: a word, a stage that is waited for, or a time of its own. */
export type StartId = 'when-dry' | 'straight-on' | Awaited | 'at';

const WORDS: Readonly<Record<Exclude<StartId, 'at'>, string>> = {
  'when-dry': 'when what it touches is dry',
  'straight-on': 'straight on',
  shiny: 'when the puddles are gone',
  satin: 'as the sheen breaks up',
  damp: 'when the sheen is gone',
  cool: 'when it is cool to the hand',
};

export const startId = ({ start }: Pick<Pass, 'start'>): StartId =>
  typeof start === 'string' ? start : 'stage' in start ? start.stage : 'at';

export const startFrom = (id: Exclude<StartId, 'at'>): Start =>
  id === 'when-dry' || id === 'straight-on' ? id : { stage: id };

/** A start in words. */
export function startInWords(start: Start): string {
  const id = startId({ start });
  if (id !== 'at') return WORDS[id];
  return `not before ${formatClock((start as { atS: number }).atS)}`;
}

/** The starts there are to choose from; a time of its own only where the pass has one. */
export function startChoices(pass: Pass): { readonly id: StartId; readonly name: string }[] {
  const ids = Object.keys(WORDS) as Exclude<StartId, 'at'>[];
  const choices: { id: StartId; name: string }[] = ids.map((id) => ({ id, name: WORDS[id] }));
  return startId(pass) === 'at' ? [...choices, { id: 'at', name: startInWords(pass.start) }] : choices;
}
