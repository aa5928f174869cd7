// A word masked, painted over and simulated: where it differs from its outline when it is uncovered.
import { areasOfWords, grown } from '@kettle/core/order/areas';
import { runChecks } from '@kettle/core/advice/checks';
import { contains, rectangle, type Polygon } from '@kettle/core/kit/geometry';
import { setWords, wordsSchema, type LetterFont } from '@kettle/core/drawing/lettering';
import { pigmentByCode } from '@kettle/core/materials/pigment';
import {
  applyCommands,
  NEW_STUDIO,
  newMix,
  newPass,
  newPlan,
  paintedOf,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import { layOut, rehearse } from '@kettle/core/order/schedule';
import { done } from '@kettle/core/kit/units';
import { cellAt, simulate, type PanelRun } from '@kettle/core/simulation/water';
import { panelKernelFromBuild } from '@kettle/kernels/node';

/** Paint that is less than this share of the wash leaves a place white, more than the other has painted it. */
const WHITE = 0.15;
const PAINTED = 0.3;

export interface RevealedWord {
  /** Places looked at, and those of them that are not as the outline says, by the letter they belong to. */
  readonly places: number;
  readonly wrong: number;
  /** Of the wrong ones those on a letter or in a counter a finding spoke of. */
  readonly foretold: number;
  readonly findings: readonly string[];
}

/** A panel washed blue over a word that is masked letter by letter; and the letters. */
function maskedWord(text: string, font: LetterFont, capHeightMm: number): { plan: Plan; letters: string[] } {
  const words = wordsSchema.parse({
    ...{ id: 'w', text, font: font.id, capHeightMm, from: [6, 30], to: [84, 30] },
    ...{ archMm: 0, slantDeg: 0, spacingMm: 0, set: 'middle' },
  });
  let count = 0;
  const drawn = areasOfWords(words, setWords(words, font), () => `letter-${++count}`);
  const begun = newPlan(
    { id: 'word', title: 'Word', occasion: 'thanks', envelope: { widthMm: 104, heightMm: 56 } },
    NEW_STUDIO,
  );
  const { panel } = paintedOf(begun);
  const ids = drawn.flatMap((command) => (command.do === 'add-area' ? [command.area.id] : []));
  const plan = applyCommands(begun, [
    {
      do: 'add-area',
      area: { id: 'ground', name: 'ground', outline: rectangle(0, 0, panel.widthMm, panel.heightMm) },
    },
    ...drawn,
    {
      do: 'put-mix',
      mix: newMix({ id: 'blue', name: 'blue', strength: 0.2, parts: [{ pigment: 'PB29', parts: 1 }] }),
      pigments: [pigmentByCode('PB29')],
    },
    {
      do: 'add-act',
      before: 'untape',
      act: newPass({ id: 'wash', areas: ['ground'], technique: 'flat-wash', mix: 'blue', handsS: 60 }),
    },
    ...ids.map((area): Command => ({
      do: 'keep-white',
      white: { id: `white-${area}`, area, way: 'mask', tool: null, wanted: null, edge: 'hard' },
    })),
  ]).plan;
  return { plan, letters: ids };
}

/** Paints a word over its mask, takes the mask off, and looks at every place: is it white where the outline says so, and painted elsewhere? */
export function revealWord(
  text: string,
  font: LetterFont,
  capHeightMm: number,
  cellMm: number,
): RevealedWord {
  const { plan, letters } = maskedWord(text, font, capHeightMm);
  const timeline = layOut(plan);
  const simulation = rehearse(plan, timeline, { cellMm, seed: 3 });
  const laidS = Math.max(...simulation.acts.filter(({ kind }) => kind === 'wash').map(({ atS }) => atS));
  let ended: PanelRun | null = null;
  done(simulate({ ...simulation, stopS: laidS + 20 }, panelKernelFromBuild(), (run) => (ended = run)));
  const { grid, load } = loads(ended!);

  const { paint, panel } = paintedOf(plan);
  const rim = (paint.widthMm - panel.widthMm) / 2;
  const found = runChecks(plan, timeline);
  const spoken = new Set(found.flatMap(({ where }) => (where.area ? [where.area] : [])));
  const outlines = plan.areas.filter(({ id }) => letters.includes(id));
  const near = outlines.map(({ id, outline }) => ({
    id,
    outline,
    // A letter with its counters filled: what is amiss in a counter is that letter’s.
    whole: [outline[0]] as Polygon,
    // The cell an edge runs through is half one thing and half the other, and so is the one beside it.
    inside: grown([outline], -1.5 * cellMm),
    outside: grown([outline], 1.5 * cellMm),
  }));
  const middle = load.reduce((a, b) => a + b, 0) / load.filter((value) => value > 0).length;
  const result = { places: 0, wrong: 0, foretold: 0 };
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const at = [(column + 0.5) * cellMm - rim, (row + 0.5) * cellMm - rim] as const;
      // Away from the edges of the wash.
      if (at[0] < 3 || at[1] < 3 || at[0] > panel.widthMm - 3 || at[1] > panel.heightMm - 3) continue;
      const inside = near.some((letter) => letter.inside.some((region) => contains(region, at)));
      const outside = !near.some((letter) => letter.outside.some((region) => contains(region, at)));
      if (!inside && !outside) continue;
      result.places++;
      const share = load[row * grid.columns + column] / middle;
      if (inside ? share < WHITE : share > PAINTED) continue;
      result.wrong++;
      if (near.some(({ id, whole }) => spoken.has(id) && contains(whole, at))) result.foretold++;
    }
  return { ...result, findings: found.map(({ key }) => key) };
}

/** All pigment on the cells of a panel, row by row. */
function loads({ panel }: PanelRun): { grid: { columns: number; rows: number }; load: Float64Array } {
  const { columns, rows } = panel;
  const load = new Float64Array(columns * rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = cellAt(panel, column, row);
      load[row * columns + column] = panel.suspended[cell] + panel.deposited[cell];
    }
  return { grid: { columns, rows }, load };
}
