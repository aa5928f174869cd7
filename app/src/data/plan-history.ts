import {
  applyCommands,
  replayPatches,
  type Command,
  type Patch,
  type Plan,
} from '@kettle/core/document/plan';

interface Entry {
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** One plan and the way back and forward through its changes, without limit. Each call returns the patches to journal. */
export class PlanHistory {
  private readonly done: Entry[] = [];
  private undone: Entry[] = [];

  constructor(private now: Plan) {}

  get plan(): Plan {
    return this.now;
  }

  get canUndo(): boolean {
    return this.done.length > 0;
  }

  get canRedo(): boolean {
    return this.undone.length > 0;
  }

  /** Carries commands out as one step; returns no patches when they change nothing. */
  do(commands: readonly Command[]): readonly Patch[] {
    const { plan, patches, inverse } = applyCommands(this.now, commands);
    if (patches.length === 0) return [];
    this.now = plan;
    this.done.push({ patches, inverse });
    this.undone = [];
    return patches;
  }

  undo(): readonly Patch[] {
    const entry = this.done.pop();
    if (!entry) return [];
    this.undone.push(entry);
    this.now = replayPatches(this.now, entry.inverse);
    return entry.inverse;
  }

  redo(): readonly Patch[] {
    const entry = this.undone.pop();
    if (!entry) return [];
    this.done.push(entry);
    this.now = replayPatches(this.now, entry.patches);
    return entry.patches;
  }
}
