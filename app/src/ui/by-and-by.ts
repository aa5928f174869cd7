import { computed, effect, signal, type Signal } from '@angular/core';

/** So much of a long list is drawn in one frame: all at once would hold the page. */
const A_FRAME = 8;

/** The first of a list, and more with each frame until it is whole. To be called where a component is made. */
export function byAndBy<T>(list: Signal<readonly T[]>): Signal<readonly T[]> {
  const drawn = signal(A_FRAME);
  effect((onCleanup) => {
    if (drawn() >= list().length) return;
    const frame = requestAnimationFrame(() => {
      drawn.update((count) => count + A_FRAME);
    });
    onCleanup(() => {
      cancelAnimationFrame(frame);
    });
  });
  return computed(() => (drawn() >= list().length ? list() : list().slice(0, drawn())));
}
