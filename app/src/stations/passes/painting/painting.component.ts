import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { asyncScheduler, BehaviorSubject, concatMap, merge, throttleTime } from 'rxjs';
import { rimOf } from '@kettle/core/document/plan';
import { formatClock } from '@kettle/core/kit/units';
import type { PaperLook } from '@kettle/core/simulation/picture';
import { PaintingBoard } from '../../../panel/painting-board';
import { PaintingService } from '../../../state/painting.service';
import { PlanStore } from '../../../state/plan-store';
import { SheetsService } from '../../../state/sheets.service';
import { RescueView } from './rescue.component';
import type { BrushPlace } from '../../../workers/painting-api';
import { HeldRow } from '../../../ui/held-row.component';
import { DoneList } from './done-list.component';
import { HandService } from './hand.service';
import {
  actAsked,
  BOARD,
  followsOf,
  framesOver,
  pressureOf,
  stagesInWords,
  strokeAsked,
  underHand,
} from './painting.view';
import { Plates } from './plates.component';
import { SheetsView } from './sheets.component';

type Leaf = 'done' | 'amiss' | 'sheets';
type Seen = 'now' | 'dry' | 'uncovered' | 'value' | 'sheen' | 'morning';

/** How often it is looked how wet the paper under the hand is, ms. */
const FEELS_EVERY_MS = 120;

/** Freehand on simulated paper: the sheet, what the hand holds, and the paper’s clock. */
@Component({
  selector: 'kd-painting',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RescueView, DoneList, HeldRow, Plates, SheetsView],
  templateUrl: './painting.component.html',
  styleUrl: './painting.component.scss',
  host: {
    '(window:keydown.l)': 'alongTheLight($event, true)',
    '(window:keyup.l)': 'alongTheLight($event, false)',
  },
})
export class Painting {
  private readonly store = inject(PlanStore);
  private readonly hand = inject(HandService);
  readonly painting = inject(PaintingService);
  readonly sheets = inject(SheetsService);
  private readonly boardHost = viewChild.required<ElementRef<HTMLDivElement>>('board');
  private board: PaintingBoard | null = null;
  private strokes = 0;
  /** Where the hand rests, mm from the sheet's corner; `null` off it. */
  private readonly handAt = new BehaviorSubject<readonly [number, number] | null>(null);

