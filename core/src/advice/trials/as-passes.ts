import { common, joined } from '../../order/areas';
import { convexHull, polygonArea, simplifyLine, type Polygon } from '../../kit/geometry';
import {
  freeId,
  LIFT,
  newMix,
  newPass,
  rimOf,
  type Command,
  type HandAct,
  type PaintedStroke,
  type Pass,
  type Plan,
  type PlannedMix,
  type Trial,
} from '../../document/plan';
import { BRUSH_LOADS, type ActOf, type Stage } from '../../simulation/water';
import { coveredBy } from './wetted';

/** Strokes of one mix with less than this between them are one pass, s. */
const ONE_PASS_S = 90;

/** An area of the plan is meant where it holds this share of what was wetted, and so much of it was. */
const HELD = 0.8;
const FILLED = 0.5;

/** More separate marks than this are taken as broken strokes over one region. */
const MOST_MARKS = 4;

/** Outlines of what was wetted are kept this exactly, mm. */
const OUTLINE_MM = 0.3;

/** Marks narrower than this on the whole are lines, mm. */
const LINE_MM = 2.5;

/** What making passes of a sheet comes to. */
export interface AsPasses {
  readonly commands: readonly Command[];
  readonly passes: number;
  /** Acts no pass can stand for yet, by their kind. */
  readonly leftOut: readonly string[];
}

type Stroke = HandAct & { readonly act: ActOf<'stroke'> };

/** Strokes that belong together. */
interface Group {
  readonly technique: string;
  readonly strokes: Stroke[];
}

/**
 * What was painted on a sheet as passes of the plan, with their times and strokes: what follows closely with the same mix
 * is one pass; its footprint is an area, one the plan has where that is what was painted.
 */
export function asPasses(plan: Plan, trial: Trial): AsPasses {
  const strokes = trial.acts.filter((done): done is Stroke => done.act.kind === 'stroke');
  const rim = rimOf(plan);
  const commands: Command[] = [];
  const mixes = [...plan.mixes];
  const groups = grouped(strokes);
  groups.forEach((group, i) => {
    const mix = mixFor(plan, mixes, group.strokes[0].act);
    if (mix && !mixes.includes(mix)) {
      mixes.push(mix);
      commands.push({ do: 'put-mix', mix, pigments: [] });
    }
    const regions = joined(group.strokes.flatMap(({ act }) => coveredBy(act))).map((region) =>
      moved(region, -rim),
    );
    const { areas, covers, added } = areasFor(
      plan,
      regions,
      `${trial.name} ${i + 1}`,
      `${trial.id}-${i + 1}`,
    );
    commands.push(...added);
    commands.push({
      do: 'add-act',
      before: plan.acts.find((act) => act.kind === 'chore' && act.chore === 'untape')?.id ?? null,
      act: passOf(group, {
        id: freeId(plan.acts, `pass-${trial.id}-${i + 1}`),
        areas,
        covers,
        mix,
        rim,
        regions,
      }),
    });
  });
  const kinds = trial.acts.flatMap(({ act }) => (act.kind === 'stroke' || act.atS === 0 ? [] : [act.kind]));
  return { commands, passes: groups.length, leftOut: [...new Set(kinds)] };
}

function grouped(strokes: readonly Stroke[]): Group[] {
  const groups: Group[] = [];
  for (const stroke of strokes) {
    const technique = techniqueFor(stroke);
    const last = groups.at(-1);
    const before = last?.strokes.at(-1);
    if (
      last &&
      before &&
      last.technique === technique &&
      stroke.act.atS - endOf(before.act) < ONE_PASS_S &&
      paintOf(stroke.act) === paintOf(before.act)
    )
      last.strokes.push(stroke);
    else groups.push({ technique, strokes: [stroke] });
  }
  return groups;
}

const paintOf = ({ parts, strength }: ActOf<'stroke'>): string => JSON.stringify([parts, strength]);
const endOf = ({ points, atS }: ActOf<'stroke'>): number => points.at(-1)![3] ?? atS;
const isWet = (stage: Stage): boolean => stage === 'puddled' || stage === 'shiny' || stage === 'satin';

/** What a stroke is called by what it carried and what it met. */
function techniqueFor({ act, onto }: Stroke): string {
  if (act.load === 'thirsty') return LIFT;
  if (act.parts.length === 0) return 'pre-wet';
  if (isWet(onto)) return 'wet-in-wet';
  return 'loose-strokes';
}

