import { describe, expect, it } from 'vitest';
import { applyCommands, type HandAct } from '@kettle/core/document/plan';
import { newSheet } from '@kettle/core/advice/trials';
import { kettleInTheRain } from '../../../../../demo/kettle-in-the-rain';
import { mishapAt, outcomeInWords } from './rescue.view';
import {
  actAsked,
  clockInWords,
  differenceInWords,
  doneNotes,
  followsOf,
  framesOver,
  layerSpans,
  passesInWords,
  pressureOf,
  stagesInWords,
  strokeAsked,
  tiltInWords,
  toolById,
  type HeldInHand,
} from './painting.view';

const plan = kettleInTheRain();
const [mix] = plan.mixes;
const held = (tool: string, change: Partial<HeldInHand> = {}): HeldInHand => ({
  ...{ tool: toolById(tool), load: 'loaded', dips: true, mix, loose: false, through: null },
  ...change,
});
const pen = (change: object): PointerEvent =>
  ({ pointerType: 'pen', pressure: 0.4, tiltX: 0, tiltY: 0, ...change }) as PointerEvent;

describe('what the hand holds', () => {
  it('a brush carries its mix; squeezed out it carries nothing', () => {
    expect(strokeAsked(held('round-8'), 0.5).parts).toEqual(mix.parts);
    expect(strokeAsked(held('round-8', { load: 'thirsty' }), 0.5).parts).toEqual([]);
    expect(strokeAsked(held('round-8', { mix: null }), 0.5).parts).toEqual([]);
  });

  it('a loose hand is now stronger, now weaker; an even one is neither', () => {
    const strength = (loose: boolean, draw: number) => strokeAsked(held('round-8', { loose }), draw).strength;
    expect(strength(false, 0)).toBe(mix.strength);
    expect(strength(true, 1)).toBeGreaterThan(1.3 * mix.strength);
    expect(strength(true, 0)).toBeLessThan(0.75 * mix.strength);
  });

  it('a pen laid flat opens the brush, a mouse presses half', () => {
    expect(pressureOf(pen({}))).toBe(0.4);
    expect(pressureOf(pen({ tiltX: 60 }))).toBeGreaterThan(0.6);
    expect(pressureOf(pen({ pointerType: 'mouse', pressure: 0 }))).toBe(0.5);
  });

  it('tools are followed as they are used', () => {
    expect([
      followsOf(toolById('round-8')),
      followsOf(toolById('tissue')),
      followsOf(toolById('salt')),
    ]).toEqual(['as-it-goes', 'way', 'spot']);
  });

  it('a tissue works through a stencil of an area, shifted by the sheet’s rim', () => {
    const [area] = plan.areas;
    const act = actAsked(plan, held('tissue', { through: area.id }), [[20, 20, 0.5]], 10, 1);
    expect(act).toMatchObject({ kind: 'blot', shape: { circle: [20, 20, 7] } });
    const [x, y] = area.outline[0][0];
    expect('through' in act && act.through && 'polygon' in act.through && act.through.polygon[0]).toEqual([
      x + 10,
      y + 10,
    ]);
  });

  it('salt falls where it is thrown, the same again for the same seed', () => {
    const salt = (seed: number) => actAsked(plan, held('salt'), [[50, 40, 1]], 0, seed);
    const act = salt(3);
    if (act.kind !== 'salt') throw new Error('no salt');
    for (const [x, y] of act.points) expect(Math.hypot(x - 50, y - 40)).toBeLessThanOrEqual(8);
    expect(salt(3)).toEqual(act);
    expect(salt(4)).not.toEqual(act);
  });
});

