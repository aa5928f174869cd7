import type { Shape } from '../water';

/** Nodes of a field lie so far apart, mm; beyond its reach a distance is not told any further, mm. */
export const FIELD_MM = 0.25;
export const FIELD_REACH_MM = 1.5;

/**
 * How deep inside an outline a place lies, mm, negative outside: on nodes of the sheet from `column` and `row` on,
 * `[row · columns + column]` (signed distances between nodes bilinear; Green 2007). Outside its nodes nothing is inside.
 */
export interface OutlineField {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
  readonly depth: Float32Array;
}

/** A sheet that fields lie on, mm. */
export interface SheetSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A place the brush passes, and half the width of its mark there, mm. */
export type Mark = readonly [xMm: number, yMm: number, radiusMm: number];

/** The field of a shape; `null` where it lies off the sheet. */
export function fieldOf(shape: Shape, sheet: SheetSize): OutlineField | null {
  if ('rect' in shape) {
    const [x, y, w, h] = shape.rect;
    return ofRing(
      [
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
      ],
      sheet,
    );
  }
  if ('circle' in shape) return ofMarks([[shape.circle]], sheet);
  if ('polygon' in shape) return ofRing(shape.polygon, sheet);
  return ofMarks([shape.line.map(([x, y]): Mark => [x, y, shape.widthMm / 2])], sheet);
}

/** The field of what brushes or drops leave: ways of marks, each mark going over into the next. */
export function ofMarks(ways: readonly (readonly Mark[])[], sheet: SheetSize): OutlineField | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const way of ways)
    for (const [x, y, radius] of way) {
      left = Math.min(left, x - radius);
      top = Math.min(top, y - radius);
      right = Math.max(right, x + radius);
      bottom = Math.max(bottom, y + radius);
    }
  const field = emptyField([left, top, right, bottom], sheet);
  if (!field) return null;
  for (const way of ways)
    for (let i = way.length === 1 ? 0 : 1; i < way.length; i++) stamp(field, way[Math.max(0, i - 1)], way[i]);
  return field;
}

/** The nodes of a box and its reach, as far as they lie on the sheet; nothing is inside yet. */
function emptyField(
  [left, top, right, bottom]: readonly [number, number, number, number],
  { widthMm, heightMm }: SheetSize,
): OutlineField | null {
  const before = (mm: number): number => Math.max(-1, Math.floor((mm - FIELD_REACH_MM) / FIELD_MM));
  const after = (mm: number, most: number): number =>
    Math.min(Math.ceil(most / FIELD_MM) + 1, Math.ceil((mm + FIELD_REACH_MM) / FIELD_MM));
  const [column, row] = [before(left), before(top)];
  const columns = after(right, widthMm) - column + 1;
  const rows = after(bottom, heightMm) - row + 1;
  if (!(columns > 1 && rows > 1)) return null;
  return { column, row, columns, rows, depth: new Float32Array(columns * rows).fill(-FIELD_REACH_MM) };
}

/** What lies within a field's reach of a stretch of way. */
function stamp({ column, row, columns, rows, depth }: OutlineField, from: Mark, to: Mark): void {
  const [ax, ay, fromRadius] = from;
  const [dx, dy, wider] = [to[0] - ax, to[1] - ay, to[2] - fromRadius];
  const length2 = dx * dx + dy * dy;
  const reach = Math.max(fromRadius, to[2]) + FIELD_REACH_MM;
  const first = (mm: number, start: number): number =>
    Math.max(0, Math.ceil((mm - reach) / FIELD_MM) - start);
  const last = (mm: number, start: number, most: number): number =>
    Math.min(most - 1, Math.floor((mm + reach) / FIELD_MM) - start);
  const bottom = last(Math.max(ay, to[1]), row, rows);
  const right = last(Math.max(ax, to[0]), column, columns);
  for (let y = first(Math.min(ay, to[1]), row); y <= bottom; y++)
    for (let x = first(Math.min(ax, to[0]), column); x <= right; x++) {
      const [px, py] = [(column + x) * FIELD_MM - ax, (row + y) * FIELD_MM - ay];
      const t = length2 > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / length2)) : 0;
      const [ox, oy] = [px - t * dx, py - t * dy];
      const deep = fromRadius + t * wider - Math.sqrt(ox * ox + oy * oy);
      const at = y * columns + x;
      if (deep > depth[at]) depth[at] = Math.min(FIELD_REACH_MM, deep);
    }
}

type Ring = readonly (readonly [number, number])[];

