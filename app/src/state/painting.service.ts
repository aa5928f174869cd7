import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Subject } from 'rxjs';
import { newSheet, type Remedy, type SheetBegins } from '@kettle/core/advice/trials';
import { MAX_ON_PANEL } from '@kettle/core/materials/pigment';
import { MOST_ACTS, type HandAct, type Trial } from '@kettle/core/document/plan';
import type { PaperLook } from '@kettle/core/simulation/picture';
import type { AskedAct, ClockOrder, Shape } from '@kettle/core/simulation/water';
import { PaintingWorker } from '../workers/painting-worker.service';
import { WorkerFault } from '../workers/watched-worker';
import type {
  AskedStroke,
  OpenedSheet,
  PaintedTile,
  BrushPlace,
  ReadySheet,
  SheetReading,
  PaintingEvent,
} from '../workers/painting-api';
import { Messages } from './messages.service';
import { PlanStore } from './plan-store';
import { StrokeJournal } from './stroke-journal.service';

/** The paper is kept when the hand has rested for so long, ms. */
const KEEPS_AFTER_MS = 1500;

/**
 * The sheet on the painting table. What the hand does goes to the worker at once and, when it is done, into the plan; what
 * the plan takes back or brings again, the paper follows.
 */
@Injectable({ providedIn: 'root' })
export class PaintingService {
  private readonly worker = inject(PaintingWorker);
  private readonly store = inject(PlanStore);
  private readonly messages = inject(Messages);
  private readonly journal = inject(StrokeJournal);
  private readonly chosen = signal<string | null>(null);
  /** Acts the paper has seen: a prefix of the sheet's, the same objects as the plan's. */
  private seen: readonly HandAct[] = [];
  /** What changes the plan just now is what the paper has done already. */
  private entering = false;
  private opening = 0;
  private keeping: ReturnType<typeof setTimeout> | undefined;

  /** The sheet on the table, as the plan has it. */
  readonly sheet = computed(
    (): Trial | null => this.store.plan()?.trials.find(({ id }) => id === this.chosen()) ?? null,
  );
  /** How finely the next sheet is simulated, mm. */
  readonly cellMm = signal(0.5);
  readonly ready = signal<ReadySheet | null>(null);
  /** Share done of bringing the paper to where it was left; `null` when it lies ready. */
  readonly readying = signal<number | null>(null);
  readonly news = signal<PaintingEvent | null>(null);
  readonly look = signal<PaperLook>('now');
  readonly masked = signal(true);
  /** Parts of the sheet that look different. */
  readonly tiles = new Subject<readonly PaintedTile[]>();