describe('in words', () => {
  const stages = { puddled: 0, shiny: 0.3, satin: 0, damp: 0.002, cool: 0, dry: 0.698 };
  it('how wet the sheet is, a little wet told too', () => {
    expect(stagesInWords(stages)).toBe('shiny 30 % · matt and damp 1 %');
    expect(stagesInWords({ ...stages, shiny: 0, damp: 0, dry: 1 })).toBe('the sheet is dry');
  });

  it('how the clock goes, and how fast it really does', () => {
    const news = { atS: 0, stages, tiles: [], stroke: [], runsAhead: false, reachedRate: 17.6, rate: 20 };
    expect(clockInWords(news)).toBe('×20, really ×18');
    expect(clockInWords({ ...news, rate: 0 })).toBe('the paper waits');
    expect(clockInWords({ ...news, runsAhead: true })).toContain('running ahead');
  });

  it('where the board falls, what helps, what differs, what became of strokes', () => {
    expect(tiltInWords(0, 15)).toBe('the board falls 15° to the foot');
    expect(tiltInWords(-5, 0)).toBe('the board falls 5° to the left');
    expect(outcomeInWords({ standsOut: 9.1, lightness: 63 })).toBe('stands out, by 9.1 ΔE; L* 63');
    expect(differenceInWords({ meanDeltaE: 0, mostDeltaE: 0, seenShare: 0 })).toBe(
      'No difference is to be seen.',
    );
    expect(passesInWords({ passes: 2, leftOut: ['salt', 'tilt'] })).toContain('salted, a tilt');
  });

  it('what was done, the newest first, with what it met', () => {
    const sheet = newSheet(plan, { id: 's', name: 's', cellMm: 1 });
    const drop: HandAct = {
      ...{ onto: 'shiny', waterMl: 0 },
      act: { kind: 'drop', atS: 65, shape: { circle: [9, 9, 2] }, filmUm: 20, pigments: [] },
    };
    expect(doneNotes(plan, [...sheet.acts, drop])).toEqual([
      { at: '1:05', says: 'dropped in', onto: 'into the shine' },
      { at: '0:00', says: 'taped all round', onto: '' },
    ]);
  });
});

describe('a sheet', () => {
  const stroke = (atS: number, strength: number): HandAct => ({
    ...{ onto: 'dry', waterMl: 0 },
    act: {
      ...{ kind: 'stroke', atS, points: [[1, 1, 1, atS]], brush: 'round-8', load: 'loaded', dips: true },
      ...{ parts: mix.parts, strength },
    },
  });

  it('has a layer for each run of like acts, which ends where the next begins', () => {
    const salt: HandAct = {
      onto: 'shiny',
      waterMl: 0,
      act: { kind: 'salt', atS: 30, points: [[2, 2]], grainMm: 1 },
    };
    const spans = layerSpans(plan, [stroke(0, 0.1), stroke(5, 0.1), salt, stroke(60, 0.1)]);
    expect(spans.map(({ name }) => name)).toEqual([spans[0].name, 'salted', spans[0].name]);
    expect(spans.slice(0, 2).map(({ untilS }) => untilS)).toEqual([30, 60]);
    expect(spans[2].untilS).toBeGreaterThan(3600);
  });

  it('shows frames where its painting may be cropped', () => {
    expect(framesOver(plan)).toEqual([]);
    const cropped = applyCommands(plan, [
      { do: 'paint-larger', painting: { widthMm: 178, heightMm: 127 } },
      {
        do: 'lay-frame',
        frame: {
          id: 'f',
          envelope: plan.card.envelope,
          stands: plan.card.stands,
          xMm: 80,
          yMm: 60,
          turnDeg: 0,
        },
      },
    ]).plan;
    const [frame] = framesOver(cropped);
    expect(frame).toHaveLength(4);
  });

  it('what went wrong brings half of what lies there again, and white only where it is set out', () => {
    const sheet = newSheet(plan, { id: 's', name: 's', cellMm: 1 });
    const reading = {
      ...{ name: 'here', filmUm: 0, paperGm2: 60, stage: 'damp' as const, fingerprint: '' },
      ...{ pigments: { PB29: 0.4, PO48: 0 }, lab: [50, 0, 0] as const },
    };
    const mishap = mishapAt(sheet, 'bloom', reading, { at: [40, 40], radiusMm: 7 });
    expect(mishap).toMatchObject({ paint: [{ pigment: 'PB29', gm2: 0.2 }], white: null, stage: 'damp' });
    const white = mishapAt({ ...sheet, pigments: ['PW6'] }, 'bloom', reading, { at: [40, 40], radiusMm: 7 });
    expect(white.white).toBe('PW6');
  });
});