  readonly leaf = signal<Leaf>('done');
  readonly leaves: readonly { readonly id: Leaf; readonly name: string }[] = [
    { id: 'done', name: 'Done so far' },
    { id: 'amiss', name: 'Gone wrong?' },
    { id: 'sheets', name: 'Sheets' },
  ];
  readonly seen = signal<Seen>('now');
  readonly ways: readonly { readonly id: Seen; readonly name: string }[] = [
    { id: 'now', name: 'As it is' },
    { id: 'dry', name: 'Dry' },
    { id: 'uncovered', name: 'Uncovered' },
    { id: 'value', name: 'In greys' },
    { id: 'sheen', name: 'Along the light' },
    { id: 'morning', name: 'Next morning' },
  ];
  readonly under = signal('');
  readonly reading = signal('');
  readonly at = computed(() => formatClock(this.painting.news()?.atS ?? this.painting.ready()?.atS ?? 0));
  readonly stages = computed(() => (this.painting.news() ? stagesInWords(this.painting.news()!.stages) : ''));
  readonly readying = computed(() => {
    const share = this.painting.readying();
    if (share !== null) return `The sheet is being laid, ${Math.round(100 * share)} %…`;
    const ahead = this.sheets.progress();
    if (this.seen() !== 'morning') return '';
    return ahead === null ? 'as it will be next morning' : `Looking ahead, ${Math.round(100 * ahead)} %…`;
  });

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      this.board = new PaintingBoard(this.boardHost().nativeElement, {
        begins: (place) => this.painting.begin(strokeAsked(this.hand.held(), this.draw()), place),
        goesOn: (places) => this.painting.goOn(places),
        ends: () => void this.painting.end(),
        givenUp: () => void this.painting.giveUp(),
        used: (way) => this.use(way),
        tilted: (xDeg, yDeg) => this.tilt(xDeg, yDeg),
        over: (at) => this.handAt.next(at),
        pressure: pressureOf,
      });
      this.giveTool();
      this.laySheet();
    });
    this.painting.tiles.pipe(takeUntilDestroyed(destroy)).subscribe((tiles) => {
      if (this.seen() !== 'morning') this.board?.paint(tiles);
    });
    // What is told of the paper follows the hand, and the paper under a hand that rests.
    merge(this.handAt, this.painting.tiles)
      .pipe(
        throttleTime(FEELS_EVERY_MS, asyncScheduler, { leading: true, trailing: true }),
        concatMap(() => this.feel(this.handAt.value)),
        takeUntilDestroyed(destroy),
      )
      .subscribe();
    effect(() => this.giveTool());
    effect(() => this.laySheet());
    destroy.onDestroy(() => {
      this.board?.destroy();
      void this.painting.putAway();
    });
  }

  seeAs(seen: Seen): void {
    const before = this.seen();
    this.seen.set(seen);
    if (seen === 'morning') void this.showMorning();
    else if (before === 'morning') this.painting.seeAs(seen === 'uncovered' ? 'now' : seen, seen === 'now');
    else this.showAs(seen);
  }

  /** The paper waits while it is seen as it will be when all has dried. */
  private async showMorning(): Promise<void> {
    const sheet = this.painting.sheet();
    if (!sheet) return;
    this.painting.clock({ rate: 0 });
    const morning = await this.sheets.morning(sheet.id);
    if (morning && this.seen() === 'morning') this.board?.paint([{ left: 0, top: 0, ...morning }]);
  }

  /** Held down, the key shows the sheet along the light. */
  alongTheLight(event: Event, held: boolean): void {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
    const seen = this.seen();
    if (seen !== 'morning') this.showAs(held ? 'sheen' : seen);
  }

  bringNearer(factor: number): void {
    this.board?.bringNearer(factor);
  }

  turn(): void {
    this.board?.turn(90);
  }

  private showAs(seen: Exclude<Seen, 'morning'>): void {
    const look: PaperLook = seen === 'uncovered' ? 'now' : seen;
    if (this.painting.look() === look && this.painting.masked() === (seen === 'now')) return;
    this.painting.seeAs(look, seen === 'now');
  }

  private use(way: readonly BrushPlace[]): void {
    if (this.hand.pointing()) {
      this.hand.point([way[0][0], way[0][1]]);
      return;
    }
    const [plan, sheet] = [this.store.plan(), this.painting.sheet()];
    if (!plan || !sheet) return;
    void this.painting.act(actAsked(plan, this.hand.held(), way, rimOf(plan), sheet.acts.length));
  }

  /** Told while an edge is pulled; one act for a pull, not one for each degree. */
  private tilting: ReturnType<typeof setTimeout> | undefined;
  private tilt(xDeg: number, yDeg: number): void {
    clearTimeout(this.tilting);
    this.tilting = setTimeout(() => void this.painting.act({ kind: 'tilt', xDeg, yDeg }), TILT_SETTLES_MS);
  }

  private async feel(at: readonly [number, number] | null): Promise<void> {
    const reading =
      at && this.painting.ready() ? await this.painting.read({ circle: [...at, FEELS_MM] }) : null;
    this.under.set(reading ? underHand(reading) : '');
    if (reading) this.reading.set(JSON.stringify({ at, ...reading }));
  }

  /** Evenly from 0 to 1, other for every stroke; the stroke keeps what came of it. */
  private draw(): number {
    return (++this.strokes * 0.618034) % 1;
  }

  private giveTool(): void {
    const [tool, held, points] = [this.hand.tool(), this.hand.held(), this.hand.pointing()];
    if (!this.board) return;
    this.board.follows = points ? 'spot' : tool === BOARD ? 'board' : followsOf(held.tool);
    this.board.reachMm = points ? 2 * this.hand.pointsMm() : held.tool.reachMm;
  }

  private laySheet(): void {
    const ready = this.painting.ready();
    const sheet = untracked(this.painting.sheet);
    if (!ready || !sheet || !this.board) return;
    this.board.lay(sheet.widthMm, sheet.heightMm, ready.columns, ready.rows);
    this.board.showFrames(framesOver(untracked(this.store.plan)!));
    // Only now is there something to show the paper on.
    this.painting.seeAs(untracked(this.painting.look), untracked(this.painting.masked));
  }
}

const TILT_SETTLES_MS = 150;

/** So much of the paper is felt, mm. */
const FEELS_MM = 1;
