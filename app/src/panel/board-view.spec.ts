import { beforeEach, describe, expect, it } from 'vitest';
import { placedPoint } from '@kettle/core/drawing/sketch';
import { BoardView, fromSeenTo } from './board-view';

describe('the board', () => {
  let view: BoardView;
  beforeEach(() => {
    view = new BoardView();
    view.fit([856, 556], [148, 100], 4, 28);
  });
  const near = (at: readonly number[]): number[] => at.map((mm) => expect.closeTo(mm, 9) as number);

  it('is seen whole and in the middle at first', () => {
    expect(view.scale).toBeCloseTo(500 / 108, 9);
    expect(view.under([428, 278])).toEqual(near([74, 50]));
    view.moveBy([50, 50]);
    expect(view.seen.corner[0]).toBeCloseTo(428 - 74 * view.scale, 9);
  });

  it('brought nearer, and turned, keeps what is under the hand where it is', () => {
    const at = [700, 120] as const;
    view.bringNearer(1.5);
    const before = view.under(at);
    for (const factor of [1.3, 2, 0.8]) {
      view.bringNearer(factor, at);
      view.turn(37, at);
      expect(view.under(at)).toEqual(near(before));
    }
  });

  it('is moved as far as the hand, and comes back whole and straight', () => {
    view.bringNearer(3);
    view.turn(20);
    const before = view.under([100, 100]);
    view.moveBy([30, -12]);
    expect(view.under([130, 88])).toEqual(near(before));
    expect(view.over(view.under([31, 47]))).toEqual(near([31, 47]));
    view.whollySeen();
    expect(view.scale).toBeCloseTo(500 / 108, 9);
    expect(view.under([428, 278])).toEqual(near([74, 50]));
  });

  it('is never further than whole nor nearer than twelve times', () => {
    const whole = view.scale;
    view.bringNearer(0.01);
    expect(view.scale).toBe(whole);
    view.bringNearer(1000);
    expect(view.scale).toBeCloseTo(12 * whole, 9);
  });

  it('follows two fingers: what was under each is under it still', () => {
    view.bringNearer(3);
    const before = [
      [300, 200],
      [500, 260],
    ] as const;
    const held = before.map((finger) => view.under(finger));
    // Twice as far apart would be more than a turn and a push: both at once.
    const now = [
      [320, 150],
      [560, 330],
    ] as const;
    view.pinch(before, now);
    now.forEach((finger, i) => expect(view.under(finger)).toEqual(near(held[i])));
  });

  it('a picture drawn as it was seen is put where it is seen now', () => {
    const once = view.seen;
    const [x, y] = view.over([31, 47]);
    view.bringNearer(2.5, [600, 100]);
    view.turn(33);
    view.moveBy([-40, 22]);
    expect(placedPoint(fromSeenTo(once, view.seen), [x, y]).map(Math.round)).toEqual(
      view.over([31, 47]).map(Math.round),
    );
  });
});
