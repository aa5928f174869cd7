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
import { FormsModule } from '@angular/forms';
import { firstValueFrom } from 'rxjs';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { contains, rectangle, type Point } from '@kettle/core/kit/geometry';
import type { Guide } from '@kettle/core/drawing/guides';
import { lowestWithin, paintedOf, relaid, type Part, type Plan } from '@kettle/core/document/plan';
import {
  moved,
  placedPoint,
  rubbedLines,
  type Area,
  type LineKind,
  type Placing,
} from '@kettle/core/drawing/sketch';
import { placeLines, sameShape } from '@kettle/core/order/areas';
import { DrawingBoard, type BoardEvents, RUBBER_MM, type BoardTool } from '../../panel/drawing-board';
import { panelDrawing } from '../../panel/panel.view';
import { LetteringService } from '../../state/lettering.service';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { Pictures } from '../../state/pictures.service';
import { PlanStore } from '../../state/plan-store';
import { alikeButLines } from '../../state/same-paint';
import { StrokeJournal } from '../../state/stroke-journal.service';
import { StudioStore } from '../../state/studio-store';
import { Planner } from '../../workers/planner.service';
import { alike } from '../../ui/alike';
import { Choice } from '../../ui/choice.component';
import { HeldRow } from '../../ui/held-row.component';
import { LengthField } from '../../ui/length-field.component';
import { GuidesList } from './guides.component';
import { InHand } from './in-hand.component';
import { Judge } from './judge.component';
import { LampNotes } from './lamp.component';
import { guideHandles, sketchMarks } from './marks.view';
import { Motifs } from './motifs.component';
import { PicturesList } from './pictures.component';
import { Tracing } from './tracing.component';
import { WordsList } from './words.component';
import { areaRows, reshape, type Reshaping } from './sketch.view';

type Leaf = 'lines' | 'words' | 'guides' | 'lamp' | 'tracing' | 'judge';

/** A rectangle thinner than this is a slip of the hand, mm. */
const SMALLEST_SIDE_MM = 1;

/** The panel at true proportions, to be drawn on; closed lines and rectangles become areas. */
@Component({
  selector: 'kd-sketch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    Button,
    InputText,
    Select,
    Choice,
    GuidesList,
    HeldRow,
    InHand,
    Judge,
    LampNotes,
    LengthField,
    Motifs,
    PicturesList,
    Tracing,
    WordsList,
  ],
  templateUrl: './sketch.component.html',
  styleUrl: './sketch.component.scss',
})
export class SketchStation {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  private readonly journal = inject(StrokeJournal);
  private readonly lookAhead = inject(LookAheadService);
  private readonly worker = inject(Planner);
  private readonly lettering = inject(LetteringService);
  private readonly pictures = inject(Pictures);
  private readonly boardHost = viewChild.required<ElementRef<HTMLDivElement>>('board');
  private board: DrawingBoard | null = null;

