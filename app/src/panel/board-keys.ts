import type { BoardView } from './board-view';

/** By how much a key brings the board nearer; how far an arrow key moves it and a page key turns it. */
const A_KEY = 1.25;
const ARROW_PX = 40;
const KEY_DEG = 5;

/** What the keys do to how the board is seen. */
export const KEY_MOVES: Readonly<Record<string, (view: BoardView) => void>> = {
  '+': (view) => view.bringNearer(A_KEY),
  '-': (view) => view.bringNearer(1 / A_KEY),
  '0': (view) => view.whollySeen(),
  PageUp: (view) => view.turn(-KEY_DEG),
  PageDown: (view) => view.turn(KEY_DEG),
  ArrowLeft: (view) => view.moveBy([ARROW_PX, 0]),
  ArrowRight: (view) => view.moveBy([-ARROW_PX, 0]),
  ArrowUp: (view) => view.moveBy([0, ARROW_PX]),
  ArrowDown: (view) => view.moveBy([0, -ARROW_PX]),
};