/** Inside by the even-odd rule; a slit that leads into a hole and back is no edge. */
function ofRing(ring: Ring, sheet: SheetSize): OutlineField | null {
  const xs = ring.map(([x]) => x);
  const ys = ring.map(([, y]) => y);
  const field = emptyField([Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)], sheet);
  if (!field) return null;
  const { column, row, columns, rows, depth } = field;
  const edges = withoutSlits(ring);
  const away = new Float32Array(depth.length).fill(FIELD_REACH_MM);
  const outline = { ...field, depth: new Float32Array(depth.length).fill(-FIELD_REACH_MM) };
  for (const [[ax, ay], [bx, by]] of edges) stamp(outline, [ax, ay, 0], [bx, by, 0]);
  for (let at = 0; at < away.length; at++) away[at] = -outline.depth[at];
  for (let y = 0; y < rows; y++) {
    const level = (row + y) * FIELD_MM;
    const crossings: number[] = [];
    for (const [[ax, ay], [bx, by]] of edges)
      if (ay > level !== by > level) crossings.push(((bx - ax) * (level - ay)) / (by - ay) + ax);
    crossings.sort((a, b) => a - b);
    let passed = 0;
    for (let x = 0; x < columns; x++) {
      while (passed < crossings.length && crossings[passed] <= (column + x) * FIELD_MM) passed++;
      const at = y * columns + x;
      depth[at] = passed % 2 === 1 ? away[at] : -away[at];
    }
  }
  return field;
}

type Edge = readonly [Ring[number], Ring[number]];

/** The edges of a ring but for those it passes both ways. */
function withoutSlits(ring: Ring): Edge[] {
  const edges = new Map<string, Edge>();
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    if (!edges.delete(`${b.join()} ${a.join()}`)) edges.set(`${a.join()} ${b.join()}`, [a, b]);
  });
  return [...edges.values()];
}

/** What lies in either of two fields. */
export function unitedFields(one: OutlineField, other: OutlineField): OutlineField {
  const column = Math.min(one.column, other.column);
  const row = Math.min(one.row, other.row);
  const columns = Math.max(one.column + one.columns, other.column + other.columns) - column;
  const rows = Math.max(one.row + one.rows, other.row + other.rows) - row;
  const same = columns === one.columns && rows === one.rows;
  const field = same
    ? one
    : { column, row, columns, rows, depth: new Float32Array(columns * rows).fill(-FIELD_REACH_MM) };
  for (const from of same ? [other] : [one, other])
    for (let y = 0; y < from.rows; y++)
      for (let x = 0; x < from.columns; x++) {
        const at = (from.row + y - row) * columns + from.column + x - column;
        field.depth[at] = Math.max(field.depth[at], from.depth[y * from.columns + x]);
      }
  return field;
}

/** What of a field lies outside another. */
export function fieldWithout(one: OutlineField, other: OutlineField): OutlineField {
  const depth = one.depth.slice();
  const [left, right] = [Math.max(one.column, other.column), Math.min(endOf(one), endOf(other))];
  const [top, bottom] = [Math.max(one.row, other.row), Math.min(footOf(one), footOf(other))];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const at = (y - one.row) * one.columns + x - one.column;
      depth[at] = Math.min(depth[at], -other.depth[(y - other.row) * other.columns + x - other.column]);
    }
  return { ...one, depth };
}

const endOf = ({ column, columns }: OutlineField): number => column + columns;
const footOf = ({ row, rows }: OutlineField): number => row + rows;

/** Whether two fields come so near each other, mm. */
export function meets(one: OutlineField, other: OutlineField, withinMm: number): boolean {
  const [left, right] = [Math.max(one.column, other.column), Math.min(endOf(one), endOf(other))];
  const [top, bottom] = [Math.max(one.row, other.row), Math.min(footOf(one), footOf(other))];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++)
      if (
        one.depth[(y - one.row) * one.columns + x - one.column] > -withinMm &&
        other.depth[(y - other.row) * other.columns + x - other.column] > -withinMm
      )
        return true;
  return false;
}

/** How deep a place of the sheet lies in a field, mm. */
export function depthAt(
  { column, row, columns, rows, depth }: OutlineField,
  xMm: number,
  yMm: number,
): number {
  const x = xMm / FIELD_MM - column;
  const y = yMm / FIELD_MM - row;
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  if (x0 < 0 || y0 < 0 || x0 >= columns - 1 || y0 >= rows - 1) return -FIELD_REACH_MM;
  const [u, v] = [x - x0, y - y0];
  const at = y0 * columns + x0;
  const above = depth[at] + u * (depth[at + 1] - depth[at]);
  const below = depth[at + columns] + u * (depth[at + columns + 1] - depth[at + columns]);
  return above + v * (below - above);
}