  constructor() {
    effect(() => {
      const sheet = this.sheet();
      untracked(() => this.follow(sheet));
    });
    this.worker.lost$.subscribe(() => void this.layAgain());
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden') void this.keepNow();
    });
  }

  /** Lays a sheet on the table, as it was left, or standing at a time of its own. */
  async lay(id: string, atS: number | null = null): Promise<void> {
    const plan = this.store.plan();
    const trial = plan?.trials.find((sheet) => sheet.id === id);
    if (!plan || !trial) return;
    const opening = ++this.opening;
    const kept = this.keepNow();
    // From now on nothing is painted on the sheet before, which leaves the table.
    this.ready.set(null);
    this.news.set(null);
    this.readying.set(0);
    await kept;
    if (opening !== this.opening) return;
    this.seen = trial.acts;
    this.chosen.set(id);
    try {
      const ready = await this.worker.open(
        { trial, embedded: plan.embedded, key: keyOf(plan.id, id), atS },
        (news) => {
          if (opening === this.opening) this.hear(news);
        },
        (share) => {
          if (opening === this.opening) this.readying.set(share);
        },
      );
      if (opening !== this.opening) return;
      if (ready.fromAnew)
        this.messages.say(
          'This sheet was worked out anew, by a newer version of the program.',
          'It may look a little different.',
        );
      this.readying.set(null);
      this.ready.set(ready);
    } catch (cause) {
      this.fails(cause);
    }
  }

  /** What lay on the table is gone with its worker; all that was done on the sheet is in the plan. */
  private async layAgain(): Promise<void> {
    const sheet = this.sheet();
    if (!sheet || !this.ready()) return;
    this.ready.set(null);
    this.messages.say(
      'The sheet is laid out again.',
      'Its worker had stopped; all that was painted is kept.',
    );
    await this.lay(sheet.id);
    this.seeAs(this.look(), this.masked());
  }

  /** Begins a sheet: bare, or with all that is planned on it, to be seen painted from its beginning. */
  async beginSheet(begins: SheetBegins = 'bare'): Promise<void> {
    const plan = this.store.plan();
    if (!plan) return;
    const id = `sheet-${crypto.randomUUID().slice(0, 8)}`;
    const name = begins === 'bare' ? `sheet ${plan.trials.length + 1}` : 'as planned';
    this.store.do({ do: 'lay-sheet', trial: newSheet(plan, { id, name, cellMm: this.cellMm() }, begins) });
    await this.lay(id, 0);
  }

  async throwAway(id: string): Promise<void> {
    if (this.sheet()?.id === id) await this.putAway();
    this.forget(id);
    this.store.do({ do: 'take-sheet', trial: id });
  }

  /** Takes the sheet off the table; its paper is kept. */
  async putAway(): Promise<void> {
    this.opening++;
    clearTimeout(this.keeping);
    this.chosen.set(null);
    this.ready.set(null);
    this.news.set(null);
    this.readying.set(null);
    await this.worker.do((api) => api.close());
  }

  begin(stroke: AskedStroke, place: BrushPlace): void {
    const sheet = this.sheet();
    if (!sheet || !this.mayPaint(sheet) || !this.setOut(stroke.parts.map(({ pigment }) => pigment))) return;
    clearTimeout(this.keeping);
    this.journal.beginPainting({ trial: sheet.id, stroke });
    void this.worker.do((api) => api.begin(stroke, place)).catch((cause: unknown) => this.fails(cause));
  }

  goOn(places: readonly BrushPlace[]): void {
    this.tell(this.worker.do((api) => api.goOn(places)));
  }

  async end(): Promise<void> {
    try {
      const done = await this.worker.do((api) => api.end());
      if (done) this.enter(done);
      this.journal.endPainting();
    } catch (cause) {
      this.journal.leavePainting();
      this.fails(cause);
    }
  }

  async giveUp(): Promise<void> {
    try {
      await this.worker.do((api) => api.giveUp());
      this.journal.endPainting();
    } catch (cause) {
      this.journal.leavePainting();
      this.fails(cause);
    }
  }

  async act(asked: AskedAct): Promise<void> {
    const named = 'pigments' in asked ? asked.pigments.map(({ pigment }) => pigment) : [];
    const sheet = this.sheet();
    if (!sheet || !this.mayPaint(sheet) || !this.setOut(named)) return;
    try {
      this.enter(await this.worker.do((api) => api.act(asked)));
    } catch (cause) {
      this.fails(cause);
    }
  }

  clock(order: ClockOrder): void {
    this.tell(this.worker.do((api) => api.clock(order)));
  }

  /** Does what a remedy says, step by step, and lets the sheet dry. */
  async carryOut({ steps }: Pick<Remedy, 'steps'>): Promise<void> {
    for (const { when, act } of steps) {
      if (when !== 'now') await this.worker.do((api) => api.runTo(when));
      await this.act(act);
    }
    await this.worker.do((api) => api.runTo('dry'));
  }

  /** A sheet as the workers take it; the one on the table is kept as it is first. */
  async asKept(id: string): Promise<OpenedSheet | null> {
    if (id === this.sheet()?.id) await this.keepNow();
    const plan = this.store.plan();
    const trial = plan?.trials.find((sheet) => sheet.id === id);
    return plan && trial ? { trial, embedded: plan.embedded, key: keyOf(plan.id, id), atS: null } : null;
  }

  seeAs(look: PaperLook, masked: boolean): void {
    this.look.set(look);
    this.masked.set(masked);
    this.tell(this.worker.do((api) => api.look(look, masked)));
  }

  /** How the paper is at a place; `null` where its worker is gone and the sheet is being laid again. */
  async read(shape: Shape): Promise<SheetReading | null> {
    try {
      return await this.worker.do((api) => api.read(shape));
    } catch (cause) {
      if (!(cause instanceof WorkerFault)) this.fails(cause);
      return null;
    }
  }

  /** What a sheet's paper was is no longer needed. */
  private forget(trial: string): void {
    const plan = this.store.plan();
    if (plan) void this.worker.do((api) => api.forget(keyOf(plan.id, trial)));
  }

  /** Something done is entered in the plan, behind what the paper has seen. */
  private enter(done: HandAct): void {
    const sheet = this.sheet();
    if (!sheet) return;
    this.entering = true;
    this.store.do({ do: 'paint', trial: sheet.id, acts: [done] });
    this.entering = false;
    this.seen = this.sheet()?.acts ?? [];
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => void this.keepNow(), KEEPS_AFTER_MS);
  }

  /** The plan's acts are other than the paper's: taken back, or brought again. */
  private follow(sheet: Trial | null): void {
    if (!sheet || this.entering || !this.ready()) return;
    const [acts, seen] = [sheet.acts, this.seen];
    let same = 0;
    while (same < Math.min(acts.length, seen.length) && acts[same] === seen[same]) same++;
    if (same === acts.length && same === seen.length) return;
    this.seen = acts;
    void this.worker
      .do((api) => api.setActs(same, acts.slice(same)))
      .catch((cause: unknown) => this.fails(cause));
  }

  /** Whether what is done to the sheet could be kept; says so if not. */
  private mayPaint({ acts }: Trial): boolean {
    if (!this.ready()) return false;
    if (!this.store.open()?.mayWrite)
      this.messages.stop(
        'This card is open in another tab.',
        'Nothing was painted. Close the other tab to go on here.',
      );
    else if (acts.length >= MOST_ACTS)
      this.messages.stop(
        `This sheet has ${MOST_ACTS} acts, the most that one keeps.`,
        'Nothing was painted. Begin another sheet.',
      );
    else return true;
    return false;
  }

  /** Sees to it that the sheet knows some pigments; says so when it cannot hold them. */
  private setOut(codes: readonly string[]): boolean {
    const [plan, sheet] = [this.store.plan()!, this.sheet()!];
    const missing = [...new Set(codes)].filter((code) => !sheet.pigments.includes(code));
    if (missing.length === 0) return true;
    const pigments = [...sheet.pigments, ...missing];
    if (pigments.length > MAX_ON_PANEL) {
      this.messages.stop(
        `This sheet holds ${MAX_ON_PANEL} pigments already, and ${missing.join(', ')} would be one more.`,
        'Nothing was painted. Take another mix, or begin another sheet.',
      );
      return false;
    }
    this.store.do({ do: 'change-sheet', trial: sheet.id, change: { pigments } });
    const known = plan.embedded.pigments;
    this.tell(
      this.worker.do((api) => api.setOut(pigments.map((code) => known.find((p) => p.code === code)!))),
    );
    return true;
  }

  private hear(news: PaintingEvent): void {
    this.news.set(news);
    if (news.tiles.length > 0) this.tiles.next(news.tiles);
    if (news.stroke.length > 0) this.journal.addPainted(news.stroke);
  }

  private async keepNow(): Promise<void> {
    clearTimeout(this.keeping);
    if (!this.ready()) return;
    try {
      await this.worker.do((api) => api.keep());
    } catch (cause) {
      // The acts are with the card: the paper can be worked out again.
      this.messages.stop(
        `The paper could not be kept as it is: ${String(cause)}.`,
        'The card and all its sheets are safe; this one will take longer to open.',
      );
    }
  }

  /** Says so when the worker could not do what it was told. */
  private tell(asked: Promise<unknown>): void {
    asked.catch((cause: unknown) => {
      // A worker that is gone has its sheet laid again, as it is to be seen.
      if (!(cause instanceof WorkerFault)) this.fails(cause);
    });
  }

  private fails(cause: unknown): void {
    this.messages.stop(
      `The sheet could not be painted on: ${cause instanceof Error ? cause.message : String(cause)}.`,
      'The card and all its sheets are safe.',
    );
  }
}

const keyOf = (plan: string, trial: string): string => `${plan} ${trial}`;
