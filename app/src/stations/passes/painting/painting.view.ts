import { cornersOf, openingOf } from '@kettle/core/commission/card';
import {
  laidMix,
  rimOf,
  planPaper,
  type HandAct,
  type Plan,
  type PlannedMix,
} from '@kettle/core/document/plan';
import { loadsByCode } from '@kettle/core/materials/pigment';
import { formatClock } from '@kettle/core/kit/units';
import {
  actOfTool,
  HAND_TOOLS,
  pressedBy,
  STAGE_WORDS,
  STAGES,
  type AskedAct,
  type HandTool,
  type Laden,
  type PanelAct,
  type Shape,
  type Stage,
} from '@kettle/core/simulation/water';
import type { AsPasses, Difference, LayerSpan } from '@kettle/core/advice/trials';
import type { Follows } from '../../../panel/painting-board';
import type { AskedStroke, BrushPlace, SheetReading, PaintingEvent } from '../../../workers/painting-api';

/** How full a brush comes to the paper, in painters’ words. */
export const LOADS = [
  { id: 'thirsty', name: 'thirsty' },
  { id: 'damp', name: 'damp' },
  { id: 'loaded', name: 'loaded' },
  { id: 'dripping', name: 'dripping' },
] as const;
export type Load = (typeof LOADS)[number]['id'];

/** All that the hand holds. */
export interface HeldInHand {
  readonly tool: HandTool;
  readonly load: Load;
  readonly dips: boolean;
  readonly mix: PlannedMix | null;
  readonly loose: boolean;
  /** An area whose stencil the tool is worked through. */
  readonly through: string | null;
}

export const TOOLS = HAND_TOOLS;
export const toolById = (id: string): HandTool => HAND_TOOLS.find((tool) => tool.id === id)!;

/** What moves the board and paints nothing. */
export const BOARD = 'board';

/** How a tool is followed. */
export function followsOf(tool: HandTool): Follows {
  if (tool.kind === 'brush') return 'as-it-goes';
  return ['tissue', 'foam', 'scrub', 'mask', 'unmask'].includes(tool.kind) ? 'way' : 'spot';
}

/** A loose hand’s strength goes up and down by so much, as a share. */
const LOOSE = 0.35;

/** A stroke of what is in the brush; a loose one is a little stronger or weaker, by `draw` 0…1. */
export function strokeAsked({ tool, load, dips, mix, loose }: HeldInHand, draw: number): AskedStroke {
  const strength = (mix?.strength ?? 0.2) * (loose ? Math.exp(LOOSE * (2 * draw - 1)) : 1);
  return {
    ...{ kind: 'stroke', brush: tool.id, load, dips },
    // A squeezed brush carries nothing, whatever lies beside it.
    parts: mix && load !== 'thirsty' ? mix.parts.map(({ pigment, parts }) => ({ pigment, parts })) : [],
    strength: Math.min(1, Math.max(0.001, strength)),
  };
}

/** What another tool does along a way. */
export function actAsked(
  plan: Plan,
  held: HeldInHand,
  way: readonly BrushPlace[],
  rim: number,
  seed: number,
): AskedAct {
  const laden: Laden | null =
    held.mix && held.tool.carries ? { ...held.mix, loads: loadsByCode(laidMix(plan, held.mix, 100)) } : null;
  const area = plan.areas.find(({ id }) => id === held.through);
  const stencil: Shape | undefined = area && {
    polygon: area.outline[0].map(([x, y]) => [x + rim, y + rim] as const),
  };
  return actOfTool(
    held.tool,
    thinned(way).map(([x, y]) => [x, y] as const),
    laden,
    seed,
    stencil,
  );
}

/** Places closer than this say nothing new, mm. */
const APART_MM = 0.5;

function thinned(way: readonly BrushPlace[]): BrushPlace[] {
  const kept = [way[0]];
  for (const place of way.slice(1)) {
    const [x, y] = kept.at(-1)!;
    if (Math.hypot(place[0] - x, place[1] - y) >= APART_MM) kept.push(place);
  }
  return kept;
}

