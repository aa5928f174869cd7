import {
  brushById,
  spatteredDrops,
  widthAt,
  type ActOf,
  type PanelAct,
  type PanelEvent,
  type StrokePoint,
} from '../water';
import {
  FIELD_MM,
  fieldOf,
  unitedFields,
  meets,
  ofMarks,
  fieldWithout,
  type Mark,
  type OutlineField,
  type SheetSize,
} from './outline-field';

/** What is laid within so long of something it touches is one with it: there is no edge between them yet, s. Ours. */
const ONE_WET_S = 120;

/** Near enough to touch, mm. */
const TOUCHES_MM = 0.3;

/** What was laid in one wet, with its exact outline, what was masked then taken off. */
export interface PaintedLayer {
  /** Tells it from others; one that is painted on is another. */
  readonly name: number;
  readonly field: OutlineField;
  /** When something was laid on it last, s; it dries from then on. */
  readonly lastS: number;
}

/**
 * The outlines a sheet may show: of all that was laid on it or taken off, in layers. An outline allows an edge; whether
 * there is one, and how strong, the cells say.
 */
export class PaintedOutlines {
  private done: PanelEvent[] = [];
  private stacked: PaintedLayer[] = [];
  private maskField: OutlineField | null = null;
  /** Acts begun so far: where drops of spatter fall hangs on it. */
  touches = 0;
  private lastPoint: StrokePoint | null = null;
  private named = 0;

  constructor(
    private readonly sheet: SheetSize,
    readonly seed: number,
  ) {}

  get layers(): readonly PaintedLayer[] {
    return this.stacked;
  }

  /** What lies under mask now; `null` where nothing does. */
  get mask(): OutlineField | null {
    return this.maskField;
  }

  /** Follows what has happened to the sheet: on from what is known, or from the beginning where that has been otherwise. */
  follow(happened: readonly PanelEvent[]): void {
    let same = 0;
    while (same < Math.min(this.done.length, happened.length) && this.done[same] === happened[same]) same++;
    if (same === this.done.length && same === happened.length) return;
    const last = this.done.at(-1);
    const goesOn = same === this.done.length - 1 ? partAfter(last!, happened[same]) : null;
    if (goesOn) {
      this.add(goesOn);
      same++;
    } else if (same < this.done.length) {
      [this.done, this.stacked, this.maskField, this.touches] = [[], [], null, 0];
      [this.lastPoint, same] = [null, 0];
    }
    for (const event of happened.slice(same)) {
      this.add(event);
      this.done.push(event);
    }
    this.done = [...happened];
  }

  private add({ act, atS, points }: PanelEvent): void {
    const begins = this.done.at(-1)?.act !== act || this.lastPoint === null;
    if (act.kind === 'mask') {
      const field = fieldOf(act.shape, this.sheet);
      if (field) this.maskField = this.maskField ? unitedFields(this.maskField, field) : field;
    } else if (act.kind === 'unmask') {
      const field = fieldOf(act.shape, this.sheet);
      if (field && this.maskField) this.maskField = fieldWithout(this.maskField, field);
    } else {
      const field = this.footprintOf(act, points);
      if (field)
        this.lay(this.maskField ? fieldWithout(field, this.maskField) : field, atS, WETS.has(act.kind));
    }
    if (act.kind !== 'stroke') this.lastPoint = null;
    if (begins || act.kind !== 'stroke') this.touches++;
  }

  private footprintOf(act: PanelAct, points: readonly StrokePoint[] | null): OutlineField | null {
    switch (act.kind) {
      case 'water':
      case 'wash':
      case 'drop':
      case 'print':
      case 'blot':
      case 'lift':
      case 'scrub':
        return fieldOf(act.shape, this.sheet);
      case 'stroke':
        return this.strokeField(act, points ?? act.points);
      case 'spatter':
        return ofMarks(
          spatteredDrops(act, this).map(({ xMm, yMm, diameterMm }): Mark[] => [[xMm, yMm, diameterMm / 2]]),
          this.sheet,
        );
      default:
        return null;
    }
  }

  private strokeField(act: ActOf<'stroke'>, points: readonly StrokePoint[]): OutlineField | null {
    const brush = brushById(act.brush);
    const goesOn = this.done.at(-1)?.act === act && this.lastPoint !== null;
    const way = goesOn ? [this.lastPoint!, ...points] : points;
    this.lastPoint = points.at(-1) ?? null;
    return ofMarks([way.map(([x, y, pressure]): Mark => [x, y, widthAt(brush, pressure) / 2])], this.sheet);
  }

  /** Lays a footprint: with all it touches that is wet it is one layer, or it is a new one. */
  private lay(field: OutlineField, atS: number, wets: boolean): void {
    const isOne = (layer: PaintedLayer): boolean =>
      wets && atS - layer.lastS <= ONE_WET_S && meets(layer.field, field, TOUCHES_MM);
    const touched = this.stacked.filter(isOne);
    const others = this.stacked.filter((layer) => !touched.includes(layer));
    this.stacked = [
      ...others,
      {
        name: ++this.named,
        field: touched.reduce((all, layer) => unitedFields(layer.field, all), field),
        lastS: wets ? atS : -Infinity,
      },
    ];
  }
}

/** The layers whose fields come into a box of the sheet, mm. */
export function layersNear(
  layers: readonly PaintedLayer[],
  left: number,
  top: number,
  right: number,
  bottom: number,
): readonly PaintedLayer[] {
  return layers.filter(
    ({ field: { column, row, columns, rows } }) =>
      column * FIELD_MM < right &&
      (column + columns) * FIELD_MM > left &&
      row * FIELD_MM < bottom &&
      (row + rows) * FIELD_MM > top,
  );
}

/** The places a stroke has gone through since it was looked at last; `null` where it is not that stroke going on. */
function partAfter(before: PanelEvent, now: PanelEvent | undefined): PanelEvent | null {
  if (now?.act !== before.act || !before.points || !now.points) return null;
  const { length } = before.points;
  return length < now.points.length && before.points.every((point, i) => point === now.points![i])
    ? { ...now, points: now.points.slice(length) }
    : null;
}

/** What leaves paper wet; a tissue or a sponge does not. */
const WETS: ReadonlySet<PanelAct['kind']> = new Set(['water', 'wash', 'drop', 'print', 'stroke', 'spatter']);
