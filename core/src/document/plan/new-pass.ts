import type { Pass } from './act';
import { techniqueOf } from './technique';

/** A pass as its technique has it, but for what is said: a wet start goes straight on, any other waits until it is dry. */
export function newPass(
  said: Pick<Pass, 'id' | 'areas' | 'technique' | 'mix'> & Partial<Omit<Pass, 'kind'>>,
): Pass {
  const { filmUm, covers, start } = techniqueOf(said.technique);
  return {
    ...{ kind: 'pass', name: '', also: [], filmUm, covers, handsS: null, shields: [], strokes: [] },
    spares: null,
    start: start === 'wet' ? 'straight-on' : 'when-dry',
    ...said,
  };
}
