// The moves of loose painting, from plan to findings, against the simulated sheet of the same plan.
import { describe, expect, it } from 'vitest';
import { runChecks } from '@kettle/core/advice/checks';
import { deltaE00 } from '@kettle/core/kit/colour';
import { rectangle, type Point } from '@kettle/core/kit/geometry';
import { done } from '@kettle/core/kit/units';
import {
  addArea,
  addPass,
  mixOf,
  rimOf,
  smallPlan,
  type Command,
  type Plan,
} from '@kettle/core/document/plan';
import {
  layOut,
  patchStates,
  rehearse,
  type PatchState,
  type TimelineAtTable,
} from '@kettle/core/order/schedule';
import { cellAt, Replay, stageAtPoint, type PanelRun, type Stage } from '@kettle/core/simulation/water';
import { glazeLab } from '@kettle/core/materials/pigment';
import { panelKernelFromBuild } from './load-node';

const kernel = panelKernelFromBuild();
const STATES_BYTES = 50e6;

/** What is said of how wet the paper is. */
const WETNESS = ['bleed-into-wet', 'charge-too-late', 'backrun-risk', 'second-pass-water'];

/** A plan and its sheet. */
class Sheet {
  readonly timeline: TimelineAtTable;
  private readonly replay: Replay;
  constructor(readonly plan: Plan) {
    this.timeline = layOut(plan);
    this.replay = new Replay(rehearse(plan, this.timeline, { cellMm: 1, seed: 4 }), kernel, STATES_BYTES);
  }
  said(): string[] {
    return runChecks(this.plan, this.timeline)
      .filter(({ id }) => WETNESS.includes(id))
      .map(({ id }) => id);
  }
  startOf(act: string): number {
    return this.timeline.steps.find((step) => step.act.id === act)!.startS;
  }
  at(atS: number): PanelRun {
    done(this.replay.goTo(atS));
    return this.replay.run;
  }
  states(atS: number): PatchState[] {
    return patchStates(this.plan, this.timeline, atS);
  }
}

const onSheet = (plan: Plan, [x, y]: readonly [number, number]): Point => [x + rimOf(plan), y + rimOf(plan)];

/** The mean load of a pigment about a place, g/m². */
function loadAt({ panel, pigments }: PanelRun, [x, y]: Point, code: string): number {
  const species = pigments.findIndex((pigment) => pigment.code === code);
  let [sum, cells] = [0, 0];
  for (let dy = -2; dy <= 2; dy++)
    for (let dx = -2; dx <= 2; dx++) {
      const cell = cellAt(panel, Math.floor(x / panel.cellMm) + dx, Math.floor(y / panel.cellMm) + dy);
      const at = species * panel.cells + cell;
      sum += panel.suspended[at] + panel.deposited[at];
      cells++;
    }
  return sum / cells;
}

const STAGES: readonly Stage[] = ['puddled', 'shiny', 'satin', 'damp', 'cool', 'dry'];
/** How many stages the sheet is off what the plan says of a patch. */
const stagesOff = (sheet: Sheet, state: PatchState, run: PanelRun): number =>
  Math.abs(
    STAGES.indexOf(state.stage) -
      STAGES.indexOf(stageAtPoint(run, ...(onSheet(sheet.plan, state.probe) as [number, number]))),
  );

const jar = addArea('jar', rectangle(20, 10, 50, 40));
const shade = addArea('shade', rectangle(50, 10, 20, 40));
const bare = (...more: Command[]): Plan =>
  smallPlan(...['sky', 'field', 'boat'].map((area): Command => ({ do: 'remove-area', area })), ...more);
const masked = (chore: 'mask-on' | 'mask-off', area: string): Command => ({
  do: 'add-act',
  before: 'untape',
  act: { kind: 'chore', id: chore, chore, areas: [area], handsS: null },
});

describe('wetted, colour floated into it, its shade side charged', () => {
  const sheet = new Sheet(
    bare(
      ...[jar, shade],
      addPass('wet', 'jar', null, { technique: 'pre-wet', filmUm: 60 }),
      addPass('float', 'jar', 'blue', { technique: 'wet-in-wet', filmUm: 40, start: 'straight-on' }),
      addPass('charge', 'shade', 'dark', {
        technique: 'charge',
        filmUm: 20,
        start: 'straight-on',
        handsS: 30,
      }),
    ),
  );

  it('raises nothing, and the sheet shines there as the plan says', () => {
    expect(sheet.said()).toEqual([]);
    const atS = sheet.startOf('charge') - 1;
    const run = sheet.at(atS);
    for (const state of sheet.states(atS).filter(({ areas }) => areas.length > 0))
      expect(stagesOff(sheet, state, run), state.id).toBeLessThanOrEqual(1);
  });

  it('runs together softly: what is charged goes some way into the rest, and no further', () => {
    const run = sheet.at(sheet.timeline.endS + 2000);
    const [inside, near, far] = [60, 48.5, 25].map((x) => loadAt(run, onSheet(sheet.plan, [x, 30]), 'PB60'));
    expect(near).toBeGreaterThan(0.01 * inside);
    expect(far).toBeLessThan(0.02 * inside);
  });
});

