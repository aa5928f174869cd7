import { asParts, deedOf, type Part, type Plan } from '@kettle/core/document/plan';
import { dryBand, type WetSpan } from '@kettle/core/order/schedule';
import { formatClock, formatSpan } from '@kettle/core/kit/units';
import type { StageEnds } from '@kettle/core/simulation/water';
import type { LookAhead } from '../../workers/table-api';
import { actInWords } from '../../ui/act-words';
import { halfStrand, strandOutline } from '../../ui/strand.view';

export type WetStage = 'puddled' | 'shiny' | 'satin' | 'damp' | 'cool';

/** A part of a strand in one stage of wetness, as a filled SVG path, px. */
export interface StrandPart {
  readonly stage: WetStage | 'laying';
  readonly path: string;
}

/** One area's water through time. */
export interface Strand {
  readonly area: string;
  readonly name: string;
  readonly y: number;
  readonly parts: readonly StrandPart[];
  /** Washes on it: when laid and when dry (or wetted again), s. */
  readonly spans: readonly { readonly act: string; readonly laidS: number; readonly untilS: number }[];
}

export interface DriftMark {
  readonly id: string;
  readonly x: number;
  readonly width: number;
  readonly label: string;
}

/** Everything the drift line draws; lengths in px, times in s. */
export interface DriftDrawing {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly endS: number;
  readonly pxPerS: number;
  readonly handsY: number;
  readonly hands: readonly DriftMark[];
  readonly waits: readonly DriftMark[];
  /** The heat tool while it is on; none where it is never taken up. */
  readonly heat: { readonly y: number; readonly marks: readonly DriftMark[] } | null;
  /** Between when and when a strand is dry, four days in five. */
  readonly bands: readonly (DriftMark & { readonly y: number })[];
  /** When something may be added to a wash that is still wet, to its latest start. */
  readonly windows: readonly (DriftMark & { readonly y: number })[];
  readonly strands: readonly Strand[];
  readonly masks: readonly {
    readonly area: string;
    readonly y: number;
    readonly x: number;
    readonly width: number;
    readonly setX: number;
    readonly label: string;
  }[];
  readonly pegs: readonly {
    readonly pass: string;
    readonly x: number;
    readonly y: number;
    readonly number: number;
    readonly stop: boolean;
  }[];
  readonly ticks: readonly { readonly x: number; readonly label: string }[];
}

/** Room for the names of the rows, and how much a letter of them takes. */
const [LEAST_LEFT_PX, MOST_LEFT_PX, LETTER_PX] = [92, 150, 7];
const RIGHT_PX = 34;
const HANDS_Y = 26;
const FIRST_ROW_Y = 64;
/** Rows of many strands lie closer, as far as their water still has room. */
const ROW_PX = 40;
const LEAST_ROW_PX = 27;
const ROWS_PX = 175;
const AXIS_PX = 26;

/** Waits shorter than this need no word, s. */
const WORTH_A_WORD_S = 90;

/** Where times and rows of a plan come to lie on the drawing. */
interface Scale {
  readonly leftPx: number;
  readonly endS: number;
  readonly pxPerS: number;
  readonly x: (s: number) => number;
  readonly rowPx: number;
  /** Things and areas that are wetted or masked, and masks drawn by hand: what has a row. */
  readonly rows: readonly Part[];
  /** The height of the row of an area or mask. */
  readonly rowOf: ReadonlyMap<string, number>;
  /** What begins on the drawing. */
  readonly steps: LookAhead['timeline']['steps'];
  readonly heats: LookAhead['timeline']['steps'];
}

function scaleOf({ plan, timeline }: LookAhead, width: number, leastEndS: number): Scale {
  const endS = Math.max(leastEndS, paintingEnd(timeline));
  // What only lies under another's wash has no line of its own.
  const wetted = plan.areas.filter(
    ({ id }) =>
      (timeline.washes.some(({ area }) => area === id) && isPainted(plan, id)) ||
      timeline.masks.some(({ area }) => area === id),
  );
  // What is masked by hand has no water of its own, but a line for its mask.
  const byHand = plan.resists.filter(({ id }) => timeline.masks.some((m) => m.area === id));
  const rows = asParts(
    plan,
    [...wetted, ...byHand].map(({ id }) => id),
  );
  const longest = Math.max(0, ...rows.map(({ name }) => name.length));
  const leftPx = Math.min(MOST_LEFT_PX, Math.max(LEAST_LEFT_PX, 24 + LETTER_PX * longest));
  const pxPerS = (width - leftPx - RIGHT_PX) / endS;
  const heats = timeline.steps.filter(({ act }) => deedOf(act) === 'warms');
  const heatRows = heats.length > 0 ? 1 : 0;
  const rowPx = Math.max(LEAST_ROW_PX, Math.min(ROW_PX, ROWS_PX / (rows.length + heatRows)));
  return {
    ...{ leftPx, endS, pxPerS, rows, rowPx, heats },
    x: (s) => leftPx + Math.min(s, endS) * pxPerS,
    rowOf: new Map(
      rows.flatMap(({ members }, i) =>
        members.map((member) => [member, FIRST_ROW_Y + (i + heatRows) * rowPx] as const),
      ),
    ),
    steps: timeline.steps.filter(({ startS }) => startS < endS),
  };
}

