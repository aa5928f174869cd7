import type { Composition } from '@kettle/core/order/areas';
import { labOfHex } from '@kettle/core/kit/colour';
import { paintedOf, type Plan } from '@kettle/core/document/plan';
import type { PanelDrawing } from '../../panel/panel.view';

/** Lightness L* under which a colour is dark, and from which it is light; what is painted falls into three. Ours. */
const DARK_UNDER = 45;
const LIGHT_FROM = 72;

/** The three tones as they are shown. */
const TONES = { dark: '#2f3439', middle: '#8d9296', light: '#e9e8e2' } as const;

const toneOf = (hex: string): keyof typeof TONES => {
  const [lightness] = labOfHex(hex);
  return lightness < DARK_UNDER ? 'dark' : lightness < LIGHT_FROM ? 'middle' : 'light';
};

/** The panel in three tones, as half-shut eyes see it. */
export const inThreeTones = (drawing: PanelDrawing): PanelDrawing => ({
  ...drawing,
  shapes: drawing.shapes.map((shape) => ({ ...shape, fill: shape.fill && TONES[toneOf(shape.fill)] })),
});

/** What is to be said of how a panel is laid out; what would be better otherwise is told as such. */
export interface Judgement {
  readonly notes: readonly string[];
  readonly looks: readonly string[];
}

type Length = (mm: number) => string;

/** Off the middle by more than this share of the panel’s width a weight is felt. Ours. */
const FELT = 0.12;

const fillsOf = (drawing: PanelDrawing): (readonly [id: string, hex: string])[] =>
  drawing.shapes.flatMap(({ id, fill }) => (fill ? [[id, fill] as const] : []));

/** How dark each painted area is, 0 for white to 1 for black. */
export const darknessOf = (drawing: PanelDrawing): Map<string, number> =>
  new Map(fillsOf(drawing).map(([id, hex]) => [id, 1 - labOfHex(hex)[0] / 100]));

export function judge(
  plan: Plan,
  drawing: PanelDrawing,
  { margins, weight, quiet, kisses }: Composition,
  length: Length,
): Judgement {
  const fills = fillsOf(drawing);
  const names = new Map(plan.areas.map(({ id, name }) => [id, name]));
  // The answer may be a change behind: what is gone since has no name any more.
  const there = kisses.filter(({ area, other }) => names.has(area) && (other === null || names.has(other)));
  const tones = new Set(fills.map(([, hex]) => toneOf(hex)));
  const { panel } = paintedOf(plan);
  const rounded = (mm: number): string => length(Math.round(2 * mm) / 2);
  return {
    notes: [
      ...(margins
        ? [
            `The subject has ${rounded(margins.left)} left and ${rounded(margins.right)} right of it, ${rounded(margins.top)} above and ${rounded(margins.bottom)} below.`,
          ]
        : []),
      ...(quiet
        ? [
            `Quiet room for words: ${rounded(quiet.widthMm)} × ${rounded(quiet.heightMm)}, ${rounded(quiet.xMm)} from the left and ${rounded(quiet.yMm)} from the top.`,
          ]
        : []),
      ...weightInWords(weight, rounded),
    ],
    looks: [
      ...(weight && Math.abs(weight[0]) > FELT * panel.widthMm
        ? [`It leans to the ${weight[0] > 0 ? 'right' : 'left'}.`]
        : []),
      ...(fills.length > 1 && tones.size === 1 ? [`All is one value: everything is ${[...tones][0]}.`] : []),
      ...there.map(({ area, other, gapMm }) =>
        other === null
          ? `${names.get(area)!} all but touches the edge: ${length(Math.round(10 * gapMm) / 10)}.`
          : `${names.get(area)!} and ${names.get(other)!} just meet: part them, or lay one over the other.`,
      ),
    ],
  };
}

function weightInWords(weight: Composition['weight'], length: Length): string[] {
  if (!weight) return [];
  const [right, down] = weight;
  const sides = [
    `${length(Math.abs(right))} ${right >= 0 ? 'right' : 'left'}`,
    `${length(Math.abs(down))} ${down >= 0 ? 'under' : 'over'}`,
  ];
  return [`Its weight hangs ${sides.join(' and ')} of the middle.`];
}