describe('a glaze over half of a wash', () => {
  const plan = bare(
    ...[jar, shade],
    addPass('wash', 'jar', 'blue'),
    addPass('glaze', 'shade', 'lemon', { technique: 'glaze' }),
  );

  it('waits until that is dry, raises nothing, and colours its half as the patches say', () => {
    const sheet = new Sheet(plan);
    expect(sheet.said()).toEqual([]);
    const run = sheet.at(sheet.timeline.endS);
    const lit = sheet.states(sheet.timeline.endS).find(({ areas }) => areas.join() === 'jar')!;
    const shaded = sheet.states(sheet.timeline.endS).find(({ areas }) => areas.includes('shade'))!;
    const [litLoad, shadedLoad] = [lit, shaded].map(({ probe }) => loadAt(run, onSheet(plan, probe), 'PY3'));
    const counted = mixOf(plan, 'lemon').strength * 4 * 0.5;
    expect(shadedLoad / counted).toBeCloseTo(1, 1);
    expect(litLoad).toBeLessThan(0.02 * counted);
    expect(shaded.lab[2]).toBeGreaterThan(lit.lab[2] + 10);
  });

  it('laid straight on is stopped, and on the sheet it floats what lies below', () => {
    const early = new Sheet(
      bare(
        ...[jar, shade],
        addPass('wash', 'jar', 'blue'),
        addPass('glaze', 'shade', 'lemon', { technique: 'glaze', start: 'straight-on' }),
      ),
    );
    expect(early.said()).toContain('bleed-into-wet');
    const run = early.at(early.timeline.endS);
    const beyond = loadAt(run, onSheet(early.plan, [46, 30]), 'PY3');
    expect(beyond).toBeGreaterThan(0.02 * loadAt(run, onSheet(early.plan, [60, 30]), 'PY3'));
  });
});

describe('half of a wet-in-wet sky under mask', () => {
  const plan = bare(
    ...[jar, shade],
    masked('mask-on', 'shade'),
    addPass('wet', 'jar', null, { technique: 'pre-wet', filmUm: 60 }),
    addPass('float', 'jar', 'dark', { technique: 'wet-in-wet', filmUm: 40, start: 'straight-on' }),
    masked('mask-off', 'shade'),
  );

  it('stays clean and dry there, raises nothing, and is as wet beside it as the plan says', () => {
    const sheet = new Sheet(plan);
    expect(sheet.said()).toEqual([]);
    const atS = sheet.timeline.steps.find(({ act }) => act.id === 'float')!.endS + 30;
    const run = sheet.at(atS);
    for (const state of sheet.states(atS).filter(({ areas }) => areas.length > 0)) {
      expect(stagesOff(sheet, state, run), state.id).toBeLessThanOrEqual(1);
      expect(state.masked).toBe(state.areas.includes('shade'));
    }
    const dry = sheet.at(sheet.timeline.endS);
    const [clean, painted] = [60, 35].map((x) => loadAt(dry, onSheet(plan, [x, 30]), 'PB60'));
    expect(clean).toBeLessThan(0.01 * painted);
    const bareLab = sheet.states(sheet.timeline.endS).find(({ areas }) => areas.includes('shade'))!.lab;
    expect(deltaE00(bareLab, glazeLab(dry.paper, []))).toBeLessThan(0.5);
  });
});

describe('an edge softened', () => {
  const strip = addArea('strip', rectangle(20, 46, 50, 8));
  const softened = (start: 'straight-on' | { atS: number }): Sheet =>
    new Sheet(
      bare(
        ...[jar, strip],
        addPass('wash', 'jar', 'dark'),
        addPass('soft', 'strip', null, { technique: 'soften', filmUm: 25, handsS: 20, start }),
      ),
    );

  it('while it shines raises nothing, and colour goes out into the strip', () => {
    const sheet = softened('straight-on');
    expect(sheet.said()).toEqual([]);
    const run = sheet.at(sheet.timeline.endS);
    const hard = new Sheet(bare(jar, addPass('wash', 'jar', 'dark')));
    const [soft, sharp] = [run, hard.at(hard.timeline.endS)].map((dry) =>
      loadAt(dry, onSheet(sheet.plan, [45, 53]), 'PB60'),
    );
    expect(soft).toBeGreaterThan(5 * sharp + 0.001);
  });

  it('when the wash has long been matt is told as too late', () => {
    const wash = softened('straight-on').timeline.steps.find(({ act }) => act.id === 'wash')!;
    const late = softened({ atS: wash.endS + 1500 });
    expect(late.said()).toContain('charge-too-late');
  });
});
