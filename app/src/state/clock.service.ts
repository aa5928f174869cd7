import { Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map, timer } from 'rxjs';

const TICK_MS = 500;

/** The wall clock, ms since the epoch, twice a second. */
@Injectable({ providedIn: 'root' })
export class Clock {
  readonly now = toSignal(timer(0, TICK_MS).pipe(map(() => Date.now())), { initialValue: Date.now() });
}
