import { depthAt, FIELD_MM } from './outline-field';
import type { PaintedLayer } from './painted-outlines';

/** A box of pixels of a sheet that has `pxPerMm` of them to the mm. */
export interface PixelBox {
  readonly pxPerMm: number;
  readonly left: number;
  readonly top: number;
  readonly columns: number;
  readonly rows: number;
}

/**
 * A box of pixels divided by the outlines of its layers: a *zone* is what lies in the same of them. Edges are soft for about a
 * pixel: one that lies on an edge is covered by its own zone only so far, and for the rest by the zone beyond.
 */
export interface PixelZones {
  /** The zone a pixel's middle lies in; zone 0 lies in no layer, `[row · columns + column]`. */
  readonly zone: Uint16Array;
  /** The zone beyond its nearest edge, and the share of the pixel that its own covers, ½…1. */
  readonly beyond: Uint16Array;
  readonly cover: Float32Array;
  /** Height there of a line along the nearest outline, of its own height. */
  readonly line: Float32Array;
}

/** How a pixel's share in its zone falls as its edge comes nearer, per pixel (Green 2007). */
const SOFTNESS = 0.8;

/**
 * Divides a box of pixels; `roughness` is by how much the paper's relief moves every outline to and fro at a pixel, mm.
 */
export function dividedPixels(
  box: PixelBox,
  layers: readonly Pick<PaintedLayer, 'field'>[],
  roughness: (pixel: number) => number,
): PixelZones {
  const { pxPerMm, left, top, columns, rows } = box;
  const n = columns * rows;
  const names = new ZoneNames();
  const zone = new Uint16Array(n);
  const beyond = new Uint16Array(n);
  const nearest = new Uint16Array(n);
  const edgeMm = new Float32Array(n).fill(FAR_MM);
  for (const [layer, { field }] of layers.entries()) {
    const [x0, x1] = spanOf(field.column, field.columns, pxPerMm, left, columns);
    const [y0, y1] = spanOf(field.row, field.rows, pxPerMm, top, rows);
    for (let row = y0; row < y1; row++)
      for (let column = x0; column < x1; column++) {
        const at = row * columns + column;
        const depth =
          depthAt(field, (left + column + 0.5) / pxPerMm, (top + row + 0.5) / pxPerMm) - roughness(at);
        if (depth > 0) zone[at] = names.within(zone[at], layer);
        const away = Math.abs(depth);
        if (away < edgeMm[at]) {
          edgeMm[at] = away;
          nearest[at] = layer;
        }
      }
  }
  const cover = new Float32Array(n).fill(1);
  for (let at = 0; at < n; at++) {
    const share = 0.5 + SOFTNESS * edgeMm[at] * pxPerMm;
    if (share >= 1) continue;
    cover[at] = share;
    beyond[at] = names.across(zone[at], nearest[at]);
  }
  return { zone, beyond, cover, line: edgeMm.map(lineAt) };
}

/** Paint heaped on an edge lies in a line that falls to 1/e over this, mm (Deegan 1997; Popov 2005; fitted). */
const RIM_MM = 0.23;
const LINE_ENDS_MM = 5 * RIM_MM;

const lineAt = (edgeMm: number): number => (edgeMm < LINE_ENDS_MM ? Math.exp(-edgeMm / RIM_MM) : 0);

/** Farther from any outline than fields tell, mm. */
const FAR_MM = 1e3;

/** Pixels of a line whose middles a field's nodes hold. */
function spanOf(
  first: number,
  nodes: number,
  pxPerMm: number,
  start: number,
  most: number,
): readonly [number, number] {
  const nodePx = FIELD_MM * pxPerMm;
  return [
    Math.max(0, Math.floor(first * nodePx - start)),
    Math.min(most, Math.ceil((first + nodes) * nodePx - start)),
  ];
}

/** Gives every set of layers that some pixel lies in a number of its own. */
class ZoneNames {
  private readonly members: (readonly number[])[] = [[]];
  private readonly known = new Map<number, number>();

  /** What of a zone lies within one more layer; layers come in their order. */
  within(zone: number, layer: number): number {
    const key = zone * MOST_LAYERS + layer;
    const found = this.known.get(key);
    if (found !== undefined) return found;
    // What has no number left is told with the zone it lies in.
    const name = this.members.length < MOST_ZONES ? this.members.length : zone;
    if (name !== zone) this.members.push([...this.members[zone], layer]);
    this.known.set(key, name);
    return name;
  }

  /** The zone on the other side of a layer's outline. */
  across(zone: number, layer: number): number {
    const key = -1 - (zone * MOST_LAYERS + layer);
    const found = this.known.get(key);
    if (found !== undefined) return found;
    const inside = this.members[zone];
    const others = inside.includes(layer)
      ? inside.filter((one) => one !== layer)
      : [...inside, layer].sort((a, b) => a - b);
    const name = others.reduce((from, one) => this.within(from, one), 0);
    this.known.set(key, name);
    return name;
  }
}

const MOST_ZONES = 65_535;
const MOST_LAYERS = 100_000;
