import { sameSeen, type Seen } from './board-view';
import { lineColour, linePath2d, type BoardLine } from './line-mark';

/** Of a frame's time so much goes into drawing lines, ms; the rest of them wait for the next frame. */
const SLICE_MS = 4;

/** So many lines are drawn before the time is looked at. */
const A_FEW = 25;

/** A size in px. */
type Size = readonly [width: number, height: number];

/**
 * All lines of a panel drawn once into a picture, a few at a time, out of sight; when it is done it takes the place of
 * the one before. A line that is added is drawn on top at once.
 */
export class LineSheet {
  private front: HTMLCanvasElement;
  private back: HTMLCanvasElement;
  private lines: readonly BoardLine[] = [];
  private seen: Seen | null = null;
  private frame = 0;

  constructor(host: HTMLElement) {
    this.front = canvasIn(host);
    this.back = canvasIn(host);
  }

  /**
   * Draws lines as they are seen on a sheet of a size, px, and calls `fresh` in the same breath as they appear. What has
   * only been added to is not drawn anew.
   */
  show(lines: readonly BoardLine[], seen: Seen, size: Size, fresh: () => void): void {
    const before = this.lines;
    this.lines = lines;
    const same = this.seen && this.frame === 0 && sameSeen(this.seen, seen) && isOf(this.front, size);
    if (same && lines.length >= before.length && before.every((line, i) => line === lines[i])) {
      const context = drawingOn(this.front, seen);
      for (const line of lines.slice(before.length)) draw(context, line);
      fresh();
    } else this.drawAnew(seen, size, fresh);
  }

  destroy(): void {
    cancelAnimationFrame(this.frame);
  }

  private drawAnew(seen: Seen, size: Size, fresh: () => void): void {
    cancelAnimationFrame(this.frame);
    const dots = window.devicePixelRatio;
    [this.back.width, this.back.height] = [Math.round(size[0] * dots), Math.round(size[1] * dots)];
    const context = drawingOn(this.back, seen);
    let next = 0;
    const slice = (): void => {
      const until = performance.now() + SLICE_MS;
      while (next < this.lines.length && performance.now() < until) {
        for (const line of this.lines.slice(next, next + A_FEW)) draw(context, line);
        next += A_FEW;
        // The browser puts drawing off until it is looked at, and would then do all of it in one go.
        context.getImageData(0, 0, 1, 1);
      }
      if (next < this.lines.length) {
        this.frame = requestAnimationFrame(slice);
        return;
      }
      this.frame = 0;
      [this.front, this.back] = [this.back, this.front];
      this.front.style.visibility = 'visible';
      this.back.style.visibility = 'hidden';
      this.seen = seen;
      fresh();
    };
    slice();
  }
}

function canvasIn(host: HTMLElement): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.style.cssText = 'position:absolute;inset:0;width:100%;height:100%;pointer-events:none';
  host.append(canvas);
  return canvas;
}

const isOf = (canvas: HTMLCanvasElement, [width]: Size): boolean =>
  canvas.width === Math.round(width * window.devicePixelRatio);

/** A context that draws in mm of the panel as it is seen. */
function drawingOn(canvas: HTMLCanvasElement, { scale, turnDeg, corner }: Seen): CanvasRenderingContext2D {
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  const dots = window.devicePixelRatio;
  context.setTransform(dots, 0, 0, dots, dots * corner[0], dots * corner[1]);
  context.rotate((turnDeg * Math.PI) / 180);
  context.scale(scale, scale);
  return context;
}

function draw(context: CanvasRenderingContext2D, line: BoardLine): void {
  context.fillStyle = lineColour(line);
  context.fill(linePath2d(line));
}
