import { afterNextRender, computed, DestroyRef, effect, inject, signal, type Signal } from '@angular/core';

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

/** True once the rest of a component stands: for what may be drawn a moment later. To be called where a component is made. */
export function inAMoment(): Signal<boolean> {
  const come = signal(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  afterNextRender(() => {
    timer = setTimeout(() => {
      come.set(true);
    });
  });
  inject(DestroyRef).onDestroy(() => {
    clearTimeout(timer);
  });
  return come;
}
