import type { PanelAct, StrokePoint } from './panel-act';

/** What happens at one moment: a whole act, or the part of a stroke that the brush was then at. */
export interface PanelEvent {
  readonly atS: number;
  readonly act: PanelAct;
  /** Where the act stands, for messages. */
  readonly field: string;
  /** Of a stroke, the places the brush comes to now. */
  readonly points: readonly StrokePoint[] | null;
  /** Nothing more of the act follows. */
  readonly ends: boolean;
}

/** What happens when acts are done, in the order of time; at the same time acts keep their order. */
export function eventsOf(acts: readonly { readonly act: PanelAct; readonly field: string }[]): PanelEvent[] {
  return acts.flatMap(({ act, field }) => partsOf(act, field)).sort((a, b) => a.atS - b.atS);
}

/** A stroke is taken on by so many places before whoever paints may stop. */
const PLACES_AT_ONCE = 20;

function partsOf(act: PanelAct, field: string): PanelEvent[] {
  if (act.kind !== 'stroke') return [{ atS: act.atS, act, field, points: null, ends: true }];
  const parts: StrokePoint[][] = [];
  let nowS = NaN;
  for (const point of act.points) {
    const atS = point[3] ?? act.atS;
    if (atS === nowS && parts.at(-1)!.length < PLACES_AT_ONCE) parts.at(-1)!.push(point);
    else parts.push([point]);
    nowS = atS;
  }
  return parts.map((points, i) => ({
    ...{ atS: points[0][3] ?? act.atS, act, field, points },
    ends: i === parts.length - 1,
  }));
}
