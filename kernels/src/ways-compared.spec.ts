// The same white kept by several ways on a patch, simulated: what the ranking says of their lightness comes true.
import { describe, expect, it } from 'vitest';
import { rectangle } from '@kettle/core/kit/geometry';
import {
  applyCommands,
  NEW_STUDIO,
  newMix,
  newPass,
  newPlan,
  type Command,
  type White,
} from '@kettle/core/document/plan';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import { done } from '@kettle/core/kit/units';
import { simulate } from '@kettle/core/simulation/water';
import { comparison, whiteFacts } from '@kettle/core/advice/whites';
import { panelKernelFromBuild } from './load-node';

const kernel = panelKernelFromBuild();

const washedWith = (code: string) => {
  const white: White = { id: 'w', area: 'moon', way: 'mask', tool: null, wanted: null, edge: 'hard' };
  const commands: Command[] = [
    { do: 'add-area', area: { id: 'sky', name: 'sky', outline: rectangle(0, 0, 100, 60) } },
    { do: 'add-area', area: { id: 'moon', name: 'moon', outline: rectangle(40, 20, 10, 10) } },
    {
      do: 'put-mix',
      mix: newMix({ id: 'm', name: 'm', strength: 0.15, parts: [{ pigment: code, parts: 1 }] }),
      pigments: [pigmentByCode(code)],
    },
    {
      do: 'add-act',
      before: 'untape',
      act: newPass({ id: 'wash', areas: ['sky'], technique: 'flat-wash', mix: 'm', handsS: 60 }),
    },
    { do: 'keep-white', white },
  ];
  const envelope = { widthMm: 162, heightMm: 114 };
  const begun = newPlan({ id: 'c', title: 'c', occasion: 'thanks', envelope }, NEW_STUDIO);
  return { plan: applyCommands(begun, commands).plan, white };
};

describe.each(['PB29', 'PB15:3'])('a white under %s', (code) => {
  const { plan, white } = washedWith(code);
  const facts = whiteFacts(plan, 'moon', white);
  const lightness = (way: White['way']): number =>
    done(simulate(comparison(plan, 'moon', way, facts.coats ?? 2), kernel)).samples.at(-1)!.probes[0].lab[0];

  it('masked or painted round is the paper’s white, lifted as light as was said, opaque lighter than the wash', () => {
    expect(Math.abs(lightness('mask') - facts.wantedL)).toBeLessThan(1);
    expect(Math.abs(lightness('paint-round') - facts.wantedL)).toBeLessThan(1);
    expect(Math.abs(lightness('lift') - facts.liftedL)).toBeLessThan(6);
    expect(lightness('opaque')).toBeGreaterThan(lightness('bare') + 8);
  });
});
