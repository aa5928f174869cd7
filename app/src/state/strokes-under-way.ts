import type { StrokePoint } from '@kettle/core/simulation/water';
import type { PaintedAs } from '../data/rows';

/** A stroke of paint that is not an act yet, and its places that are not on disk yet. */
interface StrokeUnderWay {
  readonly stroke: string;
  readonly as: PaintedAs;
  places: StrokePoint[];
}

/**
 * Strokes of paint in the order in which they were begun. A quick hand begins the next before the worker has said what became of
 * the last: what it tells until then is still of the first.
 */
export class StrokesUnderWay {
  private readonly strokes: StrokeUnderWay[] = [];

  get isNone(): boolean {
    return this.strokes.length === 0;
  }

  begin(stroke: string, as: PaintedAs): void {
    this.strokes.push({ stroke, as, places: [] });
  }

  add(places: readonly StrokePoint[]): void {
    this.strokes.at(0)?.places.push(...places);
  }

  /** What of each stroke is to be written, and is not to be written again. */
  take(): readonly StrokeUnderWay[] {
    const fresh = this.strokes.filter(({ places }) => places.length > 0).map((one) => ({ ...one }));
    for (const one of this.strokes) one.places = [];
    return fresh;
  }

  /** The stroke begun first is over; the answer is which that was. */
  end(): string | null {
    return this.strokes.shift()?.stroke ?? null;
  }
}
