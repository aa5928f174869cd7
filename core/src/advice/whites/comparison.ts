import { atReferenceFilm, loadsByCode, pigmentByCode } from '../../materials/pigment';
import { laidMix, mixOf, type Plan, type White } from '../../document/plan';
import type { PanelAct, Simulation } from '../../simulation/water';
import { crossings } from './facts';

/** Ways that can be looked at beside one another. */
export const COMPARED: readonly White['way'][] = ['mask', 'paint-round', 'lift', 'opaque'];

/** The patch a way is tried on, and the white in its middle, mm. */
const PATCH = { widthMm: 36, heightMm: 24 } as const;
const WHITE = [18, 12, 5] as const;

/** Time from one act to the next, s: by then a wash on a patch is dry. */
const DRY_S = 3600;

/** How thick opaque white is laid, µm: undiluted, in as many coats as it takes. */
const OPAQUE_UM = 100;

/** A patch of the card’s own paper, washed with what crosses a white, and a round white kept in it one way. */
export function comparison(plan: Plan, area: string, way: White['way'], coats: number): Simulation {
  const shape = { circle: WHITE };
  const round = ring();
  const acts: PanelAct[] = [];
  let atS = 0;
  if (way === 'mask') acts.push({ kind: 'mask', atS, shape });
  for (const pass of crossings(plan, area)) {
    const mix = pass.mix === null ? null : mixOf(plan, pass.mix);
    const load = mix ? loadsByCode(laidMix(plan, mix, pass.filmUm)) : [];
    const over =
      way === 'paint-round' ? { polygon: round } : { rect: [0, 0, PATCH.widthMm, PATCH.heightMm] as const };
    acts.push({ kind: 'wash', atS: atS + 1, shape: over, filmUm: pass.filmUm, pigments: load });
    atS += DRY_S;
  }
  if (way === 'mask') acts.push({ kind: 'unmask', atS, shape });
  if (way === 'lift')
    acts.push({ kind: 'lift', atS, shape, strength: 1 }, { kind: 'blot', atS: atS + 5, shape, share: 0.9 });
  if (way === 'opaque') {
    const white = atReferenceFilm([{ pigment: pigmentByCode('PW6'), parts: 1 }], 1);
    for (let coat = 0; coat < coats; coat++) {
      acts.push({ kind: 'drop', atS, shape, filmUm: OPAQUE_UM, pigments: loadsByCode(white) });
      atS += DRY_S;
    }
  }
  return {
    ...{ ...PATCH, cellMm: 0.4, seed: 5, paper: plan.paper, climate: plan.climate },
    ...{
      acts,
      stopS: atS + DRY_S,
      probes: [{ name: 'white', shape: { circle: [WHITE[0], WHITE[1], WHITE[2] * 0.7] } }],
    },
  };
}

/** The patch round the white, as one ring with a cut to the middle and back. */
function ring(): (readonly [number, number])[] {
  const { widthMm: w, heightMm: h } = PATCH;
  const [x, y, radius] = WHITE;
  const circle = Array.from({ length: 49 }, (_, i) => {
    const turn = (-2 * Math.PI * i) / 48;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)] as const;
  });
  return [[0, 0], [w, 0], [w, y], ...circle, [w, y], [w, h], [0, h]];
}
