/**
 * The time at the table. Clocks of computers are set, by hand or by the network; paint dries on regardless. Table time runs
 * with the steady clock of the page while it is open, and stands by the wall clock otherwise.
 */

/** The two clocks of a computer at one moment, ms. */
export interface ClockReading {
  /** Since the epoch; may be set at any time. */
  readonly wallMs: number;
  /** Since some moment of its own; never set, but may stand still while the computer sleeps. */
  readonly steadyMs: number;
}

/** A jump of the wall clock ahead that may have been sleep: nobody but the painter knows. */
export interface ClockJump {
  /** Table time at which it was noticed, ms. */
  readonly atMs: number;
  /** How far it went, ms; behind zero it was set back. */
  readonly byMs: number;
}

export interface TableClock {
  readonly last: ClockReading;
  /** What table time is behind the wall clock by, ms. */
  readonly behindMs: number;
  /** A jump ahead that nobody has said anything about yet. */
  readonly asks: ClockJump | null;
}

/** What is kept of the clock while the page is closed. */
export interface KeptClock {
  readonly behindMs: number;
  readonly seenWallMs: number;
}

/** Clocks are read twice a second; what one gains on the other beyond this was set, or slept through, ms. */
export const JUMP_MS = 5000;

/** A clock that begins to run, by the wall clock, or as it was kept. `setBackMs` is by how much the wall clock was set back meanwhile. */
export function clockFrom(
  now: ClockReading,
  kept: KeptClock | null,
): { clock: TableClock; setBackMs: number } {
  const runs = (behindMs: number): TableClock => ({ last: now, behindMs, asks: null });
  if (!kept) return { clock: runs(0), setBackMs: 0 };
  const lastSeenMs = kept.seenWallMs - kept.behindMs;
  const asKept = now.wallMs - kept.behindMs;
  if (asKept >= lastSeenMs - JUMP_MS) return { clock: runs(kept.behindMs), setBackMs: 0 };
  // It was put right meanwhile: nothing speaks against the wall clock any more.
  if (now.wallMs >= lastSeenMs - JUMP_MS) return { clock: runs(0), setBackMs: 0 };
  // It stands earlier than what has happened at the table: no time is taken to have passed.
  return { clock: runs(now.wallMs - lastSeenMs), setBackMs: lastSeenMs - asKept };
}

/** The clock after another look at the computer's. `jump` is what was noticed. */
export function ticked(clock: TableClock, now: ClockReading): { clock: TableClock; jump: ClockJump | null } {
  const passedMs = Math.max(0, now.steadyMs - clock.last.steadyMs);
  const byMs = now.wallMs - clock.last.wallMs - passedMs;
  if (Math.abs(byMs) < JUMP_MS) return { clock: { ...clock, last: now }, jump: null };
  const jump = { atMs: tableTime(clock) + passedMs, byMs };
  const behindMs = clock.behindMs + byMs;
  return { clock: { last: now, behindMs, asks: asksOf(clock.asks, jump, behindMs) }, jump };
}

/** A clock set back asks nothing; one that goes on being set ahead asks of all of it; one put right again no longer asks. */
function asksOf(before: ClockJump | null, jump: ClockJump, behindMs: number): ClockJump | null {
  if (before) {
    const byMs = before.byMs + jump.byMs;
    return byMs < JUMP_MS || Math.abs(behindMs) < JUMP_MS ? null : { ...before, byMs };
  }
  return jump.byMs > 0 && Math.abs(behindMs) >= JUMP_MS ? jump : null;
}

/** Table time at the last look, ms since the epoch. */
export const tableTime = ({ last, behindMs }: TableClock): number => last.wallMs - behindMs;

/** The computer slept: the time it jumped over has passed at the table too. */
export const slept = (clock: TableClock): TableClock => ({
  ...clock,
  behindMs: clock.behindMs - (clock.asks?.byMs ?? 0),
  asks: null,
});

/** The clock was set: no more time has passed than it seemed. */
export const wasSet = (clock: TableClock): TableClock => ({ ...clock, asks: null });

/** What is to be kept of a clock. */
export const keptOf = ({ last, behindMs }: TableClock): KeptClock => ({ behindMs, seenWallMs: last.wallMs });
