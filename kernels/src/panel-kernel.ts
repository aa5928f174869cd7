import {
  FLOW_NUMBERS,
  PLANES,
  rimReach,
  type FlowNumbers,
  type Panel,
  type PanelKernel,
  type SpeciesNumbers,
  type StepReport,
} from '@kettle/core/simulation/water';

/** What the compiled module exports. */
interface PanelModule {
  readonly memory: WebAssembly.Memory;
  open(columns: number, rows: number, stride: number, height: number, species: number, cellMm: number): void;
  place(plane: number): number;
  reach(whole: number, part: number): void;
  act(count: number): void;
  step(
    dtS: number,
    evaporation: number,
    tiltX: number,
    tiltY: number,
    downFirst: boolean,
    rims: boolean,
    creepS: number,
  ): void;
  evaporatedUm(): number;
  fastestMmS(): number;
  dampestGm2(): number;
  filmedCells(): number;
}

/** A panel's module, and the numbers it was last given. */
interface Instance {
  readonly wasm: PanelModule;
  flow: FlowNumbers | null;
  species: readonly SpeciesNumbers[] | null;
  acting: readonly number[] | null;
}

/** Places of what follows the planes. */
const SUSPENDED = PLANES.length;
const DEPOSITED = SUSPENDED + 1;
const BLOCK = SUSPENDED + 2;
const SPECIES = SUSPENDED + 3;
const SLOTS = SUSPENDED + 4;
const PER_SPECIES = 5;

/** The compiled panel kernel: every panel has an instance, and so a memory, of its own. */
export function panelKernel(module: WebAssembly.Module, version: string): PanelKernel {
  const instances = new WeakMap<Panel, Instance>();
  return {
    name: 'simd',
    version,

    panel(grid) {
      const wasm = new WebAssembly.Instance(module, {}).exports as unknown as PanelModule;
      wasm.open(grid.columns, grid.rows, grid.stride, grid.height, grid.species, grid.cellMm);
      const { whole, part } = rimReach(grid.cellMm);
      wasm.reach(whole, part);
      const plane = (place: number, length = grid.cells): Float32Array =>
        new Float32Array(wasm.memory.buffer, wasm.place(place), length);
      const planes = Object.fromEntries(PLANES.map((name, i) => [name, plane(i)]));
      const panel: Panel = {
        ...grid,
        ...(planes as Record<(typeof PLANES)[number], Float32Array>),
        suspended: plane(SUSPENDED, grid.cells * grid.species),
        deposited: plane(DEPOSITED, grid.cells * grid.species),
      };
      instances.set(panel, { wasm, flow: null, species: null, acting: null });
      return panel;
    },

    step(panel, species, flow, { dtS, evaporation, tiltX, tiltY, rims, creepS, acting }, order): StepReport {
      const instance = instances.get(panel);
      if (!instance) throw new TypeError('this panel is not of this kernel.');
      const { wasm } = instance;
      if (instance.flow !== flow || instance.species !== species) {
        writeNumbers(wasm, species, flow);
        Object.assign(instance, { flow, species });
      }
      if (instance.acting !== acting) {
        new Int32Array(wasm.memory.buffer, wasm.place(SLOTS), acting.length).set(acting);
        wasm.act(acting.length);
        instance.acting = acting;
      }
      wasm.step(dtS, evaporation, tiltX, tiltY, order === 'down-first', rims, creepS);
      return {
        evaporated: wasm.evaporatedUm(),
        fastest: wasm.fastestMmS(),
        filmed: wasm.filmedCells(),
        dampest: wasm.dampestGm2(),
      };
    },
  };
}

function writeNumbers(wasm: PanelModule, species: readonly SpeciesNumbers[], flow: FlowNumbers): void {
  new Float32Array(wasm.memory.buffer, wasm.place(BLOCK), FLOW_NUMBERS.length).set(
    FLOW_NUMBERS.map((name) => flow[name]),
  );
  new Float32Array(wasm.memory.buffer, wasm.place(SPECIES), species.length * PER_SPECIES).set(
    species.flatMap(({ settle, penetrate, floatOff, stain, granulation }) => [
      settle,
      penetrate,
      floatOff,
      stain,
      granulation,
    ]),
  );
}