const isPainted = ({ acts }: Plan, area: string): boolean =>
  acts.some(({ kind, areas }) => kind === 'pass' && areas.includes(area));

/** The hands, every area and every mask through time, for a drawing `width` px wide; it shows no less than `leastEndS`. */
export function driftDrawing(ahead: LookAhead, width: number, leastEndS = 0): DriftDrawing {
  const scale = scaleOf(ahead, width, leastEndS);
  const { endS, pxPerS, x, rows, rowPx, heats } = scale;
  const heatRows = heats.length > 0 ? 1 : 0;
  return {
    width,
    height: FIRST_ROW_Y + Math.max(1, rows.length + heatRows) * rowPx + AXIS_PX - 14,
    left: scale.leftPx,
    endS,
    pxPerS,
    handsY: HANDS_Y,
    hands: scale.steps.map((step) => handsMark(ahead.plan, step, x)),
    waits: scale.steps.flatMap((step) => waitMark(step, x)),
    heat:
      heatRows === 0 ? null : { y: FIRST_ROW_Y, marks: heats.map((step) => handsMark(ahead.plan, step, x)) },
    // Where another's wash lies on an area, that one tells when it is dry.
    bands: oncePlaced(
      ahead.timeline.washes.flatMap((wash) => (wash.area === wash.through ? dryBandMark(wash, scale) : [])),
    ),
    windows: oncePlaced(scale.steps.flatMap((step) => windowMarks(ahead.plan, step, scale))),
    strands: rows.map((row) => strandOf(row, ahead.timeline, scale)),
    masks: oncePlaced(ahead.timeline.masks.map((mask) => maskMark(mask, scale))),
    pegs: oncePlaced(pegsOf(ahead, scale)),
    ticks: ticks(endS, pxPerS).map((s) => ({ x: x(s), label: s === 0 ? '0' : formatSpan(s) })),
  };
}

/** Of marks that lie at one place, as those of the parts of a thing do, the first. */
const oncePlaced = <T extends { readonly x: number; readonly y: number }>(marks: readonly T[]): T[] =>
  [...new Map(marks.toReversed().map((mark) => [`${mark.x.toFixed(1)} ${mark.y}`, mark])).values()].reverse();

type Step = Scale['steps'][number];

/** What the hands do, while they do it. */
const handsMark = (plan: Plan, { act, startS, endS }: Step, x: Scale['x']): DriftMark => ({
  ...{ id: act.id, x: x(startS), width: Math.max(2, x(endS) - x(startS)) },
  label: actInWords(plan, act),
});

/** A wait of the hands that is worth a word. */
function waitMark({ act, startS, waited }: Step, x: Scale['x']): DriftMark[] {
  if (!waited || startS - waited.fromS <= WORTH_A_WORD_S) return [];
  return [
    {
      ...{ id: act.id, x: x(waited.fromS), width: x(startS) - x(waited.fromS) },
      label: `wait ${formatSpan(startS - waited.fromS)}`,
    },
  ];
}

function dryBandMark(wash: WetSpan, { x, rowOf }: Scale): DriftDrawing['bands'] {
  const band = dryBand(wash);
  // What is wetted again before it may be dry has no end of its own.
  if (!band || wash.untilS < band[0] || !rowOf.has(wash.area)) return [];
  return [
    {
      ...{ id: `${wash.act}/${wash.area}`, y: rowOf.get(wash.area)! },
      ...{ x: x(band[0]), width: x(band[1]) - x(band[0]) },
      label: `dry between ${formatSpan(band[0] - wash.laidS)} and ${formatSpan(band[1] - wash.laidS)} after it is laid, four days in five`,
    },
  ];
}

/** When a pass may go into the washes it meets. */
const windowMarks = (plan: Plan, { act, windows }: Step, { x, rowOf }: Scale): DriftDrawing['windows'] =>
  windows.flatMap(({ area, earliestS, latestS }) =>
    latestS === null || earliestS > latestS
      ? []
      : [
          {
            ...{ id: `${act.id}/${area}`, y: rowOf.get(area)! },
            ...{ x: x(earliestS), width: x(latestS) - x(earliestS) },
            label: `${actInWords(plan, act)}: start no later than ${formatClock(latestS)}`,
          },
        ],
  );

