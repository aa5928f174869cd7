import { inject, Injectable } from '@angular/core';
import type { Command } from '@kettle/core/document/plan';
import { regionOfLine, type PencilPoint } from '@kettle/core/drawing/sketch';
import type { StrokePoint } from '@kettle/core/simulation/water';
import type { PaintedAs, StrokeAs } from '../data/rows';
import { PlanStore } from './plan-store';
import { Storage } from './storage.service';
import { strokeMade } from '../data/stroke-made';
import { StrokesUnderWay } from './strokes-under-way';

const newStroke = (): string => `line-${crypto.randomUUID().slice(0, 8)}`;

/** How long a stroke's newest points may stay in memory alone, ms. */
const KEEP_EVERY_MS = 200;

/** Carries a stroke from the first touch to a line or a mask of the plan; a closed tab loses a fifth of a second of it. */
@Injectable({ providedIn: 'root' })
export class StrokeJournal {
  private readonly store = inject(PlanStore);
  private readonly storage = inject(Storage);
  private readonly archive = this.storage.archive;
  private stroke = '';
  private as: StrokeAs = { line: 'pencil' };
  private points: PencilPoint[] = [];
  private readonly paintings = new StrokesUnderWay();
  private keepingPaintings: ReturnType<typeof setInterval> | undefined;
  private kept = 0;
  private keeping: ReturnType<typeof setInterval> | undefined;
  private writing: Promise<void> = Promise.resolve();

  begin(as: StrokeAs): void {
    this.as = as;
    this.stroke = newStroke();
    this.points = [];
    this.kept = 0;
    // By the clock, not by the hand: a pen held still must not keep its last points in memory.
    this.keeping = setInterval(() => this.keep(), KEEP_EVERY_MS);
  }

  add(points: readonly PencilPoint[]): void {
    this.points.push(...points);
  }

  /** Ends the stroke: it becomes what it was begun as, and a drawn line that closes an area. Returns the new area's id, if any. */
  end(): string | null {
    clearInterval(this.keeping);
    const { stroke, points, as } = this;
    const plan = this.store.plan();
    this.points = [];
    // A mask may be a single touch of the tool.
    if (!plan || points.length < ('resist' in as ? 1 : 2)) {
      this.forget(plan?.id, stroke);
      return null;
    }
    const commands: Command[] = [strokeMade({ stroke, as, points, painted: [] })];
    const region = 'line' in as && as.line !== 'fold' ? regionOfLine(points) : null;
    const area = region ? `area-${stroke.slice(5)}` : null;
    if (region && area)
      commands.push({
        do: 'add-area',
        area: {
          id: area,
          name: `area ${plan.areas.length + 1}`,
          outline: region,
          lines: [stroke],
        },
      });
    this.store.do(...commands);
    this.forget(plan.id, stroke);
    return area;
  }

  /** The stroke was not meant. */
  giveUp(): void {
    clearInterval(this.keeping);
    this.points = [];
    this.forget(this.store.plan()?.id, this.stroke);
  }

  /** A stroke of paint begins; it becomes an act of its sheet by whoever paints it. */
  beginPainting(as: PaintedAs): void {
    this.paintings.begin(newStroke(), as);
    this.keepingPaintings ??= setInterval(() => this.keepPaintings(), KEEP_EVERY_MS);
  }

  addPainted(places: readonly StrokePoint[]): void {
    this.paintings.add(places);
  }

  /** The stroke of paint that was begun first is an act, or was not meant. */
  endPainting(): void {
    const over = this.nextPainting();
    if (over) this.forget(this.store.plan()?.id, over);
  }

  /** What became of the stroke that was begun first cannot be told: it becomes an act when the card is opened again. */
  leavePainting(): void {
    this.keepPaintings();
    this.nextPainting();
  }

  private nextPainting(): string | null {
    const over = this.paintings.end();
    if (this.paintings.isNone) {
      clearInterval(this.keepingPaintings);
      this.keepingPaintings = undefined;
    }
    return over;
  }

  private keepPaintings(): void {
    const plan = this.store.plan();
    if (!plan) return;
    for (const { stroke, as, places } of this.paintings.take())
      this.enqueue(() => this.archive.keepPainted(plan.id, stroke, as, places));
  }

  private keep(): void {
    const plan = this.store.plan();
    const fresh = this.points.slice(this.kept);
    if (!plan || fresh.length === 0) return;
    const { stroke, as } = this;
    this.kept = this.points.length;
    this.enqueue(() => this.archive.keepStroke(plan.id, stroke, as, fresh));
  }

  /** The pieces go only once the line itself is on disk. */
  private forget(planId: string | undefined, stroke: string): void {
    if (!planId) return;
    this.enqueue(async () => {
      await this.store.settled();
      if (this.store.open()?.kept !== 'not-kept') await this.archive.dropStroke(planId, stroke);
    });
  }

  private enqueue(task: () => Promise<void>): void {
    // What goes wrong is told by the watch; the stroke goes on in memory and becomes a line all the same.
    this.writing = this.writing.then(() => this.storage.watch.write(task)).catch(() => undefined);
  }
}
