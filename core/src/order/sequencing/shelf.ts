import type { Holding } from './project';

/** The boards on the table: when each is free, and which copy has it. */
export class BoardPool {
  private readonly freeS: number[];
  private readonly heldBy = new Map<string, number>();

  constructor(boards: number, mostAsked: number) {
    this.freeS = Array.from({ length: Math.min(boards, mostAsked) }, () => 0);
  }

  /** When a board is there to be taken; `null` while copies that have begun hold all. */
  freeFrom(): number | null {
    const held = new Set(this.heldBy.values());
    const free = this.freeS.filter((_, board) => !held.has(board));
    return free.length === 0 ? null : Math.min(...free);
  }

  take(holding: Holding, copy: number): void {
    const held = new Set(this.heldBy.values());
    let best = -1;
    this.freeS.forEach((at, board) => {
      if (!held.has(board) && (best < 0 || at < this.freeS[best])) best = board;
    });
    this.heldBy.set(keyOf(holding, copy), best);
  }

  free(holding: Holding, copy: number, atS: number): void {
    const board = this.heldBy.get(keyOf(holding, copy))!;
    this.heldBy.delete(keyOf(holding, copy));
    this.freeS[board] = atS;
  }
}

const keyOf = ({ takes }: Holding, copy: number): string => `${takes} ${copy}`;
