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
  viewChild,
} from '@angular/core';
import { liftedBy, maskingTool, type Resist } from '@kettle/core/drawing/masking';
import type { Point } from '@kettle/core/kit/geometry';
import { DrawingBoard, type BoardEvents, RUBBER_MM, type BoardTool } from '../../panel/drawing-board';
import { panelDrawing } from '../../panel/panel.view';
import { LookAheadService } from '../../state/look-ahead.service';
import { Pictures } from '../../state/pictures.service';
import { PlanStore } from '../../state/plan-store';
import { derivedResource } from '../../state/derived-resource';
import { alikeButLines } from '../../state/same-paint';
import { StrokeJournal } from '../../state/stroke-journal.service';
import type { RankedWhite } from '../../workers/table-api';
import { Choice } from '../../ui/choice.component';
import { HeldRow } from '../../ui/held-row.component';
import { HandMasks } from './hand-masks.component';
import { Removals } from './removals.component';
import { spatterOver } from './spatter.view';
import { WaysCompared } from './ways-compared.component';
import { WhiteList } from './white-list.component';
import { maskLines, pencilLines, seenAt, toolInWords, whitesMoments, whitesOver } from './whites.view';

type Leaf = 'whites' | 'hand' | 'off' | 'compared';
type Held = Pick<Resist, 'id' | 'name' | 'tool'>;

/** Share of a dragged box that spatter covers. */
const COVERS = 0.12;

/** Which parts stay light, how each is kept, and what is masked by hand. */
@Component({
  selector: 'kd-whites',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, HandMasks, HeldRow, Removals, WaysCompared, WhiteList],
  templateUrl: './whites.component.html',
  styleUrls: ['../sketch/sketch.component.scss', './whites.component.scss'],
})
export class WhitesStation {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly journal = inject(StrokeJournal);
  private readonly pictures = inject(Pictures);
  private readonly boardHost = viewChild.required<ElementRef<HTMLDivElement>>('board');
  private board: DrawingBoard | null = null;

  readonly plan = this.store.plan;
  readonly tool = signal<BoardTool>('pencil');
  readonly tools: readonly { readonly id: BoardTool; readonly name: string }[] = [
    { id: 'pencil', name: 'Mask' },
    { id: 'rub', name: 'Rub it off' },
    { id: 'board', name: 'Move the board' },
  ];
  readonly uncovered = signal(false);
  readonly views = [
    { id: false, name: 'Masks on' },
    { id: true, name: 'Uncovered' },
  ] as const;
  readonly leaf = signal<Leaf>('whites');
  readonly leaves: readonly { readonly id: Leaf; readonly name: string }[] = [
    { id: 'whites', name: 'Ways' },
    { id: 'hand', name: 'Masked by hand' },
    { id: 'off', name: 'Coming off' },
    { id: 'compared', name: 'Compared' },
  ];
  /** What the next stroke belongs to. */
  private readonly chosen = signal<Held | null>(null);
  readonly held = computed((): Held => {
    const [chosen, resists] = [this.chosen(), this.plan()?.resists ?? []];
    const there = resists.find(({ id }) => id === chosen?.id);
    return there ?? chosen ?? resists.at(-1) ?? newMask('ruling-pen');
  });
  readonly hint = computed(() => {
    const { name, tool } = this.held();
    const own = name === maskingTool(tool).name ? '' : `, into “${name}”`;
    const what = maskingTool(tool).throws ? 'Drag a box for' : 'In the hand:';
    return `${what} ${toolInWords(tool)}${own}.`;
  });

  private readonly ranking = derivedResource(
    (worker, plan) => worker.rankWhites(plan),
    'The ways could not be ranked',
  );
  readonly ranked = computed((): readonly RankedWhite[] => this.ranking() ?? []);

