import { plainPanelKernel, type PanelRun } from '@kettle/core/simulation/water';
import type { Measured } from './limits';
import { SCENE_SHEET, SCENES } from './scenes';

/** Coarser than the pictures, for the plain twin's sake. */
const CELL_MM = 0.5;
const STEPS = 50;
const END_S = 900;
const CLOSE = 1e-4;
/** On a tilted board films end a step apart in the two, and what floated lies a step earlier. */
const KNOWN_FURTHER_APART = 1;

/** Distance of two fields against the size of the second. */
function apart(one: Float32Array, other: Float32Array): number {
  let [difference, size] = [0, 0];
  for (let i = 0; i < one.length; i++) {
    difference += (one[i] - other[i]) ** 2;
    size += other[i] ** 2;
  }
  return Math.sqrt(difference / Math.max(size, 1e-12));
}

/** The compiled panel kernel and its plain twin on every scene: after fifty steps, and what lies at the end. */
export function measureTwins(): Measured {
  const both = (acts: readonly object[], stopS: number, steps?: number): [PanelRun, PanelRun] => [
    SCENE_SHEET.painted(acts, stopS, { cellMm: CELL_MM, steps }),
    SCENE_SHEET.painted(acts, stopS, { cellMm: CELL_MM, steps, kernel: plainPanelKernel }),
  ];
  const scenes = SCENES.map(({ acts, wetS }) => {
    const [early, earlyTwin] = both(acts, wetS + END_S, STEPS);
    const [end, endTwin] = both(acts, wetS + END_S);
    return {
      after50Steps: Math.max(
        ...(['film', 'paper', 'suspended', 'deposited'] as const).map((field) =>
          apart(early.panel[field], earlyTwin.panel[field]),
        ),
      ),
      depositsAtEnd: apart(end.panel.deposited, endTwin.panel.deposited),
    };
  });
  return {
    figures: {
      after50Steps: Math.max(...scenes.map(({ after50Steps }) => after50Steps)),
      scenesFurtherApart: scenes.filter(({ after50Steps }) => after50Steps > CLOSE).length,
      depositsAtEnd: Math.max(...scenes.map(({ depositsAtEnd }) => depositsAtEnd)),
      scenes,
    },
    below: { scenesFurtherApart: KNOWN_FURTHER_APART + 1, depositsAtEnd: 0.02 },
  };
}
