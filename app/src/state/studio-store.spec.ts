import '@angular/compiler';
import { Injector } from '@angular/core';
import { describe, expect, it } from 'vitest';
import { afterStudioCommands, NEW_STUDIO, type Studio, type StudioCommand } from '@kettle/core/document/plan';
import { Messages } from './messages.service';
import { Storage } from './storage.service';
import { StudioStore } from './studio-store';

/** A studio on a slow disk: each change is written when it is told to be. */
function slowStudio(): { store: StudioStore; writeNext: () => Promise<void>; kept: () => Studio } {
  let kept = NEW_STUDIO;
  const waiting: (() => void)[] = [];
  const archive = {
    change: async (commands: readonly StudioCommand[]) => {
      await new Promise<void>((resolve) => waiting.push(resolve));
      kept = afterStudioCommands(kept, commands);
      return { studio: kept, undoes: [] };
    },
  };
  const now = (ask: () => unknown): unknown => ask();
  const injector = Injector.create({
    providers: [
      { provide: Storage, useValue: { studio: archive, watch: { read: now, write: now } } },
      { provide: Messages, useValue: {} },
      { provide: StudioStore, useFactory: () => new StudioStore() },
    ],
  });
  return {
    store: injector.get(StudioStore),
    kept: () => kept,
    writeNext: async () => {
      while (waiting.length === 0) await Promise.resolve();
      waiting.shift()!();
      for (let turn = 0; turn < 5; turn++) await Promise.resolve();
    },
  };
}

const evenings = (minutes: number): Partial<Studio> => ({ evenings: [{ weekday: 1, minutes }] });

describe('the studio on a slow disk', () => {
  it('shows the newest change while an older one is being written', async () => {
    const { store, writeNext, kept } = slowStudio();
    const typed = [9, 90, 600].map((minutes) => store.change(evenings(minutes)));
    for (const minutes of [9, 90, 600]) {
      expect(store.studio().evenings[0].minutes).toBe(600);
      expect(store.allKept()).toBe(false);
      await writeNext();
      expect(kept().evenings[0].minutes).toBe(minutes);
    }
    expect(await Promise.all(typed)).toEqual([true, true, true]);
    expect([store.studio().evenings[0].minutes, store.allKept()]).toEqual([600, true]);
  });
});