  readonly plan = this.store.plan;
  readonly tool = signal<BoardTool>('pencil');
  readonly tools: readonly { readonly id: BoardTool; readonly name: string }[] = [
    { id: 'pencil', name: 'Pencil' },
    { id: 'fill', name: 'Fill a shape' },
    { id: 'rectangle', name: 'Rectangle' },
    { id: 'rub', name: 'Rubber' },
    { id: 'rub-out', name: 'Rub out a line' },
    { id: 'pick', name: 'Take up lines' },
    { id: 'name', name: 'Write a name' },
    { id: 'board', name: 'Move the board' },
  ];
  readonly kinds: readonly { readonly id: LineKind; readonly name: string }[] = [
    { id: 'pencil', name: 'in pencil' },
    { id: 'waterproof-ink', name: 'in waterproof ink' },
    { id: 'soluble-ink', name: 'in soluble ink' },
    { id: 'stamped', name: 'as a stamped guide' },
    { id: 'fold', name: 'as a fold, scored from the back' },
  ];
  readonly kind = signal<LineKind>('pencil');
  private readonly taken = signal<readonly string[]>([]);
  /** The lines in the hand, those that are still there. */
  readonly picked = computed(() => {
    const taken = new Set(this.taken());
    return taken.size === 0
      ? []
      : (this.plan()?.lines ?? []).map(({ id }) => id).filter((id) => taken.has(id));
  });
  /** What the notes beside the board are about. */
  readonly leaf = signal<Leaf>('lines');
  readonly leaves: readonly { readonly id: Leaf; readonly name: string }[] = [
    { id: 'lines', name: 'Lines and areas' },
    { id: 'words', name: 'Words' },
    { id: 'guides', name: 'Guides' },
    { id: 'lamp', name: 'Lamp' },
    { id: 'tracing', name: 'Tracing' },
    { id: 'judge', name: 'Judge' },
  ];
  readonly typed = signal({ x: 0, y: 0, width: 40, height: 30 });
  /** The area that is being written on, and where on the board, px. */
  readonly naming = signal<{ id: string; name: string; left: number; top: number } | null>(null);
  private readonly nameField = viewChild<ElementRef<HTMLInputElement>>('nameField');
  readonly newArea = signal<string | null>(null);
  /** The card without its lines, which are many and change often: what is worked out of it need not be anew with each. */
  private readonly butLines = computed(() => this.plan(), { equal: alikeButLines });
  private readonly hasLines = computed(() => (this.plan()?.lines.length ?? 0) > 0);
  readonly rows = computed(
    () => {
      const plan = this.butLines();
      return plan ? areaRows(plan, this.hasLines(), (mm) => this.studio.length(mm)) : [];
    },
    { equal: alike },
  );
  private readonly marks = computed(() => {
    const plan = this.butLines();
    if (!plan) return null;
    const pull = (guide: Guide): void => this.store.do({ do: 'lay-guide', guide });
    return {
      ...sketchMarks(plan, this.lettering.settings(), this.pictures.onBoard()),
      handles: this.leaf() === 'guides' ? guideHandles(plan, pull) : [],
    };
  });
  private readonly drawing = computed(() => {
    const plan = this.butLines();
    return plan ? panelDrawing({ ...plan, lines: [] }, this.lookAhead.ahead()) : null;
  });

  constructor() {
    afterNextRender(() => {
      const events: BoardEvents = {
        strokeBegins: () => this.journal.begin({ line: this.kind() }),
        strokeGoesOn: (points) => this.journal.add(points),
        strokeEnds: () => this.newArea.set(this.journal.end()),
        strokeGivenUp: () => this.journal.giveUp(),
        rectangle: (x, y, width, height) => this.addRectangle(x, y, width, height),
        fill: (x, y) => void this.fillAt(x, y),
        name: (x, y, at) => this.writeOn(x, y, at),
        rub: (way) => this.rub(way),
        rubOut: (line) => this.store.do({ do: 'rub-out-line', line }),
        pick: (lines, beside) => this.pick(beside ? [...this.picked(), ...lines] : lines),
        movePicked: (right, down) =>
          this.store.do(...placeLines(this.plan()!, this.picked(), moved(right, down))),
        moveWords: (words, right, down) => this.moveWords(words, moved(right, down)),
      };
      this.board = new DrawingBoard(this.boardHost().nativeElement, events, this);
      this.showBoard();
    });
    effect(() => this.showBoard());
    effect(() => this.nameField()?.nativeElement.select());
    inject(DestroyRef).onDestroy(() => this.board?.destroy());
  }

  pickTool(tool: BoardTool): void {
    this.tool.set(tool);
  }

  pick(lines: readonly string[]): void {
    this.taken.set(lines);
  }

  /** What the next line is drawn in; lines in the hand are drawn over in it. */
  drawIn(kind: LineKind): void {
    this.kind.set(kind);
    const picked = new Set(this.picked());
    const lines = this.plan()!.lines.filter(({ id }) => picked.has(id));
    if (lines.length > 0)
      this.store.do({ do: 'redraw-lines', gone: [], lines: lines.map((line) => ({ ...line, kind })) });
  }

  turn(deg: number): void {
    this.board?.turn(deg);
  }

  /** Opens a place to write on the area under the hand. */
  private writeOn(x: number, y: number, [left, top]: readonly [number, number]): void {
    const area = this.plan()!.areas.findLast(({ outline }) => contains(outline, [x, y]));
    this.naming.set(area ? { id: area.id, name: area.name, left, top } : null);
  }

  endNaming(field: HTMLInputElement | null): void {
    const naming = this.naming();
    this.naming.set(null);
    if (naming && field) this.rename(naming.id, field);
  }