/** Pressure of a mouse, which has none, and of a finger that tells none. */
const NO_PRESSURE = 0.5;

/** How hard the brush is pressed, the tilt of the pen counted in. */
export function pressureOf({ pointerType, pressure, tiltX, tiltY }: PointerEvent): number {
  if (pointerType === 'mouse' || (pointerType === 'touch' && pressure === 0)) return NO_PRESSURE;
  return rounded(pressedBy(pressure, tiltX, tiltY));
}
const rounded = (share: number): number => Math.round(share * 1000) / 1000;

/** What share of the sheet is at which stage, dry paper left out. */
export function stagesInWords(stages: PaintingEvent['stages']): string {
  const told = STAGES.filter((stage) => stage !== 'dry' && stages[stage] >= LEAST_TOLD);
  return told.length === 0
    ? 'the sheet is dry'
    : told
        .map((stage) => `${STAGE_SHORT[stage]} ${Math.max(1, Math.round(100 * stages[stage]))} %`)
        .join(' · ');
}

/** Less of a sheet than this is told of by no stage. */
const LEAST_TOLD = 0.0005;

const STAGE_SHORT: Readonly<Record<Stage, string>> = {
  puddled: 'puddled',
  shiny: 'shiny',
  satin: 'sheen going',
  damp: 'matt and damp',
  cool: 'cool',
  dry: 'dry',
};

/** How the paper’s clock goes. */
export function clockInWords({ rate, reachedRate, runsAhead }: PaintingEvent): string {
  if (runsAhead) return `running ahead, ×${Math.max(1, Math.round(reachedRate))}`;
  if (rate === 0) return 'the paper waits';
  const reached = reachedRate.toFixed(reachedRate < 2 ? 1 : 0);
  return rate === 1 ? `real time, really ×${reached}` : `×${rate}, really ×${reached}`;
}

/** One thing done, as it is told. */
export interface DoneNote {
  readonly at: string;
  readonly says: string;
  readonly onto: string;
}

/** What was done on a sheet, the newest first. */
export const doneNotes = (plan: Plan, acts: readonly HandAct[]): DoneNote[] =>
  acts
    .map(({ act, onto }) => ({
      at: formatClock(act.atS),
      says: doneInWords(plan, act),
      onto: TOUCHES.has(act.kind) ? ONTO[onto] : '',
    }))
    .reverse();

const TOUCHES = new Set<PanelAct['kind']>([
  'stroke',
  'drop',
  'salt',
  'blot',
  'lift',
  'scrub',
  'print',
  'spatter',
  'mist',
]);

const ONTO: Readonly<Record<Stage, string>> = {
  puddled: 'into standing water',
  shiny: 'into the shine',
  satin: 'as the sheen went',
  damp: 'onto damp paper',
  cool: 'onto cool paper',
  dry: 'onto dry paper',
};

function doneInWords(plan: Plan, act: PanelAct): string {
  if (act.kind === 'stroke') {
    const paint =
      act.parts.length === 0 ? (act.load === 'thirsty' ? 'nothing' : 'clear water') : nameOfPaint(plan, act);
    const brush = HAND_TOOLS.find(({ id }) => id === act.brush)?.name ?? act.brush;
    return `${paint}, ${brush}, ${typeof act.load === 'string' ? act.load : `${Math.round(100 * act.load)} % full`}`;
  }
  if (act.kind === 'mask' && act.atS === 0 && 'polygon' in act.shape) return 'taped all round';
  if (act.kind === 'tilt') return tiltInWords(act.xDeg, act.yDeg);
  return DONE_WORDS[act.kind];
}

const DONE_WORDS: Readonly<Record<Exclude<PanelAct['kind'], 'stroke' | 'tilt'>, string>> = {
  water: 'wetted',
  wash: 'washed',
  drop: 'dropped in',
  mist: 'misted',
  spatter: 'spattered',
  print: 'printed',
  mask: 'masked',
  unmask: 'mask off',
  salt: 'salted',
  unsalt: 'salt brushed off',
  blot: 'dabbed with a tissue',
  lift: 'lifted',
  scrub: 'scrubbed',
  heat: 'dried with hot air',
  climate: 'the air changed',
};

