import { rectangle } from '../../kit/geometry';
import { pigmentByCode } from '../../materials/pigment';
import type { Pass } from './act';
import { applyCommands } from './apply';
import type { Command } from './command';
import { newMix } from './new-mix';
import { newPass } from './new-pass';
import { newPlan } from './new-plan';
import type { Plan } from './plan';
import { NEW_STUDIO } from './studio';

/** A plan to try a rule on: a sky, a far field well apart from it, a boat lying in the sky. */
export function smallPlan(...more: Command[]): Plan {
  const begun = newPlan(
    { id: 'small', title: 'Small card', occasion: 'thanks', envelope: { widthMm: 162, heightMm: 114 } },
    NEW_STUDIO,
  );
  return applyCommands(begun, [
    addArea('sky', rectangle(0, 0, 148, 50)),
    addArea('field', rectangle(0, 60, 148, 40)),
    addArea('boat', rectangle(60, 20, 20, 20)),
    addMix('blue', 0.15, 'PB29'),
    addMix('dark', 0.9, 'PB60'),
    addMix('lemon', 0.2, 'PY3'),
    ...more,
  ]).plan;
}

export const addArea = (id: string, outline: ReturnType<typeof rectangle>): Command => ({
  do: 'add-area',
  area: { id, name: id, outline },
});

export const addMix = (id: string, strength: number, code: string): Command => ({
  do: 'put-mix',
  mix: newMix({ id, name: id, strength, parts: [{ pigment: code, parts: 1 }] }),
  pigments: [pigmentByCode(code)],
});

export const addPass = (
  id: string,
  area: string,
  mix: string | null,
  change: Partial<Pass> = {},
): Command => ({
  do: 'add-act',
  before: 'untape',
  // Tests wait for what is dry, unless they say otherwise.
  act: newPass({ id, technique: 'flat-wash', areas: [area], mix, handsS: 60, start: 'when-dry', ...change }),
});