  private readonly butLines = computed(() => this.plan(), { equal: alikeButLines });
  readonly moments = computed(() => {
    const plan = this.plan();
    return plan ? whitesMoments(plan) : [];
  });
  readonly moment = signal('');
  private readonly seen = computed(() => {
    const timeline = this.lookAhead.ahead()?.timeline;
    return timeline ? seenAt(timeline, this.moment(), this.uncovered()) : { atS: Infinity, isOn: () => true };
  });
  private readonly drawing = computed(() => {
    const plan = this.butLines();
    return plan && panelDrawing({ ...plan, lines: [] }, this.lookAhead.ahead(), this.seen().atS);
  });
  private readonly over = computed(() => {
    const [drawing, plan] = [this.drawing(), this.butLines()];
    if (!drawing || !plan) return null;
    const findings = this.lookAhead.ahead()?.findings ?? [];
    const taped = plan.card.border === 'taped';
    return {
      ...whitesOver(drawing, findings, this.uncovered(), taped),
      pictures: this.pictures.onBoard(),
    };
  });
  private readonly lines = computed(() => {
    const [plan, uncovered] = [this.butLines(), this.uncovered()];
    return plan ? [...pencilLines(plan, uncovered), ...maskLines(plan, uncovered, this.seen().isOn)] : [];
  });

  constructor() {
    afterNextRender(() => {
      const events: BoardEvents = {
        strokeBegins: () => this.journal.begin({ resist: pickHeld(this.held()) }),
        strokeGoesOn: (points) => this.journal.add(points),
        strokeEnds: () => void this.journal.end(),
        strokeGivenUp: () => this.journal.giveUp(),
        rectangle: (x, y, width, height) => this.spatter(x, y, width, height),
        rub: (way) => this.rub(way),
        // No tool of this board does any of these.
        fill: nothing,
        name: nothing,
        rubOut: nothing,
        pick: nothing,
        movePicked: nothing,
        moveWords: nothing,
      };
      this.board = new DrawingBoard(this.boardHost().nativeElement, events, {
        tool: () => this.toolInHand(),
        kind: () => this.held().tool,
      });
      this.showBoard();
    });
    effect(() => this.showBoard());
    inject(DestroyRef).onDestroy(() => this.board?.destroy());
  }

  pickTool(tool: BoardTool): void {
    this.tool.set(tool);
  }

  hold(held: Held): void {
    this.chosen.set(held);
    if (this.tool() !== 'board') this.tool.set('pencil');
  }

  bringNearer(factor: number): void {
    this.board?.bringNearer(factor);
  }

  private rub(way: readonly Point[]): void {
    const commands = this.plan()!.resists.flatMap((resist) => {
      const { strokes, drops } = liftedBy(resist, way, RUBBER_MM);
      return strokes.length + drops.length > 0
        ? [{ do: 'lift-mask' as const, resist: resist.id, strokes, drops }]
        : [];
    });
    if (commands.length > 0) this.store.do(...commands);
  }

  private spatter(x: number, y: number, width: number, height: number): void {
    if (width < 2 || height < 2) return;
    const request = { area: { rect: [x, y, width, height] as const }, coverage: COVERS, shields: [] };
    this.store.do(spatterOver(this.plan()!, pickHeld(this.held()), request));
  }

  /** A tool that throws drops is held over a box; the others draw. */
  private toolInHand(): BoardTool {
    const tool = this.tool();
    return tool === 'pencil' && maskingTool(this.held().tool).throws ? 'rectangle' : tool;
  }

  private showBoard(): void {
    const [drawing, over, lines] = [this.drawing(), this.over(), this.lines()];
    if (drawing && over) this.board?.show(drawing, over, lines, NONE);
  }
}

const NONE: ReadonlySet<string> = new Set();
const nothing = (): void => undefined;

const pickHeld = ({ id, name, tool }: Held): Held => ({ id, name, tool });

/** A mask that is begun with its first stroke. */
const newMask = (tool: Held['tool']): Held => ({
  ...{ id: `mask-${crypto.randomUUID().slice(0, 8)}`, name: maskingTool(tool).name, tool },
});