function nameOfPaint(plan: Plan, { parts }: Extract<PanelAct, { kind: 'stroke' }>): string {
  const said = JSON.stringify(parts);
  return (
    plan.mixes.find((mix) => JSON.stringify(mix.parts) === said)?.name ??
    parts.map((p) => p.pigment).join(' and ')
  );
}

/** Where the board falls to, in words. */
export function tiltInWords(xDeg: number, yDeg: number): string {
  if (xDeg === 0 && yDeg === 0) return 'the board lies flat';
  const ways = [
    ...(yDeg === 0 ? [] : [`${Math.abs(yDeg)}° to the ${yDeg > 0 ? 'foot' : 'head'}`]),
    ...(xDeg === 0 ? [] : [`${Math.abs(xDeg)}° to the ${xDeg > 0 ? 'right' : 'left'}`]),
  ];
  return `the board falls ${ways.join(' and ')}`;
}

/** How the board may be laid without dragging its edge. */
export const TILTS: readonly { readonly id: string; readonly name: string }[] = [
  { id: '0 0', name: 'flat' },
  { id: '0 5', name: 'falls 5° to the foot' },
  { id: '0 15', name: 'falls 15° to the foot' },
  { id: '0 -15', name: 'falls 15° to the head' },
  { id: '15 0', name: 'falls 15° to the right' },
  { id: '-15 0', name: 'falls 15° to the left' },
];

/** Where the painting may be cropped, mm from the sheet’s corner. */
export function framesOver(plan: Plan): (readonly [number, number])[][] {
  const rim = rimOf(plan);
  return (plan.crop?.frames ?? []).map((frame) =>
    cornersOf(openingOf(plan.card, frame, planPaper(plan).thicknessMm), frame).map(
      ([x, y]) => [x + rim, y + rim] as const,
    ),
  );
}

/** How wet it is under the hand, how much water is there, and how light it looks. */
export const underHand = ({ stage, filmUm, paperGm2, lab }: SheetReading): string =>
  `under the hand: ${STAGE_WORDS[stage]}, ${Math.round(filmUm + paperGm2)} g/m² of water, L* ${Math.round(lab[0])}`;

/** Acts that follow one another and say the same are one layer of a file; it ends where the next begins. */
export function layerSpans(plan: Plan, acts: readonly HandAct[]): LayerSpan[] {
  const spans: { name: string; untilS: number }[] = [];
  for (const { act } of acts) {
    if (act.kind === 'mask' || act.kind === 'unmask' || act.kind === 'tilt' || act.kind === 'climate')
      continue;
    const name = doneInWords(plan, act);
    const last = spans.at(-1);
    if (last?.name === name) continue;
    if (last) last.untilS = act.atS;
    spans.push({ name, untilS: act.atS + DRIES_IN_S });
  }
  return spans;
}

/** By then everything laid is dry, s. */
const DRIES_IN_S = 4 * 3600;

/** How two sheets differ. */
export const differenceInWords = ({
  meanDeltaE,
  mostDeltaE,
  seenShare,
}: Omit<Difference, 'picture'>): string =>
  seenShare < 0.001
    ? 'No difference is to be seen.'
    : `${Math.round(100 * seenShare)} % of the sheet looks different; ΔE ${meanDeltaE.toFixed(1)} on the whole, at most ${mostDeltaE.toFixed(1)}.`;

/** What came of making passes. */
export function passesInWords({ passes, leftOut }: Pick<AsPasses, 'passes' | 'leftOut'>): string {
  const made = passes === 1 ? 'One pass was made' : `${passes} passes were made`;
  const without =
    leftOut.length === 0
      ? ''
      : ` Left out, since no pass can be it yet: ${leftOut.map((kind) => (DONE_WORDS as Readonly<Record<string, string>>)[kind] ?? 'a tilt').join(', ')}.`;
  return `${made}, with their strokes and times.${without}`;
}
