import { measuringWidths } from '../../order/areas';
import { contains, type Point, rectangle } from '../../kit/geometry';
import { maskingTool } from '../../drawing/masking';
import {
  deedOf,
  areaOf,
  covers,
  firstFinishing,
  freeId,
  LONGEST_NAME,
  maskedAfter,
  newPass,
  outlineOf,
  type Command,
  type Plan,
  type White,
  addPass,
  smallPlan,
} from '../../document/plan';
import { crossings, FINEST_BRUSH_MM, penFor, problemOf } from '../whites';
import { inBreaths, type Check } from './check';
import { kept } from './edge-plans';

/**
 * The inside of a masked letter must take paint, or it is read as another letter: no counter may be narrower than the
 * mask’s own line, nor than the finest brush. One that is touched in when the mask is off is mended.
 */
export const counterClosed: Check = {
  id: 'counter-closed',
  name: 'Inside of a letter closes',
  station: 'whites',
  severity: 'look',
  when: 'the inside of a masked letter is narrower than the line of its mask, or than the finest brush',
  source: 'least lines of masking tools (docs/whites.md)',
  *find({ plan }) {
    for (const white of plan.whites) {
      if (white.way !== 'mask') continue;
      const { name, outline } = areaOf(plan, white.area);
      const { counters, narrowestMm } = yield* inBreaths(measuringWidths(outline));
      const tool = white.tool ? maskingTool(white.tool) : (penFor(narrowestMm) ?? maskingTool('ruling-pen'));
      const tools = { maskLineMm: tool.leastMm, brushTipMm: FINEST_BRUSH_MM };
      const left = counters.filter(({ at }) => !touchedIn(plan, at));
      const problem = problemOf({ counters: left, strokeMm: Infinity }, tools);
      if (problem === null) continue;
      const [{ mm, at }] = left;
      const limit = Math.max(tools.maskLineMm, tools.brushTipMm);
      const times = (limit / mm).toFixed(1);
      const commands = touchIn(plan, white, at);
      yield {
        where: { area: white.area, point: at },
        number: { value: Math.round(100 * mm) / 100, unit: 'mm', limit },
        why:
          problem === 'counter-closed'
            ? `the inside of ${name} is ${mm.toFixed(2)} mm wide; a ${tool.name} closes it with its line of ${tool.leastMm} mm. Letter it ${times} times as high, or with a finer pen.`
            : `no brush gets into the ${mm.toFixed(2)} mm inside of ${name}, and it would stay white. Letter it ${times} times as high, or touch it in with a pen.`,
        ...(commands.length > 0
          ? { fix: { says: `Touch the inside of ${name} in with a pen when the mask is off`, commands } }
          : {}),
      };
    }
  },
  edges: () => [{ wrong: maskedRing(0.75), right: maskedRing(0.85) }],
};

/** A masked square ring, so wide inside. */
const maskedRing = (insideMm: number): Plan => {
  const [outer] = rectangle(20, 10, insideMm + 4, insideMm + 4);
  const [inner] = rectangle(22, 12, insideMm, insideMm);
  return smallPlan(
    addPass('wash', 'sky', 'blue'),
    { do: 'add-area', area: { id: 'o', name: 'Thanks: o', outline: [outer, [...inner].reverse()] } },
    kept('o', 'mask', { tool: 'fine-tip' }),
  );
};

/** Whether a pass paints a place when no mask lies over it or round it any more. */
const touchedIn = (plan: Plan, at: Point): boolean =>
  plan.acts.some(
    (act, index) =>
      act.kind === 'pass' &&
      act.technique === PEN &&
      act.areas.some((area) => covers(plan, area, at)) &&
      ![...maskedAfter(plan.acts, index)].some((masked) => holdsInside(plan, masked, at)),
  );

/** Whether a place lies in the outer edge of a masked area, its openings counted in. */
const holdsInside = (plan: Plan, masked: string, at: Point): boolean =>
  plan.areas.some(({ id, outline }) => id === masked && contains([outline[0]], at));

const PEN = 'nib';

/** The inside of a letter as an area of its own, and a pen that paints it as what runs over the letter, after its mask is off. */
function touchIn(plan: Plan, { area }: White, at: Point): Command[] {
  const mix = crossings(plan, area).findLast((pass) => pass.mix !== null)?.mix;
  const hole = outlineOf(plan, area)
    .slice(1)
    .find((ring) => contains([ring], at));
  if (!mix || !hole) return [];
  const off = plan.acts.findIndex((act) => deedOf(act) === 'unmasks' && act.areas.includes(area));
  const before = off < 0 ? plan.acts.at(firstFinishing(plan)) : plan.acts.at(off + 1);
  const taken = new Set(plan.areas.map(({ id }) => id));
  let inside = 'inside';
  for (let n = 2; taken.has(inside); n++) inside = `inside-${n}`;
  return [
    {
      do: 'add-area',
      area: {
        id: inside,
        name: `inside of ${areaOf(plan, area).name}`.slice(0, LONGEST_NAME),
        outline: [hole],
      },
    },
    {
      do: 'add-act',
      before: before?.id ?? null,
      act: newPass({ id: freeId(plan.acts, 'touch-in'), technique: PEN, areas: [inside], mix }),
    },
  ];
}
