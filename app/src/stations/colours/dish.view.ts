import { hexOf, hueOf, chromaOf, type Light } from '@kettle/core/kit/colour';
import {
  DISH_HOLDS,
  dishLayout,
  onRim,
  strengthFromMiddle,
  type DishLayout,
  type Poured,
} from '@kettle/core/materials/dish';
import { atReferenceFilm, glazeLab, type Pigment } from '@kettle/core/materials/pigment';
import { laidMix, newMix, planPaper, type Plan, type PlannedMix } from '@kettle/core/document/plan';
import { blobPath } from './blob';

/** The dish is drawn with this radius; its drawing reaches wider, for the names. */
const RADIUS = 100;

/** A pigment on the rim: its masstone, a tint of it beside, and where its name stands. */
export interface DrawnPigment {
  readonly code: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly masstone: string;
  readonly tint: string;
  readonly words: { readonly x: number; readonly y: number; readonly anchor: 'start' | 'middle' | 'end' };
}

/** A mix as a real swatch: wet on the left, dry on the right, its rim where the wash has dried last. */
export interface DrawnMix {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly path: string;
  readonly wet: string;
  readonly dry: string;
  readonly rim: string;
  readonly well: number | null;
}

/** Paint led from a pigment into a mix, as thick as its share. */
export interface Lead {
  readonly id: string;
  readonly path: string;
  readonly colour: string;
  readonly width: number;
}

export interface DishDrawing {
  readonly pigments: readonly DrawnPigment[];
  readonly mixes: readonly DrawnMix[];
  readonly leads: readonly Lead[];
  /** Where an answer that is being looked at would lie. */
  readonly ghost: DrawnMix | null;
}

/** Greyer than this a pigment has no place among the hues. */
const NO_HUE = 8;

const WELL_R = 11.5;
const GHOST = 'answer';

/** Where the rim of a dried wash is, there lies so much more of its pigment: our default, within the 1.1–2.2 of the simulated edge. */
const RIM_GAINS = 1.6;

/** The dish of a card under a lamp. `ghost` is a mix that is not poured yet. */
export function dishDrawing(
  plan: Plan,
  light: Light,
  nameOf: (pigment: Pigment) => string,
  ghost: PlannedMix | null = null,
): DishDrawing {
  const paper = planPaper(plan);
  const pigments = plan.embedded.pigments.filter(({ code }) => plan.palette.includes(code));
  const shown = ghost ? [...plan.mixes, ghost] : plan.mixes;
  const layout = layoutOf(plan, pigments, ghost);
  const masstone = new Map(pigments.map((p) => [p.code, swatchHex(p, 1)]));
  const placeOf = new Map(layout.pigments.map(({ code, at }) => [code, at]));
  function swatchHex(pigment: Pigment, strength: number): string {
    return hexOf(glazeLab(paper, [atReferenceFilm([{ pigment, parts: 1 }], strength)], 0, light));
  }
  const drawn = layout.mixes.map(({ id, at }): DrawnMix => {
    const mix = shown.find((entry) => entry.id === id)!;
    const laid = laidMix(plan, mix, 100);
    const rim = { ...laid, strength: Math.min(1, laid.strength * RIM_GAINS) };
    return {
      ...{ id, name: mix.name, x: at[0] * RADIUS, y: at[1] * RADIUS, well: mix.well },
      path: blobPath(WELL_R, id),
      wet: hexOf(glazeLab(paper, [laid], 1, light)),
      dry: hexOf(glazeLab(paper, [laid], 0, light)),
      rim: hexOf(glazeLab(paper, [rim], 0, light)),
    };
  });
  return {
    pigments: layout.pigments.map(({ code, at: [x, y] }): DrawnPigment => {
      const pigment = pigments.find((p) => p.code === code)!;
      const side = Math.abs(x) < 0.35 ? 'middle' : x > 0 ? 'start' : 'end';
      return {
        ...{ code, name: nameOf(pigment), x: x * RADIUS, y: y * RADIUS },
        ...{ masstone: masstone.get(code)!, tint: swatchHex(pigment, 0.15) },
        words: {
          x: x * RADIUS * (side === 'middle' ? 1 : 1.16),
          y: y * RADIUS * (side === 'middle' ? 1.19 : 1) + 1.8,
          anchor: side,
        },
      };
    }),
    mixes: drawn.filter(({ id }) => id !== GHOST),
    ghost: drawn.find(({ id }) => id === GHOST) ?? null,
    leads: drawn.flatMap(({ id, x, y }) =>
      leadsOf(
        shown.find((mix) => mix.id === id)!,
        [x, y],
        placeOf,
        masstone,
      ),
    ),
  };
}

function layoutOf(plan: Plan, pigments: readonly Pigment[], ghost: PlannedMix | null): DishLayout {
  const paper = planPaper(plan);
  const setOut = pigments.map((pigment) => {
    const lab = glazeLab(paper, [atReferenceFilm([{ pigment, parts: 1 }], 0.4)]);
    return { code: pigment.code, hueDeg: chromaOf(lab) < NO_HUE ? null : hueOf(lab) };
  });
  const poured = (mix: PlannedMix): Poured => ({ id: mix.id, parts: mix.parts, strength: mix.strength });
  const laid = dishLayout(setOut, plan.mixes.map(poured));
  if (!ghost) return laid;
  // The answer lies where it falls; the dish is not laid anew for it.
  const rim = laid.pigments.map(({ code }) => code);
  return { ...laid, mixes: [...laid.mixes, ...onRim(rim, [poured(ghost)]).mixes] };
}

function leadsOf(
  { id, parts }: PlannedMix,
  [x, y]: readonly [number, number],
  placeOf: ReadonlyMap<string, readonly [number, number]>,
  masstone: ReadonlyMap<string, string>,
): Lead[] {
  const total = parts.reduce((sum, { parts: n }) => sum + n, 0);
  return parts.flatMap(({ pigment, parts: n }) => {
    const from = placeOf.get(pigment);
    if (!from) return [];
    const [px, py] = [from[0] * RADIUS, from[1] * RADIUS];
    // A brush goes round by the middle of the dish rather than along its rim.
    const [bx, by] = [0.42 * (px + x), 0.42 * (py + y)];
    return [
      {
        id: `${id}-${pigment}`,
        path: `M${px.toFixed(1)} ${py.toFixed(1)}Q${bx.toFixed(1)} ${by.toFixed(1)} ${x.toFixed(1)} ${y.toFixed(1)}`,
        colour: masstone.get(pigment)!,
        width: 0.8 + (3.2 * n) / total,
      },
    ];
  });
}

/** How strong a mix is where it is pulled to, in hundredths. */
export const strengthPulledTo = (x: number, y: number): number =>
  Math.round(100 * strengthFromMiddle(Math.hypot(x, y) / RADIUS)) / 100;

/** The mix an answer would be. */
export const ghostOf = (parts: PlannedMix['parts'], strength: number): PlannedMix =>
  newMix({ id: GHOST, name: 'answer', parts, strength });

/** Why these pigments cannot be set out, with those that are mixed from; empty when they can. */
export function tooManyOut(plan: Plan, palette: readonly string[]): string {
  const mixed = plan.mixes.flatMap(({ parts }) => parts.map(({ pigment }) => pigment));
  const count = new Set([...palette, ...mixed]).size;
  return count <= Math.max(DISH_HOLDS, plan.palette.length)
    ? ''
    : `The dish holds ${DISH_HOLDS} pigments, and these with what is mixed already are ${count}; take one off first, or empty a well.`;
}
