import svgpath from 'svgpath';
import { linesOfPath, simplifyLine, type Drawn, type Point } from '../../kit/geometry';
import { BadInput } from '../../kit/units';
import { readXml, type Attributes } from './read-xml';
import { SHAPES } from './shapes';

/** A drawing that was read: lines in mm from its own top left corner. */
export interface TracedDrawing {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly lines: readonly { readonly points: readonly Point[]; readonly closed: boolean }[];
  /** What was in it and is not traced, in words. */
  readonly leftOut: readonly string[];
}

/** What no drawing for a card needs; more is refused. Ours. */
const MOST_OF_A_PATH = 500_000;
const MOST_LINES = 3000;
const MOST_POINTS = 100_000;
const DEEPEST = 200;

/** Straight pieces stand off the curves of a drawing by no more, and points nearer to a straight line are left out, mm. */
const FLAT_MM = 0.05;

/** A px of CSS is the 96th part of an inch; a drawing that says no unit is in px. */
const MM_OF: Readonly<Record<string, number>> = {
  ...{ mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96, '': 25.4 / 96 },
};

/** Elements whose content draws nothing by itself. */
const NOT_DRAWN = new Set([
  'defs',
  'title',
  'desc',
  'metadata',
  'style',
  'symbol',
  'clippath',
  'mask',
  'marker',
  'pattern',
]);

/** Elements that could run something or fetch something; they go without a trace, and are told. */
const HOSTILE = new Set([
  'script',
  'foreignobject',
  'iframe',
  'object',
  'embed',
  'animate',
  'animatetransform',
  'animatemotion',
  'set',
  'handler',
]);

/** Elements that show something that has no lines. */
const NO_LINES: Readonly<Record<string, string>> = {
  text: 'words',
  image: 'a picture',
  use: 'a copy of a part',
};

/**
 * Reads the lines of an SVG and nothing else of it: what could run or fetch something never leaves this function. Throws
 * `BadInput` on `drawing` for what is no SVG, is damaged, declares entities, or is larger than any card’s drawing.
 */
export function readSvg(text: string): TracedDrawing {
  const reader = new Reader();
  readXml(text, {
    open: (name, attributes) => reader.open(name, attributes),
    close: () => reader.close(),
  });
  return reader.drawing();
}

/** Goes through the elements as they come, with the turns and scales they stand under. */
class Reader {
  /** One entry an element: its transforms, and whether what is in it is drawn. */
  private readonly under: { readonly transform: string; readonly drawn: boolean }[] = [];
  private readonly lines: { points: Point[]; closed: boolean }[] = [];
  private readonly leftOut = new Map<string, number>();
  private size: { widthMm: number; heightMm: number; transform: string } | null = null;
  private points = 0;

  open(name: string, attributes: Attributes): void {
    if (this.under.length >= DEEPEST)
      throw new BadInput('drawing', `has more than ${DEEPEST} groups within groups`);
    if (this.under.length === 0) {
      if (name !== 'svg') throw new BadInput('drawing', `is no SVG but <${name}>`);
      this.size = sizeOf(attributes);
    }
    this.tellAttributes(attributes);
    const above = this.under.at(-1) ?? { transform: this.size!.transform, drawn: true };
    if (HOSTILE.has(name)) this.tell(name === 'script' ? 'a script' : `<${name}>`);
    else if (above.drawn && Object.hasOwn(NO_LINES, name)) this.tell(NO_LINES[name]);
    const drawn = above.drawn && !NOT_DRAWN.has(name) && !HOSTILE.has(name) && !isHidden(attributes);
    const transform = `${above.transform} ${attributes['transform'] ?? ''}`;
    this.under.push({ transform, drawn });
    if (drawn && Object.hasOwn(SHAPES, name)) this.draw(SHAPES[name](attributes), transform);
  }

  close(): void {
    this.under.pop();
  }

  drawing(): TracedDrawing {
    if (!this.size) throw new BadInput('drawing', 'is empty');
    if (this.lines.length === 0) throw new BadInput('drawing', 'has no lines that could be traced');
    return {
      ...{ widthMm: this.size.widthMm, heightMm: this.size.heightMm, lines: this.lines },
      leftOut: [...this.leftOut].map(([what, count]) => (count === 1 ? what : `${count} × ${what}`)),
    };
  }

