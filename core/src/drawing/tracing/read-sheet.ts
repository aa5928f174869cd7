import { linesOfPath, type Point } from '../../kit/geometry';
import { LINE_KINDS, type Area, type LineKind, type PencilLine } from '../sketch';
import { BadInput } from '../../kit/units';
import { readXml, type Attributes } from './read-xml';

/** By this the sheets are known that this program has written itself. */
export const OWN_SHEET = 'data-kettle-sheet';

/**
 * The lines and areas of a trace sheet as this program writes it, just as they were; `null` for any other drawing. Throws
 * `BadInput` on `drawing` for a sheet that has been damaged.
 */
export function readTraceSheet(
  text: string,
  newId: () => string,
): { readonly lines: PencilLine[]; readonly areas: Area[] } | null {
  const lines: PencilLine[] = [];
  const areas: Area[] = [];
  const state = { own: false, depth: 0 };
  readXml(text, {
    open: (name, attributes) => {
      if (state.depth++ === 0) state.own = name === 'svg' && attributes[OWN_SHEET] !== undefined;
      if (!state.own) return;
      if (attributes['class'] === 'pencil') lines.push(pencilLine(attributes, newId()));
      if (attributes['class'] === 'area') areas.push(area(attributes, newId()));
    },
    close: () => {
      state.depth--;
    },
  });
  return state.own ? { lines, areas } : null;
}

function pencilLine(attributes: Attributes, id: string): PencilLine {
  const points = (attributes['points'] ?? '')
    .trim()
    .split(/\s+/)
    .map((pair) => pair.split(',').map(Number));
  const pressures = (attributes['data-pressure'] ?? '').trim().split(/\s+/).map(Number);
  const kind = attributes['data-kind'] as LineKind;
  const whole =
    LINE_KINDS.includes(kind) &&
    pressures.length === points.length &&
    points.every((point) => point.length === 2 && point.every(Number.isFinite)) &&
    pressures.every((pressure) => pressure >= 0 && pressure <= 1);
  if (!whole) throw new BadInput('drawing', 'is a trace sheet of which a line is damaged');
  return { id, kind, points: points.map(([x, y], i) => [x, y, pressures[i]] as const) };
}

function area(attributes: Attributes, id: string): Area {
  const name = attributes['data-name'] ?? '';
  let outline: Point[][];
  try {
    outline = linesOfPath(attributes['d'] ?? '', 1).map(({ points }) => points);
  } catch (cause) {
    if (!(cause instanceof RangeError)) throw cause;
    outline = [];
  }
  if (name === '' || name.length > 60 || outline.length === 0 || outline.some((ring) => ring.length < 3))
    throw new BadInput('drawing', 'is a trace sheet of which an area is damaged');
  return { id, name, outline };
}
