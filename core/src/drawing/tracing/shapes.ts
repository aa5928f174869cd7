import type { Attributes } from './read-xml';

/** The drawing elements of an SVG that can be traced, each as a path; `null` for one that draws nothing. SVG 2, §9 and §10. */
export const SHAPES: Readonly<Record<string, (attributes: Attributes) => string | null>> = {
  path: ({ d }) => d?.trim() || null,
  line: (a) => `M${num(a, 'x1')} ${num(a, 'y1')}L${num(a, 'x2')} ${num(a, 'y2')}`,
  polyline: ({ points }) => (points?.trim() ? `M${points.trim()}` : null),
  polygon: ({ points }) => (points?.trim() ? `M${points.trim()}Z` : null),
  rect: (a) => {
    const [x, y, w, h] = [num(a, 'x'), num(a, 'y'), num(a, 'width'), num(a, 'height')];
    return w > 0 && h > 0 ? `M${x} ${y}H${x + w}V${y + h}H${x}Z` : null;
  },
  circle: (a) => oval(num(a, 'cx'), num(a, 'cy'), num(a, 'r'), num(a, 'r')),
  ellipse: (a) => oval(num(a, 'cx'), num(a, 'cy'), num(a, 'rx'), num(a, 'ry')),
};

/** A number of an attribute; what is missing or no number counts as nothing, as a browser has it. */
function num(attributes: Attributes, name: string): number {
  const value = Number.parseFloat(attributes[name] ?? '');
  return Number.isFinite(value) ? value : 0;
}

const oval = (x: number, y: number, rx: number, ry: number): string | null =>
  rx > 0 && ry > 0 ? `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z` : null;