  private moveWords(id: string, by: Placing): void {
    const words = this.plan()!.words.find((w) => w.id === id);
    if (!words) return;
    const [from, to] = [placedPoint(by, words.from), placedPoint(by, words.to)];
    this.store.do({ do: 'letter', words: { ...words, from: [...from], to: [...to] } });
  }

  private rub(way: readonly Point[]): void {
    const { gone, lines } = rubbedLines(this.plan()!.lines, way, RUBBER_MM, newLineId);
    if (gone.length > 0) this.store.do({ do: 'redraw-lines', gone, lines });
  }

  /** Nearer or further; 0 shows the whole panel. */
  bringNearer(factor: number): void {
    this.board?.bringNearer(factor);
  }

  addRectangle(x: number, y: number, width: number, height: number): void {
    const plan = this.plan();
    if (!plan || width < SMALLEST_SIDE_MM || height < SMALLEST_SIDE_MM) return;
    this.addArea(plan, { outline: rectangle(x, y, width, height) });
  }

  /** Makes an area of what the pencil lines enclose round a point, small gaps bridged. */
  async fillAt(x: number, y: number): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    const filled = await firstValueFrom(this.worker.fill(plan.lines, [x, y], paintedOf(plan).panel)).catch(
      (cause: unknown) => String(cause),
    );
    if (typeof filled === 'string') {
      this.messages.stop(`It could not be filled: ${filled}.`, 'The card is safe. Load the page again.');
      return;
    }
    // Another card may have come onto the table meanwhile.
    const now = this.plan();
    if (now?.id !== plan.id) return;
    if (!filled) {
      this.messages.stop('There is nothing to fill on a line or off the panel.', 'Nothing was marked.');
      return;
    }
    this.addArea(now, filled);
  }

  addTyped(): void {
    const { x, y, width, height } = this.typed();
    if (width < SMALLEST_SIDE_MM || height < SMALLEST_SIDE_MM)
      this.messages.stop('An area is at least 1 mm wide and high.', 'Nothing was marked.');
    else this.addRectangle(x, y, width, height);
  }

  rename(id: string, field: HTMLInputElement): void {
    const name = field.value.trim();
    const thing = this.plan()!.things.find((known) => known.id === id);
    if (name === '') field.value = thing?.name ?? this.plan()!.areas.find((area) => area.id === id)!.name;
    else if (thing) this.store.do({ do: 'gather', thing: { ...thing, name } });
    else this.store.do({ do: 'rename-area', area: id, name });
  }

  /** Lays a thing or area over the next, or under it. */
  relay(part: string, by: 1 | -1): void {
    const commands = relaid(this.plan()!, part, by);
    if (commands.length > 0) this.store.do(...commands);
  }

  singleOut(area: string): void {
    this.store.do({ do: 'single-out', members: [area] });
  }

  reshape(area: string, reshaping: Reshaping | null): void {
    if (!reshaping) return;
    const commands = reshape(this.plan()!, area, reshaping, newAreaId);
    if (typeof commands === 'string') this.messages.stop(commands, 'Nothing was changed.');
    else this.store.do(...commands);
  }

  remove({ members }: Part): void {
    this.store.do(...members.map((area) => ({ do: 'remove-area' as const, area })));
  }

  /** All of the panel, under everything that is drawn on it. */
  addGround(): void {
    const plan = this.plan()!;
    const { widthMm, heightMm } = paintedOf(plan).panel;
    this.addArea(plan, { outline: rectangle(0, 0, widthMm, heightMm) }, 'ground');
  }

  private addArea(
    plan: Plan,
    shape: Pick<Area, 'outline' | 'lines'>,
    name = `area ${plan.areas.length + 1}`,
  ): void {
    const same = sameShape(plan, shape.outline);
    if (same !== null) {
      this.newArea.set(same);
      return;
    }
    const [id, under] = [newAreaId(), lowestWithin(plan, shape.outline)];
    this.store.do({ do: 'add-area', area: { id, name, ...shape }, ...(under ? { under } : {}) });
    this.newArea.set(id);
  }

  private showBoard(): void {
    const [drawing, marks, plan] = [this.drawing(), this.marks(), this.plan()];
    if (drawing && marks && plan) this.board?.show(drawing, marks, plan.lines, new Set(this.picked()));
  }
}

const newLineId = (): string => `line-${crypto.randomUUID().slice(0, 8)}`;
const newAreaId = (): string => `area-${crypto.randomUUID().slice(0, 8)}`;
