import { smallestCircle, type Point } from '@kettle/core/kit/geometry';
import {
  disagreeing,
  isEllipse,
  meantEllipse,
  type Guide,
  type GuideKind,
} from '@kettle/core/drawing/guides';
import { paintedOf, type Plan } from '@kettle/core/document/plan';
import { alongField, placeFields, sizeField, type LengthOf } from '../../ui/length-of';

/** Guides as they are chosen from. */
export const GUIDE_NAMES: readonly { readonly id: GuideKind; readonly name: string }[] = [
  { id: 'middle', name: 'middle lines' },
  { id: 'thirds', name: 'thirds' },
  { id: 'margins', name: 'margins' },
  { id: 'straight', name: 'a straight edge' },
  { id: 'circle', name: 'a circle' },
  { id: 'horizon', name: 'a horizon by hand' },
  { id: 'vessel', name: 'rims of a round vessel' },
  { id: 'receding', name: 'things going away' },
  { id: 'even', name: 'even steps' },
  { id: 'grid', name: 'a grid' },
];

export const nameOfGuide = (kind: GuideKind): string =>
  GUIDE_NAMES.find(({ id }) => id === kind)?.name ?? kind;

/** A guide as it is first laid on a panel, large enough to be seen. */
export function newGuide(kind: GuideKind, plan: Plan, id: string): Guide {
  const { widthMm: w, heightMm: h } = paintedOf(plan).panel;
  const at = (across: number, down: number): [number, number] => [round(across * w), round(down * h)];
  switch (kind) {
    case 'middle':
    case 'thirds':
      return { id, kind };
    case 'margins':
      return { id, kind, wideMm: 8 };
    case 'straight':
      return { id, kind, from: at(0.1, 0.7), to: at(0.9, 0.7) };
    case 'circle':
      return { id, kind, centre: at(0.5, 0.5), radiusMm: round(0.2 * h) };
    case 'horizon':
      return { id, kind, yMm: round(0.6 * h), waverMm: 0.8, seed: 1 };
    case 'vessel':
      return {
        ...{ id, kind, axisXMm: round(0.5 * w), eyeYMm: round(0.1 * h), awayMm: 400 },
        rims: [0.35, 0.75].map((share) => ({ yMm: round(share * h), radiusMm: round(0.18 * h) })),
      };
    case 'receding':
      return {
        ...{ id, kind, foot: at(0.15, 0.9), highMm: round(0.35 * h), towards: at(0.6, 0.4) },
        ...{ every: 0.5, count: 6 },
      };
    case 'even':
      return { id, kind, from: at(0.1, 0.5), to: at(0.9, 0.5), marks: 6 };
    case 'grid':
      return { id, kind, acrossMm: 20, downMm: 20 };
  }
}

/** The lengths of a guide, row by row; each tells the guide as it becomes. */
export function fieldsOf(guide: Guide): LengthOf<Guide>[][] {
  switch (guide.kind) {
    case 'middle':
    case 'thirds':
      return [];
    case 'margins':
      return [[sizeField('wide', guide.wideMm, (wideMm) => ({ ...guide, wideMm }))]];
    case 'circle':
      return [
        placeFields('middle', guide.centre, (centre) => ({ ...guide, centre })),
        [sizeField('radius', guide.radiusMm, (radiusMm) => ({ ...guide, radiusMm }))],
      ];
    case 'horizon':
      return [
        [
          alongField('down', guide.yMm, (yMm) => ({ ...guide, yMm })),
          sizeField('wavers by', guide.waverMm, (waverMm) => ({ ...guide, waverMm })),
        ],
      ];
    case 'grid':
      return [
        [
          sizeField('every, across', guide.acrossMm, (acrossMm) => ({ ...guide, acrossMm })),
          sizeField('every, down', guide.downMm, (downMm) => ({ ...guide, downMm })),
        ],
      ];
    case 'receding':
      return [
        placeFields('first foot', guide.foot, (foot) => ({ ...guide, foot })),
        [sizeField('and how high', guide.highMm, (highMm) => ({ ...guide, highMm }))],
        placeFields('vanishes', guide.towards, (towards) => ({ ...guide, towards })),
      ];
    case 'straight':
    case 'even':
      return [
        placeFields('from', guide.from, (from) => ({ ...guide, from })),
        placeFields('to', guide.to, (to) => ({ ...guide, to })),
      ];
    case 'vessel':
      return [
        [
          alongField('its axis, across', guide.axisXMm, (axisXMm) => ({ ...guide, axisXMm })),
          alongField('eye level, down', guide.eyeYMm, (eyeYMm) => ({ ...guide, eyeYMm })),
        ],
        [sizeField('eye away', guide.awayMm, (awayMm) => ({ ...guide, awayMm }))],
        ...guide.rims.map((rim, at) => [
          alongField(`rim ${at + 1}, down`, rim.yMm, (yMm) => withRim(guide, at, { yMm })),
          sizeField('and its radius', rim.radiusMm, (radiusMm) => withRim(guide, at, { radiusMm })),
        ]),
      ];
  }
}

