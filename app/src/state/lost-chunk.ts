import type { Injector } from '@angular/core';

/** A part of the program that was to be loaded later could not be. */
export const isLostChunk = (cause: unknown): boolean =>
  cause instanceof Error &&
  /Failed to fetch dynamically imported module|error loading dynamically imported module|Importing a module script failed/i.test(
    cause.message,
  );

/** Looks for a newer version and goes where the painter was going; the screen on show by itself, if nowhere is said. */
export async function fetchLostChunk(injector: Injector, url?: string): Promise<void> {
  // It was loaded at the start, and comes from memory now.
  const { Renewal } = await import('./renewal.service');
  await injector.get(Renewal).lostChunk(url);
}
