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
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { regionAt } from '@kettle/core/areas';
import { rectangle, type Polygon } from '@kettle/core/geometry';
import { paintedOf, type Plan } from '@kettle/core/plan';
import { DrawingBoard, type BoardTool } from '../../panel/drawing-board';
import { panelDrawing } from '../../panel/panel.view';
import { LookAheadService } from '../../state/look-ahead.service';
import { Messages } from '../../state/messages.service';
import { PlanStore } from '../../state/plan-store';
import { StrokeJournal } from '../../state/stroke-journal.service';
import { StudioStore } from '../../state/studio-store';
import { LengthField } from '../../ui/length-field.component';
import { areaRows, reshape, type Reshaping } from './sketch.view';

/** A rectangle thinner than this is a slip of the hand, mm. */
const SMALLEST_SIDE_MM = 1;

/** The panel at true proportions, to be drawn on; closed lines and rectangles become areas. */
@Component({
  selector: 'kd-sketch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, Button, InputText, Select, LengthField],
  templateUrl: './sketch.component.html',
  styleUrl: './sketch.component.scss',
})
export class SketchStation {
  private readonly store = inject(PlanStore);
  private readonly studio = inject(StudioStore);
  private readonly messages = inject(Messages);
  private readonly journal = inject(StrokeJournal);
  private readonly lookAhead = inject(LookAheadService);
  private readonly boardHost = viewChild.required<ElementRef<HTMLDivElement>>('board');
  private board: DrawingBoard | null = null;

  readonly plan = this.store.plan;
  readonly tool = signal<BoardTool>('pencil');
  readonly tools: readonly { readonly id: BoardTool; readonly name: string }[] = [
    { id: 'pencil', name: 'Pencil' },
    { id: 'fill', name: 'Fill a shape' },
    { id: 'rectangle', name: 'Rectangle' },
    { id: 'rub-out', name: 'Rub out a line' },
    { id: 'board', name: 'Move the board' },
  ];
  readonly typed = signal({ x: 0, y: 0, width: 40, height: 30 });
  readonly newArea = signal<string | null>(null);
  readonly rows = computed(() => (this.plan() ? areaRows(this.plan()!, (mm) => this.studio.length(mm)) : []));
  private readonly drawing = computed(() =>
    this.plan() ? panelDrawing(this.plan()!, this.lookAhead.ahead()) : null,
  );

  constructor() {
    afterNextRender(() => {
      this.board = new DrawingBoard(this.boardHost().nativeElement, {
        strokeBegins: () => this.journal.begin(),
        strokeGoesOn: (points) => this.journal.add(points),
        strokeEnds: () => this.newArea.set(this.journal.end()),
        rectangle: (x, y, width, height) => this.addRectangle(x, y, width, height),
        fill: (x, y) => this.fillAt(x, y),
        rubOut: (line) => this.store.do({ do: 'rub-out-line', line }),
      });
      this.showBoard();
    });
    effect(() => this.showBoard());
    inject(DestroyRef).onDestroy(() => this.board?.destroy());
  }

  pickTool(tool: BoardTool): void {
    this.tool.set(tool);
    if (this.board) this.board.tool = tool;
  }

  /** Nearer or further; 0 shows the whole panel. */
  bringNearer(factor: number): void {
    this.board?.bringNearer(factor);
  }

  addRectangle(x: number, y: number, width: number, height: number): void {
    const plan = this.plan();
    if (!plan || width < SMALLEST_SIDE_MM || height < SMALLEST_SIDE_MM) return;
    this.addArea(plan, rectangle(x, y, width, height));
  }

  /** Makes an area of what the pencil lines enclose round a point, small gaps bridged. */
  fillAt(x: number, y: number): void {
    const plan = this.plan();
    if (!plan) return;
    const outline = regionAt(plan.lines, [x, y], paintedOf(plan).panel);
    if (!outline) {
      this.messages.stop('There is nothing to fill on a line or off the panel.', 'Nothing was marked.');
      return;
    }
    this.addArea(plan, outline);
  }

  addTyped(): void {
    const { x, y, width, height } = this.typed();
    if (width < SMALLEST_SIDE_MM || height < SMALLEST_SIDE_MM)
      this.messages.stop('An area is at least 1 mm wide and high.', 'Nothing was marked.');
    else this.addRectangle(x, y, width, height);
  }

  rename(area: string, field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name !== '') this.store.do({ do: 'rename-area', area, name });
    else field.value = this.plan()!.areas.find((a) => a.id === area)!.name;
  }

  reshape(area: string, reshaping: Reshaping | null): void {
    if (!reshaping) return;
    const commands = reshape(this.plan()!, area, reshaping, newAreaId);
    if (typeof commands === 'string') this.messages.stop(commands, 'Nothing was changed.');
    else this.store.do(...commands);
  }

  remove(area: string): void {
    this.store.do({ do: 'remove-area', area });
  }

  private addArea(plan: Plan, outline: Polygon): void {
    const id = newAreaId();
    this.store.do({ do: 'add-area', area: { id, name: `area ${plan.areas.length + 1}`, outline } });
    this.newArea.set(id);
  }

  private showBoard(): void {
    const [drawing, plan] = [this.drawing(), this.plan()];
    if (drawing && plan) this.board?.show(drawing, plan.lines);
  }
}

const newAreaId = (): string => `area-${crypto.randomUUID().slice(0, 8)}`;
