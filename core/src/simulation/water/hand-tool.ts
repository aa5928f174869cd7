import { chance } from '../../kit/units';
import { BRUSHES } from './brush';
import type { PanelAct } from './panel-act';
import type { Shape } from './shape';

/** What a tool does where the hand takes it. */
export type HandToolKind =
  | 'brush'
  | 'tissue'
  | 'foam'
  | 'scrub'
  | 'salt'
  | 'mist'
  | 'spatter'
  | 'print'
  | 'mask'
  | 'unmask'
  | 'dryer'
  | 'brush-off';

/** A tool of the painting table. */
export interface HandTool {
  readonly id: string;
  readonly name: string;
  readonly kind: HandToolKind;
  /** Width of its mark, or of the patch it reaches, mm. */
  readonly reachMm: number;
  /** Whether a mix goes with it. */
  readonly carries: boolean;
  /** What to look out for with it. */
  readonly caution?: string;
}

/** Everything a hand can take up beside the board itself. Reaches are our own defaults. */
export const HAND_TOOLS: readonly HandTool[] = [
  ...BRUSHES.map(({ id, name, widthMm }) => ({
    ...{ id, name, kind: 'brush' as const },
    ...{ reachMm: widthMm, carries: true },
  })),
  { id: 'tissue', name: 'tissue, dabbed', kind: 'tissue', reachMm: 14, carries: false },
  { id: 'foam', name: 'damp foam', kind: 'foam', reachMm: 9, carries: false },
  {
    ...{ id: 'scrub', name: 'stiff brush, scrubbed', kind: 'scrub', reachMm: 5, carries: false },
    caution: 'Paper bears this only so often: look at its surface first.',
  },
  { id: 'disc', name: 'disc, printed', kind: 'print', reachMm: 8, carries: true },
  { id: 'ball', name: 'ball tool, dots', kind: 'print', reachMm: 2, carries: true },
  { id: 'toothbrush', name: 'toothbrush, spattered', kind: 'spatter', reachMm: 36, carries: true },
  { id: 'tapped-brush', name: 'brush, tapped', kind: 'spatter', reachMm: 36, carries: true },
  { id: 'mister', name: 'mister', kind: 'mist', reachMm: 70, carries: false },
  { id: 'salt', name: 'salt, a pinch', kind: 'salt', reachMm: 16, carries: false },
  { id: 'brush-off', name: 'salt brushed off', kind: 'brush-off', reachMm: 16, carries: false },
  {
    ...{ id: 'dryer', name: 'hair dryer', kind: 'dryer', reachMm: 80, carries: false },
    caution: 'Hot air and hot metal. Keep your distance; never over mask that has not set.',
  },
  {
    ...{ id: 'masking-pen', name: 'masking fluid, fine tip', kind: 'mask', reachMm: 1.2, carries: false },
    caution: 'Latex and ammonia: air the room; see the maker’s sheet.',
  },
  { id: 'finger', name: 'mask rubbed off', kind: 'unmask', reachMm: 10, carries: false },
];

/** A mix as it is in the brush. */
export interface Laden {
  readonly parts: readonly { readonly pigment: string; readonly parts: number }[];
  readonly strength: number;
  /** Pigments of it and how much of them a film of 100 µm holds, g/m². */
  readonly loads: readonly { readonly pigment: string; readonly gm2: number }[];
}

type Without<T, Keys extends PropertyKey> = T extends unknown ? Omit<T, Keys> : never;

/** An act of which the paper’s clock says when. */
export type AskedAct = Without<PanelAct, 'atS'>;

/** A tissue takes up so much of a film; a pinch is so many grains; a dryer is held so long, s. */
const TISSUE_TAKES = 0.85;
const PINCH = 14;
const GRAIN_MM = 0.9;
const DRYER_S = 15;
const PRINT_FILM_UM = 60;
const SPATTER_COVERS = 0.08;

/** What a tool that is no brush does along a way, mm. Chance hangs on `seed`. `through` is the stencil it is worked through. */
export function actOfTool(
  { kind, id, reachMm }: HandTool,
  way: readonly (readonly [number, number])[],
  laden: Laden | null,
  seed: number,
  through?: Shape,
): AskedAct {
  const shape = shapeAlong(way, reachMm);
  const pigments = (film: number) =>
    (laden?.loads ?? []).map(({ pigment, gm2 }) => ({ pigment, gm2: (gm2 * film) / 100 }));
  const about: Shape = { circle: [...way.at(-1)!, reachMm / 2] };
  const worked = through ? { through } : {};
  switch (kind) {
    case 'tissue':
      return { kind: 'blot', shape, share: TISSUE_TAKES, ...worked };
    case 'foam':
      return { kind: 'lift', shape, strength: 0.7, ...worked };
    case 'scrub':
      return { kind: 'scrub', shape, strength: 1, ...worked };
    case 'print':
      return { kind: 'print', shape: about, filmUm: PRINT_FILM_UM, pigments: pigments(PRINT_FILM_UM) };
    case 'spatter':
      return {
        ...{ kind: 'spatter', tool: id === 'toothbrush' ? 'toothbrush' : 'tapped-brush', area: about },
        ...{ coverage: SPATTER_COVERS, pigments: pigments(40), shields: [] },
      };
    case 'mist':
      return { kind: 'mist', area: about, coverage: 1, pigments: [] };
    case 'salt':
      return { kind: 'salt', points: pinch(way.at(-1)!, reachMm / 2, seed), grainMm: GRAIN_MM };
    case 'brush-off':
      return { kind: 'unsalt' };
    case 'dryer':
      return { kind: 'heat', seconds: DRYER_S, airMs: 5, airTempC: 60, shape: about };
    case 'mask':
      return { kind: 'mask', shape };
    case 'unmask':
      return { kind: 'unmask', shape };
    case 'brush':
      throw new RangeError('a brush is followed as it goes.');
  }
}

/** A line as wide as the tool; where it was only put down, a spot. */
const shapeAlong = (way: readonly (readonly [number, number])[], widthMm: number): Shape =>
  way.length === 1 ? { circle: [...way[0], widthMm / 2] } : { line: way, widthMm };

/** Grains let fall about a place, evenly over a round patch. */
function pinch([x, y]: readonly [number, number], radius: number, seed: number): [number, number][] {
  const draw = chance(seed);
  return Array.from({ length: PINCH }, () => {
    const [r, turn] = [radius * Math.sqrt(draw()), 2 * Math.PI * draw()];
    return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
  });
}

/** How hard a pen presses by its own account and its tilt, degrees from upright: laid flat a brush opens, 0…1. */
export function pressedBy(pressure: number, tiltX: number, tiltY: number): number {
  const flat = Math.min(1, Math.hypot(tiltX, tiltY) / FLAT_DEG);
  return Math.min(1, Math.max(0, pressure + flat * FLAT_OPENS * (1 - pressure)));
}

/** A pen lies flat at this tilt, and then opens a brush by so much of what pressure had left. */
const FLAT_DEG = 70;
const FLAT_OPENS = 0.6;
