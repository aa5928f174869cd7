import { deltaE00, type Lab } from '@kettle/core/kit/colour';
import { paperById } from '@kettle/core/materials/paper';
import {
  atReferenceFilm,
  boxTable,
  choosePalette,
  glazeLab,
  matchIn,
  mixRatios,
  mixTable,
  pigmentByCode,
  PIGMENTS,
} from '@kettle/core/materials/pigment';
import { done } from '@kettle/core/kit/units';
import { medianOf, timeOf } from './timing';

const paper = paperById('cotton-cold-300');
const palette = ['PY3', 'PY150', 'PR122', 'PB29', 'PB15:3', 'PBr7-burnt-sienna'].map((code) =>
  pigmentByCode(code),
);
const TARGETS: readonly Lab[] = Array.from({ length: 12 }, (_, i) => [
  35 + 4 * i,
  30 * Math.cos(2.1 * i),
  35 * Math.sin(2.1 * i),
]);
const STRENGTHS = 12;

/** The plain reference: every ratio at twelve strengths, each in 36 bands and by ΔE00. */
function matchPlainly(target: Lab): number {
  let least = Infinity;
  for (const { places, parts } of mixRatios(palette.length, 3))
    for (let step = 0; step < STRENGTHS; step++) {
      const mixed = places.map((place, i) => ({ pigment: palette[place], parts: parts[i] }));
      const lab = glazeLab(paper, [atReferenceFilm(mixed, 0.02 ** (step / (STRENGTHS - 1)))]);
      least = Math.min(least, deltaE00(target, lab));
    }
  return least;
}

/** Times of a mix query for six pigments, of its table, and of a palette of 4 from 36 for 12 colours. */
export function benchMixing(): {
  tableFirstMs: number;
  tableMs: number;
  queryMs: number;
  plainQueryMs: number;
  plainOverQuery: number;
  boxTableMs: number;
  paletteMs: number;
  plainPaletteOverPalette: number;
} {
  const tableFirstMs = timeOf(() => done(mixTable(palette, paper)));
  const tableMs = medianOf(7, () => done(mixTable(palette, paper)));
  const table = done(mixTable(palette, paper));
  const queryMs = medianOf(9, () => TARGETS.map((target) => matchIn(table, target))) / TARGETS.length;
  const plainQueryMs = medianOf(3, () => matchPlainly(TARGETS[3]));

  const box = PIGMENTS.slice(0, 36);
  const boxTableMs = timeOf(() => done(boxTable(box, paper)));
  const whole = done(boxTable(box, paper));
  const paletteMs = medianOf(5, () => done(choosePalette(whole, { targets: TARGETS, size: 4 })));
  // Each of the 58,905 palettes matched by itself would take this long.
  const four = box.slice(0, 4);
  const onePaletteMs = medianOf(5, () => {
    const own = done(mixTable(four, paper));
    return TARGETS.map((target) => matchIn(own, target));
  });
  return {
    tableFirstMs,
    tableMs,
    queryMs,
    plainQueryMs,
    plainOverQuery: plainQueryMs / queryMs,
    boxTableMs,
    paletteMs,
    plainPaletteOverPalette: (58_905 * onePaletteMs) / paletteMs,
  };
}