  private draw(path: string | null, transform: string): void {
    if (path === null) return;
    if (path.length > MOST_OF_A_PATH)
      throw new BadInput('drawing', 'has a path longer than half a million characters');
    const read = svgpath(path);
    // A browser draws a path up to the fault in it; half a shape is no use to a painter.
    const { err } = read as unknown as { err: string };
    if (err) throw new BadInput('drawing', `has a path that cannot be read: ${err}`);
    const plain = read.transform(transform).abs().unshort().unarc();
    for (const { points, closed } of linesIn(withoutHV(plain))) {
      if (points.length < 2 || !points.flat().every((mm) => Math.abs(mm) < FAR_MM)) continue;
      const kept = simplifyLine(closed ? [...points, points[0]] : points, FLAT_MM / 2);
      this.points += kept.length;
      this.lines.push({ points: kept, closed });
      if (this.lines.length > MOST_LINES) throw new BadInput('drawing', `has more than ${MOST_LINES} lines`);
      if (this.points > MOST_POINTS) throw new BadInput('drawing', `has more than ${MOST_POINTS} points`);
    }
  }

  private tellAttributes(attributes: Attributes): void {
    for (const [name, value] of Object.entries(attributes)) {
      if (/^on/i.test(name)) this.tell('a handler');
      else if (/(^|:)href$/i.test(name) && !value?.startsWith('#')) this.tell('a link');
    }
  }

  private tell(what: string): void {
    this.leftOut.set(what, (this.leftOut.get(what) ?? 0) + 1);
  }
}

function linesIn(path: string): Drawn[] {
  try {
    return linesOfPath(path, FLAT_MM / 2);
  } catch (cause) {
    if (!(cause instanceof RangeError)) throw cause;
    throw new BadInput('drawing', 'has a shape whose numbers, or those of its turns, cannot be read');
  }
}

/** Further than this from its drawing nothing is meant to be seen, mm. */
const FAR_MM = 5000;

const isHidden = ({ display, visibility, style = '' }: Attributes): boolean =>
  display === 'none' || visibility === 'hidden' || /display:\s*none|visibility:\s*hidden/.test(style);

/** The size of a drawing and what takes its own units to mm: by `width`, `height` and `viewBox` (SVG 2, §8). */
function sizeOf({ width, height, viewBox }: Attributes): {
  widthMm: number;
  heightMm: number;
  transform: string;
} {
  const box = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const hasBox = box.length === 4 && box.every(Number.isFinite) && box[2] > 0 && box[3] > 0;
  const px = MM_OF['px'];
  const widthMm = lengthMm(width) ?? (hasBox ? box[2] * px : null);
  const heightMm = lengthMm(height) ?? (hasBox ? box[3] * px : null);
  if (
    widthMm === null ||
    heightMm === null ||
    widthMm <= 0 ||
    heightMm <= 0 ||
    widthMm > FAR_MM ||
    heightMm > FAR_MM
  )
    throw new BadInput('drawing', 'does not say how large it is: it needs width and height, or a viewBox');
  const scale = hasBox ? Math.min(widthMm / box[2], heightMm / box[3]) : px;
  const [left, top] = hasBox ? [box[0], box[1]] : [0, 0];
  const [right, down] = hasBox ? [(widthMm - scale * box[2]) / 2, (heightMm - scale * box[3]) / 2] : [0, 0];
  return {
    widthMm,
    heightMm,
    transform: `translate(${right} ${down}) scale(${scale}) translate(${-left} ${-top})`,
  };
}

function lengthMm(text: string | undefined): number | null {
  const read = /^\s*([\d.]+(?:e[-+]?\d+)?)\s*(mm|cm|in|pt|pc|px|)\s*$/i.exec(text ?? '');
  const value = read ? Number(read[1]) * MM_OF[read[2].toLowerCase()] : NaN;
  return Number.isFinite(value) ? value : null;
}

/** A path with its level and upright pieces as straight ones. */
function withoutHV(path: ReturnType<typeof svgpath>): string {
  let plain = '';
  path.iterate(([command, ...values], _, x, y) => {
    if (command === 'H') plain += `L${values[0]} ${y}`;
    else if (command === 'V') plain += `L${x} ${values[0]}`;
    else plain += command.toUpperCase() + values.join(' ');
  });
  return plain;
}
