import { describe, expect, it } from 'vitest';
import {
  applyCommands,
  cuttingRequest,
  NEW_STUDIO,
  sizesOf,
  stillToCrop,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import { kettleInTheRain } from '../../../../demo/kettle-in-the-rain';
import { tapeAnswer } from './cutting.view';
import { frameMoved, frameRows, trimInWords } from './crop.view';

const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;
const C6 = { name: 'C6', widthMm: 162, heightMm: 114 };
const frame = { id: 'f', envelope: C6, stands: 'lying' as const, xMm: 110, yMm: 80, turnDeg: 0 };
const did = (from: Plan, ...commands: Command[]): Plan => applyCommands(from, commands).plan;
const plan = did(
  kettleInTheRain(),
  { do: 'paint-larger', painting: { widthMm: 220, heightMm: 160 } },
  { do: 'lay-frame', frame },
);

describe('a card cropped last', () => {
  it('keeps its sizes silent: only the painting is cut from the sheet until a frame is chosen', () => {
    expect(stillToCrop(plan)).toBe(true);
    const request = cuttingRequest([plan], 'painting', plan.sheets.painting)!;
    expect(request.pieces).toMatchObject([{ name: 'painting', widthMm: 228, heightMm: 168 }]);
    expect(cuttingRequest([plan], 'base', plan.sheets.base)).toBeNull();
    const chosen = did(plan, { do: 'choose-frame', frame: 'f' });
    expect(cuttingRequest([chosen], 'base', plan.sheets.base)!.pieces[0].name).toBe('card');
    expect(tapeAnswer(plan, NEW_STUDIO, mm)).toContain('Tape: 0.9 m');
  });

  it('says of a frame what it shows, keeps, cuts through and leaves out', () => {
    const [row] = frameRows(plan, mm);
    expect(row).toMatchObject({
      name: '1',
      chosen: false,
      tooLarge: false,
      size: 'shows 149.5 mm × 101.5 mm',
    });
    expect(row.keeps).toMatch(/^Keeps 43 % of the painting\. Cuts through/);
    const far = frameRows(did(plan, { do: 'lay-frame', frame: { ...frame, xMm: 1000, yMm: 1000 } }), mm)[0];
    expect(far.keeps).toContain('Leaves out');
  });

  it('slid too far it stops at the edge; turned upright in a low painting it is too large', () => {
    const [width] = [sizesOf(did(plan, { do: 'choose-frame', frame: 'f' })).panel.widthMm];
    expect(frameMoved(plan, frame, { xMm: 500 }).xMm).toBeCloseTo(220 - width / 2, 6);
    expect(frameMoved(plan, frame, { turnDeg: 370 }).turnDeg).toBe(10);
    const low = did(plan, { do: 'paint-larger', painting: { widthMm: 220, heightMm: 120 } });
    const upright = did(low, { do: 'lay-frame', frame: { ...frame, stands: 'upright' } });
    expect(frameRows(upright, mm)[0].tooLarge).toBe(true);
  });

  it('chosen, its corners are told from two edges; its envelope is the card’s, and follows it', () => {
    const chosen = did(plan, { do: 'choose-frame', frame: 'f' });
    expect(trimInWords(frameRows(chosen, mm)[0], mm)).toContain('35.3 mm / 29.3 mm, 184.8 mm / 29.3 mm');
    const other = did(chosen, {
      do: 'set-format',
      change: { envelope: { name: 'own', widthMm: 180, heightMm: 120 } },
    });
    expect(other.crop!.frames[0].envelope.name).toBe('own');
    expect(did(other, { do: 'take-frame', frame: 'f' }).crop).toMatchObject({ frames: [], chosen: null });
    expect(did(other, { do: 'paint-to-size' }).crop).toBeNull();
  });
});
