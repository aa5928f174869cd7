import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import { STATIONS, type Station } from '@kettle/core/document/plan';
import { PlanStore } from '../state/plan-store';
import { StudioStore } from '../state/studio-store';

export interface KeyHint {
  readonly key: string;
  readonly does: string;
}

/** Keys that work everywhere; stations add their own while they are shown. */
const EVERYWHERE: readonly KeyHint[] = [
  { key: 'hold ?', does: 'show these keys' },
  { key: '[', does: 'one station upstream' },
  { key: ']', does: 'one station downstream' },
  { key: 'U', does: 'undo' },
  { key: 'Shift U', does: 'do it again' },
  { key: 'K', does: 'to the rack' },
];

/** Keyboard of the frame: stations, undo, and the sheet of keys while `?` is held. */
@Injectable({ providedIn: 'root' })
export class FrameKeys {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly router = inject(Router);
  readonly held = signal(false);
  /** Keys of the station on show. */
  readonly local = signal<readonly KeyHint[]>([]);
  readonly everywhere = EVERYWHERE;

  down(event: KeyboardEvent): void {
    if (isTyping(event.target) || event.altKey) return;
    const { key } = event;
    if ((event.ctrlKey || event.metaKey) && key.toLowerCase() === 'z') {
      event.preventDefault();
      if (event.shiftKey) this.redo();
      else this.undo();
    }
    if (event.ctrlKey || event.metaKey) return;
    if (key === '?') this.held.set(true);
    else if (key === 'u') this.undo();
    else if (key === 'U') this.redo();
    else if (key === '[') this.step(-1);
    else if (key === ']') this.step(1);
    else if (key === 'k') void this.router.navigate(['/rack']);
  }

  up(event: KeyboardEvent): void {
    if (event.key === '?' || event.key === 'Shift') this.held.set(false);
  }

  release(): void {
    this.held.set(false);
  }

  /** Of the card on the table; where there is none, of the studio. */
  undo(): void {
    if (this.store.plan()) this.store.undo();
    else void this.studio.undo();
  }

  redo(): void {
    if (this.store.plan()) this.store.redo();
    else void this.studio.redo();
  }

  private step(by: number): void {
    const plan = this.store.plan();
    const at = STATIONS.indexOf(this.router.url.split('/').at(-1) as Station);
    const next = STATIONS[at + by] as Station | undefined;
    if (plan && at >= 0 && next) void this.router.navigate(['/card', plan.id, next]);
  }
}

/** Inputs that take no letters, so that keys still mean what they mean elsewhere. */
const NOT_WRITTEN_IN = /^(radio|checkbox|button|color|file|range)$/;

/** Is the focus where letters are letters? */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return !NOT_WRITTEN_IN.test(target.type);
  return target.isContentEditable || /^(TEXTAREA|SELECT)$/.test(target.tagName) || target.role === 'combobox';
}