function passOf(
  { technique, strokes }: Group,
  said: {
    readonly id: string;
    readonly areas: string[];
    readonly covers: number;
    readonly mix: PlannedMix | null;
    readonly rim: number;
    readonly regions: readonly Polygon[];
  },
): Pass {
  const { id, areas, covers, mix, rim, regions } = said;
  const atS = strokes[0].act.atS;
  const water = strokes.reduce((sum, { waterMl }) => sum + Math.max(0, waterMl), 0);
  const area = regions.reduce((sum, region) => sum + polygonArea(region), 0);
  const isLine = technique === 'loose-strokes' && area / Math.max(1, lengthOf(strokes)) < LINE_MM;
  const pass = newPass({ id, areas, technique: isLine ? 'line' : technique, mix: mix?.id ?? null, covers });
  return {
    ...pass,
    // ml over mm² are µm times a million.
    filmUm: Math.min(2000, Math.max(1, area > 0 ? (1e6 * water) / area : pass.filmUm)),
    handsS: Math.max(1, Math.round(endOf(strokes.at(-1)!.act) - atS)),
    start: { atS },
    strokes: strokes.map(({ act }) => painted(act, atS, rim)),
  };
}

function painted(act: ActOf<'stroke'>, fromS: number, rim: number): PaintedStroke {
  return {
    brush: act.brush,
    load: typeof act.load === 'number' ? act.load : BRUSH_LOADS[act.load],
    points: act.points.map(([x, y, pressure, atS]) => [x - rim, y - rim, pressure, (atS ?? act.atS) - fromS]),
  };
}

const lengthOf = (strokes: readonly Stroke[]): number =>
  strokes.reduce(
    (sum, { act: { points } }) =>
      sum +
      points
        .slice(1)
        .reduce((length, [x, y], i) => length + Math.hypot(x - points[i][0], y - points[i][1]), 0),
    0,
  );

/** A mix of the plan with the same paint in it, or a new one; none for clear water. */
function mixFor(
  plan: Plan,
  mixes: readonly PlannedMix[],
  { parts, strength }: ActOf<'stroke'>,
): PlannedMix | null {
  if (parts.length === 0) return null;
  const said = JSON.stringify(parts);
  const found = mixes.find((mix) => JSON.stringify(mix.parts) === said && alike(mix.strength, strength));
  if (found) return found;
  const names = parts.map(({ pigment }) => pigment).join(' and ');
  return newMix({
    id: freeId(plan.mixes, `mix-by-hand-${mixes.length + 1}`),
    name: names.slice(0, 60),
    parts: parts.map((part) => ({ ...part, parts: Math.max(1, Math.round(part.parts)) })),
    strength,
  });
}

/** A loose hand varies its strength by so much about what it mixed. */
const LOOSE = 0.45;
const alike = (one: number, other: number): boolean => Math.abs(Math.log(one / other)) < LOOSE;

/** The areas a footprint is: those of the plan it fills, or new ones. */
function areasFor(
  plan: Plan,
  regions: readonly Polygon[],
  name: string,
  id: string,
): { readonly areas: string[]; readonly covers: number; readonly added: Command[] } {
  const size = sizeOf(regions);
  const meant = plan.areas.find(({ outline }) => {
    const shared = sizeOf(common(regions, [outline]));
    return shared > HELD * size && shared > FILLED * polygonArea(outline);
  });
  if (meant) return { areas: [meant.id], covers: 1, added: [] };
  const broken = regions.length > MOST_MARKS;
  const outlines = broken ? [[convexHull(regions.flatMap(([ring]) => [...ring]))]] : regions;
  const added = outlines.map((outline, i): Command => ({
    do: 'add-area',
    area: {
      id: freeId(plan.areas, `area-${id}-${i + 1}`),
      name: (outlines.length > 1 ? `${name}, part ${i + 1}` : name).slice(0, 60),
      outline: outline.map((ring) => simplified(ring)),
      lines: [],
    },
  }));
  const covers = broken ? Math.min(1, Math.max(0.01, size / sizeOf(outlines))) : 1;
  return { areas: added.flatMap((c) => (c.do === 'add-area' ? [c.area.id] : [])), covers, added };
}

const sizeOf = (regions: readonly Polygon[]): number =>
  regions.reduce((sum, region) => sum + polygonArea(region), 0);

const moved = (region: Polygon, by: number): Polygon =>
  region.map((ring) => ring.map(([x, y]) => [x + by, y + by] as const));

/** Fewer points of an outline, to a hundredth of a mm; too small a ring stays as it is. */
function simplified(ring: Polygon[number]): Polygon[number] {
  const fewer = simplifyLine([...ring], OUTLINE_MM);
  return (fewer.length >= 3 ? fewer : ring).map(([x, y]) => [hundredth(x), hundredth(y)] as const);
}
const hundredth = (mm: number): number => Math.round(100 * mm) / 100;
