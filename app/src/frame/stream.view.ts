import { sizesOf, stillToCrop, STATIONS, type Plan, type Station } from '@kettle/core/document/plan';

/** How a station stands on the stream. */
export interface StreamStop {
  readonly station: Station;
  readonly name: string;
  readonly state: 'open' | 'dry' | 'not-needed';
  readonly findings: number;
  /** Centre of its mark, px in the drawing. */
  readonly x: number;
  readonly y: number;
}

/** Size of the drawn stream, px. */
export const STREAM = { width: 580, height: 34 };

const NAMES: Readonly<Record<Station, string>> = {
  brief: 'Brief',
  paper: 'Paper',
  sketch: 'Sketch',
  whites: 'Whites',
  colours: 'Colours',
  passes: 'Passes',
  sitting: 'Sitting',
  finish: 'Finish',
};

/** A stream does not run straight: a slow bend and a quicker one on top, px. */
export const streamHeight = (x: number): number =>
  STREAM.height / 2 + 5 * Math.sin(x / 74) + 2.2 * Math.sin(x / 29 + 1);

/** The line of the stream as an SVG path. */
export const streamPath = (): string =>
  `M${Array.from({ length: STREAM.width / 4 + 1 }, (_, i) => `${i * 4} ${streamHeight(i * 4).toFixed(1)}`).join('L')}`;

/** The stations in the order painters work, each with its state and open findings. */
export function streamStops(plan: Plan, findings: ReadonlyMap<Station, number>): StreamStop[] {
  const step = STREAM.width / STATIONS.length;
  return STATIONS.map((station, i) => {
    const x = step * (i + 0.5);
    const state = plan.notNeeded.includes(station)
      ? 'not-needed'
      : isComplete(plan, station)
        ? 'dry'
        : 'open';
    return {
      station,
      name: NAMES[station],
      state,
      findings: findings.get(station) ?? 0,
      x,
      y: streamHeight(x),
    };
  });
}

/** Has a station what the ones after it build on? */
function isComplete(plan: Plan, station: Station): boolean {
  const done = new Set(plan.sitting?.events.flatMap((event) => (event.kind === 'done' ? [event.act] : [])));
  switch (station) {
    case 'brief':
      return plan.brief.occasion !== '' && plan.brief.needBy !== null;
    case 'paper':
      return !stillToCrop(plan) && sizesOf(plan).fits;
    case 'sketch':
      return plan.areas.length > 0;
    case 'whites':
      return plan.whites.length > 0;
    case 'colours':
      return plan.mixes.length > 0;
    case 'passes':
      return plan.acts.some((act) => act.kind === 'pass');
    case 'sitting':
      return (
        plan.acts.some((act) => act.kind === 'pass') &&
        plan.acts.every((act) => act.kind !== 'pass' || done.has(act.id))
      );
    case 'finish':
      return plan.acts.length > 0 && plan.acts.every((act) => done.has(act.id));
  }
}