/** A place of a guide that can be pulled by hand, and the guide with it elsewhere. */
export interface GuideHandle {
  readonly at: Point;
  readonly pulled: (to: Point) => Guide;
}

/** Where a guide can be taken hold of. In one piece: one case a guide. */
export function handlesOf(
  guide: Guide,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): GuideHandle[] {
  const handle = (at: Point, pulled: GuideHandle['pulled']): GuideHandle => ({ at, pulled });
  const apart = (a: number, b: number): number => Math.max(0.1, tenth(Math.abs(a - b)));
  const place = ([x, y]: Point): [number, number] => [tenth(x), tenth(y)];
  switch (guide.kind) {
    case 'middle':
    case 'thirds':
      return [];
    case 'margins':
      return [handle([guide.wideMm, heightMm / 2], ([x]) => ({ ...guide, wideMm: Math.max(0.1, tenth(x)) }))];
    case 'circle': {
      const [x, y] = guide.centre;
      return [
        handle(guide.centre, (to) => ({ ...guide, centre: place(to) })),
        handle([x + guide.radiusMm, y], (to) => ({
          ...guide,
          radiusMm: Math.max(0.1, tenth(Math.hypot(to[0] - x, to[1] - y))),
        })),
      ];
    }
    case 'horizon':
      return [handle([widthMm / 2, guide.yMm], ([, y]) => ({ ...guide, yMm: tenth(y) }))];
    case 'grid':
      return [
        handle([guide.acrossMm, guide.downMm], ([x, y]) => ({
          ...guide,
          acrossMm: apart(x, 0),
          downMm: apart(y, 0),
        })),
      ];
    case 'straight':
    case 'even':
      return [
        handle(guide.from, (to) => ({ ...guide, from: place(to) })),
        handle(guide.to, (to) => ({ ...guide, to: place(to) })),
      ];
    case 'receding':
      return [
        handle(guide.foot, (to) => ({ ...guide, foot: place(to) })),
        handle([guide.foot[0], guide.foot[1] - guide.highMm], ([, y]) => ({
          ...guide,
          highMm: apart(y, guide.foot[1]),
        })),
        handle(guide.towards, (to) => ({ ...guide, towards: place(to) })),
      ];
    case 'vessel':
      return [
        handle([guide.axisXMm, guide.eyeYMm], ([x, y]) => ({
          ...guide,
          axisXMm: tenth(x),
          eyeYMm: tenth(y),
        })),
        ...guide.rims.map((rim, at) =>
          handle([guide.axisXMm + rim.radiusMm, rim.yMm], ([x, y]) =>
            withRim(guide, at, { radiusMm: apart(x, guide.axisXMm), yMm: tenth(y) }),
          ),
        ),
      ];
  }
}

type Vessel = Extract<Guide, { kind: 'vessel' }>;

const withRim = (vessel: Vessel, at: number, change: Partial<Vessel['rims'][number]>): Vessel => ({
  ...vessel,
  rims: vessel.rims.map((rim, i) => (i === at ? { ...rim, ...change } : rim)),
});

const round = (mm: number): number => Math.round(2 * mm) / 2;

/** The smallest circle round what is in the hand, with room for a brush; `null` when nothing is. */
export function circleRound(plan: Plan, picked: readonly string[], id: string): Guide | null {
  const points = inHand(plan, picked).flat();
  if (points.length === 0) return null;
  const { centre, radiusMm } = smallestCircle(points);
  return {
    ...{ id, kind: 'circle' },
    centre: [tenth(centre[0]), tenth(centre[1])],
    radiusMm: Math.max(0.1, tenth(radiusMm)),
  };
}

const tenth = (mm: number): number => Math.round(10 * mm) / 10;

const inHand = (plan: Plan, picked: readonly string[]): Point[][] => {
  const ids = new Set(picked);
  return plan.lines
    .filter(({ id }) => ids.has(id))
    .map(({ points }) => points.map(([x, y]): Point => [x, y]));
};

/** Whether the round curves in the hand agree with a vessel’s eye level, in words. */
export function curvesInWords(
  plan: Plan,
  picked: readonly string[],
  vessel: Extract<Guide, { kind: 'vessel' }>,
  length: (mm: number) => string,
): { readonly says: string; readonly stop: boolean } {
  const curves = inHand(plan, picked)
    .filter((ring) => ring.length > 4 && isEllipse(ring))
    .map(meantEllipse);
  if (curves.length === 0)
    return {
      says: 'Take up closed round lines, and it is seen whether they agree with this eye level.',
      stop: false,
    };
  const amiss = disagreeing(curves, vessel);
  if (amiss.length === 0)
    return {
      says: `${curves.length === 1 ? 'The curve agrees' : `All ${curves.length} curves agree`} with this eye level.`,
      stop: false,
    };
  const [first] = amiss;
  const way = first.highMm < first.wantedMm ? 'too flat' : 'too round';
  return {
    says: `${amiss.length} of ${curves.length} ${curves.length === 1 ? 'curve' : 'curves'} ${way}: ${length(tenth(first.highMm))} high where this eye sees ${length(tenth(first.wantedMm))}.`,
    stop: true,
  };
}
