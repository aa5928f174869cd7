import { beforeEach, describe, expect, it } from 'vitest';
import { BoardView } from './board-view';

describe('the board', () => {
  let view: BoardView;
  beforeEach(() => {
    view = new BoardView();
    view.fit([856, 556], [148, 100], 4, 28);
  });

  it('is seen whole and in the middle at first', () => {
    expect(view.scale).toBeCloseTo(500 / 108, 9);
    expect(view.under([428, 278])).toEqual([expect.closeTo(74, 9), expect.closeTo(50, 9)]);
    view.moveBy([50, 50]);
    expect(view.corner[0]).toBeCloseTo(428 - 74 * view.scale, 9);
  });

  it('brought nearer keeps what is under the hand where it is', () => {
    const at = [700, 120] as const;
    const before = view.under(at);
    for (const factor of [1.3, 2, 0.8]) {
      view.bringNearer(factor, at);
      expect(view.under(at)).toEqual(before.map((mm) => expect.closeTo(mm, 9) as number));
    }
  });

  it('is moved as far as the hand, and comes back whole', () => {
    view.bringNearer(3);
    const before = view.under([100, 100]);
    view.moveBy([30, -12]);
    expect(view.under([130, 88])).toEqual(before.map((mm) => expect.closeTo(mm, 9) as number));
    view.bringNearer(0);
    expect(view.scale).toBeCloseTo(500 / 108, 9);
    expect(view.under([428, 278])).toEqual([expect.closeTo(74, 9), expect.closeTo(50, 9)]);
  });

  it('is never further than whole nor nearer than twelve times', () => {
    const whole = view.scale;
    view.bringNearer(0.01);
    expect(view.scale).toBe(whole);
    view.bringNearer(1000);
    expect(view.scale).toBeCloseTo(12 * whole, 9);
  });
});
