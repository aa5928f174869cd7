import { describe, expect, it } from 'vitest';
import { applyCommands } from '@kettle/core/document/plan';
import { stageAt } from '@kettle/core/order/schedule';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { panelDrawing } from '../../panel/panel.view';
import { lookAheadOf } from '../../testing/look-ahead';
import { driftDrawing } from './drift.view';
import { chainInWords, movesInWords } from './order.view';
import { momentInWords, passesInShort, passNotes } from './passes.view';

const plan = kettleInTheRain();
const ahead = lookAheadOf(plan);
const drawing = driftDrawing(ahead, 1200);

describe('the drift line', () => {
  it('has a strand for every area that is wetted or masked, its spans those of the timeline to the second', () => {
    expect(drawing.strands.map(({ name }) => name)).toEqual(['pane', 'sill', 'kettle', 'steam']);
    for (const strand of drawing.strands)
      for (const span of strand.spans) {
        const wash = ahead.timeline.washes.find((w) => w.act === span.act && w.area === strand.area)!;
        expect([span.laidS, span.untilS]).toEqual([wash.laidS, wash.untilS]);
      }
  });

  it('shows the stages in their order and only those that occur', () => {
    const order = ['laying', 'puddled', 'shiny', 'satin', 'damp', 'cool'];
    const sill = drawing.strands.find(({ area }) => area === 'sill')!;
    const stages = sill.parts.map(({ stage }) => stage);
    expect(stages).toEqual([...stages].sort((a, b) => order.indexOf(a) - order.indexOf(b)));
    expect(stages).toContain('damp');
    expect(stages).not.toContain('puddled');
  });

  it('keeps to the time scale: hands, pegs and masks stand where their times are', () => {
    const x = (s: number): number => drawing.left + s * drawing.pxPerS;
    const step = ahead.timeline.steps.find(({ act }) => act.id === 'kettle-wash')!;
    expect(drawing.hands.find(({ id }) => id === 'kettle-wash')!.x).toBeCloseTo(x(step.startS), 6);
    expect(drawing.pegs.find(({ pass }) => pass === 'kettle-wash')!.x).toBeCloseTo(x(step.startS), 6);
    expect(drawing.masks[0].setX).toBeCloseTo(x(ahead.timeline.masks[0].setS!), 6);
    expect(drawing.waits.length).toBeGreaterThan(0);
  });

  it('draws when what is laid is dry four days in five, and windows to their latest start', () => {
    const x = (s: number): number => drawing.left + s * drawing.pxPerS;
    const sill = ahead.timeline.washes.find(({ act }) => act === 'sill-wash')!;
    const band = drawing.bands.find(({ id }) => id === 'sill-wash/sill')!;
    expect(band.x).toBeLessThan(x(sill.untilS));
    expect(band.x + band.width).toBeGreaterThan(x(sill.untilS));
    const charge = drawing.windows.find(({ id }) => id === 'cloud-charge/pane')!;
    const starts = ahead.timeline.steps.find(({ act }) => act.id === 'cloud-charge')!.startS;
    expect(charge.x + charge.width).toBeGreaterThan(x(starts));
    expect(charge.label).toContain('start no later than');
  });

  it('gives the dryer a line of its own when it is taken up', () => {
    expect(drawing.heat).toBeNull();
    const warmed = applyCommands(plan, [
      {
        do: 'add-act',
        before: 'kettle-wash',
        act: { kind: 'chore', id: 'warm', chore: 'dry-warm', areas: ['pane'], handsS: 120 },
      },
    ]).plan;
    const heat = driftDrawing(lookAheadOf(warmed), 1200).heat!;
    expect(heat.marks.map(({ id }) => id)).toEqual(['warm']);
  });

  it('says where a conflict sits', () => {
    // Where the pane is not painted round it, it is painted into wet paper.
    const early = applyCommands(plan, [
      { do: 'give-up-white', white: 'white-kettle' },
      { do: 'change-pass', pass: 'kettle-wash', change: { start: 'straight-on' } },
    ]).plan;
    const pegs = driftDrawing(lookAheadOf(early), 1200).pegs;
    expect(pegs.filter(({ stop }) => stop).map(({ pass }) => pass)).toEqual(['kettle-wash']);
    expect(drawing.pegs.some(({ stop }) => stop)).toBe(false);
  });

  it('draws a plan without passes, too', () => {
    const empty = { ...plan, acts: [], whites: [] };
    expect(driftDrawing(lookAheadOf(empty), 900).strands).toEqual([]);
  });

  it('gives what is masked by hand a line of its own', () => {
    const byHand = applyCommands(plan, [
      {
        do: 'mask-stroke',
        resist: { id: 'r', name: 'rain', tool: 'ruling-pen' },
        stroke: { id: 's', points: [[20, 5, 0.2]] },
      },
    ]).plan;
    const drawn = driftDrawing(lookAheadOf(byHand), 1200);
    expect(drawn.strands.at(-1)).toMatchObject({ name: 'rain', parts: [] });
    expect(drawn.masks.find(({ area }) => area === 'r')!.y).toBe(drawn.strands.at(-1)!.y);
    expect(drawn.height).toBeGreaterThan(driftDrawing(ahead, 1200).height);
  });
});

