import { bounds, type Point, rectangle, type Polygon, type Ring } from '../../kit/geometry';
import {
  bareLightness,
  colourAt,
  layersAt,
  paintedOf,
  stillToCrop,
  topAreaAt,
  type Plan,
  addArea,
  addPass,
  smallPlan,
} from '../../document/plan';
import { LOST_EDGE_L } from '../whites';
import type { Breath, Check, Found } from './check';
import { mixedUntil } from './fixes';
import { mixesBySize } from './used-mixes';

/** The rim is looked at so far inside the tape, and so often along it, mm. */
const INSIDE_MM = 1;
const EVERY_MM = 4;

/** What stays so far from the tape is a figure on bare paper, with no frame to lose, mm. Ours. */
const NEAR_TAPE_MM = 5;

/** More of the rim than this as light as the border, and the picture has no frame, %. Ours. */
const LIMIT = 60;

/** A white border round a picture that is as light at its rim: from across a room neither is seen. */
export const borderLostOnWhite: Check = {
  id: 'border-lost-on-white',
  name: 'Frame lost at a light rim',
  station: 'passes',
  severity: 'note',
  when: `over ${LIMIT} % of the rim, ${INSIDE_MM} mm inside the tape, lies within ${LOST_EDGE_L} L* of the white border`,
  source: 'ours',
  *find({ plan }) {
    if (plan.card.border !== 'taped' || stillToCrop(plan)) return;
    if (!plan.areas.some((area) => comesToTape(plan, area))) return;
    const rim = yield* placesByArea(plan);
    const percent = Math.round(lostPercent(plan, rim));
    if (percent <= LIMIT) return;
    const mixed = yield* mixedUntil(
      plan,
      mixesBySize(plan),
      1,
      (changed) => lostPercent(changed, rim) <= LIMIT,
    );
    yield {
      where: { area: plan.areas[0].id },
      number: { value: percent, unit: '%', limit: LIMIT },
      why: `${percent} % of the rim is nearly as light as the white border: the frame is lost there.`,
      fix: mixed.fix ?? WITHOUT_BORDER,
    };
  },
  edges: () => {
    const { widthMm, heightMm } = paintedOf(smallPlan()).panel;
    const [panel] = rectangle(0, 0, widthMm, heightMm);
    const within = (mm: number): Ring => rectangle(mm, mm, widthMm - 2 * mm, heightMm - 2 * mm)[0];
    // Along the top and so far down both sides.
    const down = (share: number): Polygon =>
      rectangle(0, 0, widthMm, share * (widthMm + heightMm) - widthMm / 2);
    return [
      { wrong: darkIn(down(0.38)), right: darkIn(down(0.42)) },
      { wrong: darkIn([within(1.1)]), right: darkIn([within(0.9)]) },
      { wrong: darkIn([within(4.9)]), right: darkIn([within(5.1)]) },
      { wrong: darkIn([panel, within(0.9)]), right: darkIn([panel, within(1.1)]) },
    ];
  },
};

function comesToTape(plan: Plan, { id, outline }: Plan['areas'][number]): boolean {
  if (layersAt(plan, id, plan.acts.length).length === 0) return false;
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const [x, y, width, height] = bounds(outline);
  return Math.min(x, y, widthMm - x - width, heightMm - y - height) < NEAR_TAPE_MM;
}

/** A panel of which so much is painted dark. */
const darkIn = (outline: Polygon): Plan =>
  smallPlan(addArea('dark', outline), addPass('wash', 'dark', 'dark'));

/** Where hardly any paint comes to the rim no mix mends it. */
const WITHOUT_BORDER: NonNullable<Found['fix']> = {
  says: 'Paint it without a border',
  commands: [{ do: 'set-format', change: { border: 'bare' } }],
};

/** Places along the rim, counted by the area that lies uppermost there; `null` where none does. */
type RimPlaces = ReadonlyMap<string | null, number>;

function* placesByArea(plan: Plan): Generator<Breath, RimPlaces> {
  const { widthMm, heightMm } = paintedOf(plan).panel;
  const places = new Map<string | null, number>();
  for (const at of rimPlaces(widthMm, heightMm)) {
    yield null;
    const top = topAreaAt(plan, at);
    places.set(top, (places.get(top) ?? 0) + 1);
  }
  return places;
}

/** How much of the rim is nearly as light as the border, %. */
function lostPercent(plan: Plan, rim: RimPlaces): number {
  const paper = bareLightness(plan);
  let [lost, all] = [0, 0];
  for (const [area, places] of rim) {
    const lightness = area === null ? paper : colourAt(plan, area, plan.acts.length)[0];
    all += places;
    if (paper - lightness < LOST_EDGE_L) lost += places;
  }
  return (100 * lost) / all;
}

function rimPlaces(widthMm: number, heightMm: number): Point[] {
  const along = (lengthMm: number): number[] =>
    Array.from({ length: Math.max(1, Math.floor(lengthMm / EVERY_MM)) }, (_, i) => (i + 0.5) * EVERY_MM);
  return [
    ...along(widthMm).flatMap((x): Point[] => [
      [x, INSIDE_MM],
      [x, heightMm - INSIDE_MM],
    ]),
    ...along(heightMm).flatMap((y): Point[] => [
      [INSIDE_MM, y],
      [widthMm - INSIDE_MM, y],
    ]),
  ];
}