/** The water of a row as it comes and goes. */
function strandOf(
  { id, name, members }: Part,
  { washes }: LookAhead['timeline'],
  { x, rowOf, steps }: Scale,
): Strand {
  const y = rowOf.get(members[0])!;
  const spans = slowest(washes.filter((w) => members.includes(w.area))).sort((a, b) => a.laidS - b.laidS);
  return {
    area: id,
    name: fitted(name),
    y,
    spans: spans.map(({ act, laidS, untilS }) => ({ act, laidS, untilS })),
    parts: spans.flatMap((span, i) => {
      const startS = steps.find(({ act }) => act.id === span.act)?.startS ?? span.laidS;
      const freshlyWet = i === 0 || spans[i - 1].untilS < span.laidS;
      return [...(freshlyWet ? [laying(span, startS, x, y)] : []), ...drying(span, x, y)];
    }),
  };
}

/** A name as far as there is room for it. */
const MOST_LETTERS = Math.floor((MOST_LEFT_PX - 24) / LETTER_PX);
const fitted = (name: string): string =>
  name.length <= MOST_LETTERS ? name : `${name.slice(0, MOST_LETTERS - 1)}…`;

/** Of the parts of a thing that one pass wets, the one that is wet longest. */
function slowest(spans: readonly WetSpan[]): WetSpan[] {
  const longest = new Map<string, WetSpan>();
  for (const span of spans) {
    const key = `${span.act} ${span.laidS}`;
    if ((longest.get(key)?.untilS ?? -1) < span.untilS) longest.set(key, span);
  }
  return [...longest.values()];
}

const maskMark = (
  { area, onS, setS, offS }: LookAhead['timeline']['masks'][number],
  { x, endS, rowOf }: Scale,
): DriftDrawing['masks'][number] => ({
  area,
  y: rowOf.get(area)!,
  x: x(onS),
  width: x(offS ?? endS) - x(onS),
  setX: x(setS ?? endS),
  label: setS === null ? 'never sets' : `set after ${formatSpan(setS - onS)}`,
});

/** A peg for each area of each pass; red where something stops it. */
function pegsOf({ plan, findings }: LookAhead, { x, rowOf, steps }: Scale): DriftDrawing['pegs'] {
  const stopped = new Set(findings.filter((f) => f.severity === 'stop').map((f) => f.where.pass));
  const numbers = new Map(plan.acts.map((act, i) => [act.id, i + 1]));
  return steps.flatMap(({ act, startS }) =>
    act.kind === 'pass'
      ? act.areas.map((area) => ({
          pass: act.id,
          x: x(startS),
          y: rowOf.get(area) ?? HANDS_Y,
          number: numbers.get(act.id)!,
          stop: stopped.has(act.id),
        }))
      : [],
  );
}

/** The drift line ends when the last wash is dry and the last mask off; pressing overnight is for Finish. */
function paintingEnd({ steps, washes, masks }: LookAhead['timeline']): number {
  const passes = steps.filter(({ act }) => act.kind === 'pass').map(({ endS }) => endS);
  const ends = [...passes, ...washes.map((w) => w.untilS), ...masks.map((m) => m.offS ?? m.setS ?? m.onS)];
  const lastHands = ends.length === 0 ? steps.map(({ endS }) => endS) : ends;
  return Math.max(600, ...lastHands) * 1.03;
}

/** While it is being laid, a strand swells from nothing. */
function laying(span: WetSpan, startS: number, x: (s: number) => number, y: number): StrandPart {
  const half = halfStrand(span.filmUm, span.course.paperGm2[0]);
  return {
    stage: 'laying',
    path: `M${px(x(startS))} ${y}Q${px(x(startS))} ${px(y - half)} ${px(x(span.laidS))} ${px(y - half)}V${px(y + half)}Q${px(x(startS))} ${px(y + half)} ${px(x(startS))} ${y}Z`,
  };
}

function drying(span: WetSpan, x: (s: number) => number, y: number): StrandPart[] {
  let fromS = span.laidS;
  return stageOrder(span.course.stages).flatMap(([stage, endS]) => {
    const toS = Math.min(span.untilS, endS === null ? span.untilS : span.laidS + endS * span.factor);
    if (toS <= fromS) return [];
    const part = { stage, path: strandOutline(span, fromS, toS, x, y) };
    fromS = toS;
    return [part];
  });
}

const stageOrder = (ends: StageEnds): [WetStage, number | null][] => [
  ['puddled', ends.puddledEndS],
  ['shiny', ends.shinyEndS],
  ['satin', ends.satinEndS],
  ['damp', ends.dampEndS],
  ['cool', ends.coolEndS],
];

const px = (value: number): string => value.toFixed(1);

/** Round times not closer than some 70 px. */
function ticks(endS: number, pxPerS: number): number[] {
  const step = [60, 300, 600, 900, 1800, 3600, 7200, 14400].find((s) => s * pxPerS >= 70) ?? 28800;
  return Array.from({ length: Math.floor(endS / step) + 1 }, (_, i) => i * step);
}