describe('the notes', () => {
  const notes = passNotes(plan, ahead);

  it('say what is done, with what, how long and when', () => {
    const sill = notes.find(({ act }) => act.id === 'sill-wash')!;
    expect(sill).toMatchObject({ title: 'Wash the sill', how: 'oak sill · a loaded brush', hands: '2 min' });
    expect(sill.when).toMatch(/^at \d/);
    expect(notes.find(({ act }) => act.id === 'wet-pane')).toMatchObject({
      title: 'Wet the pane',
      swatch: null,
    });
    expect(notes.map(({ title }) => title)).toContain('Take the mask off the steam');
    expect(passesInShort(notes, ahead)).toMatch(/^8 acts · \d+ min in hand · .* waiting$/);
  });

  it('say so when an act can never begin', () => {
    const damp = { ...plan, climate: { ...plan.climate, rh: 1 } };
    expect(passNotes(damp, lookAheadOf(damp)).find(({ act }) => act.id === 'wet-pane')!.when).toMatch(
      /never/,
    );
  });
});

describe('the moment under the cursor', () => {
  const wash = ahead.timeline.washes.find(({ act }) => act === 'kettle-wash')!;

  it('is told in words that agree with the water', () => {
    expect(momentInWords(plan, ahead, 0)).toBe('nothing laid yet');
    expect(stageAt(wash, wash.laidS + 1)).toBe('shiny');
    expect(momentInWords(plan, ahead, wash.laidS + 1)).toContain('kettle shiny all over');
    expect(momentInWords(plan, ahead, wash.laidS + 1)).toContain('steam under mask');
  });

  it('is painted with the colours of that time, the mask while it is on', () => {
    const fillOf = (atS: number, area: string) =>
      panelDrawing(plan, ahead, atS).shapes.find(({ id }) => id === area)!;
    expect(fillOf(0, 'kettle').fill).toBe(fillOf(wash.laidS - 1, 'kettle').fill);
    expect(fillOf(wash.laidS + 1, 'kettle').fill).not.toBe(fillOf(0, 'kettle').fill);
    expect(fillOf(wash.laidS, 'steam').masked).toBe(true);
    expect(fillOf(Infinity, 'steam').masked).toBe(false);
  });
});

describe('another order', () => {
  it('says what goes before what, and nothing of what stays', () => {
    const ids = plan.acts.map(({ id }) => id);
    expect(movesInWords(plan, ids)).toEqual([]);
    const passes = plan.acts.filter(({ kind }) => kind === 'pass').map(({ id }) => id);
    const [first, second] = passes;
    const swapped = ids.map((id) => (id === first ? second : id === second ? first : id));
    expect(movesInWords(plan, swapped)).toHaveLength(1);
    expect(movesInWords(plan, swapped)[0]).toMatch(/before: Wash the sill\.$/);
  });

  it('names what is waited for, the longest first', () => {
    expect(chainInWords(plan, ahead.timeline)).toMatch(
      /^What it waits for: the pane, 40 min; .*; the mask on the steam, \d min\.$/,
    );
    expect(chainInWords(plan, { ...ahead.timeline, steps: [] })).toBe('');
  });
});
