import { paperById } from '@kettle/core/materials/paper';
import { lineParameters, plainLineKernel, type LineKernel } from '@kettle/core/simulation/water';
import { loadLineKernel } from '@kettle/kernels/node';

const CELLS = 4000;
const STEPS = 400;
const ROUNDS = 7;

function timeOf(kernel: LineKernel): number {
  const parameters = lineParameters(paperById('cotton-cold-300'), { tempC: 20, rh: 0.5, airMs: 0 }, 0.5);
  const film = new Float64Array(CELLS).fill(120, 0, CELLS / 2);
  const begun = performance.now();
  kernel.advance(film, new Float64Array(CELLS), parameters, STEPS);
  return performance.now() - begun;
}

/** Time of the plain twin over that of the compiled kernel, the median of paired rounds in one run. */
export async function lineKernelRatio(): Promise<{
  ratio: number;
  plainNsPerCellStep: number;
  wasmNsPerCellStep: number;
}> {
  const wasm = await loadLineKernel();
  timeOf(wasm);
  timeOf(plainLineKernel);
  const rounds = Array.from({ length: ROUNDS }, () => ({
    plain: timeOf(plainLineKernel),
    wasm: timeOf(wasm),
  }));
  const median = (values: number[]): number => values.sort((a, b) => a - b)[ROUNDS >> 1];
  const perStep = 1e6 / (CELLS * STEPS);
  return {
    ratio: median(rounds.map(({ plain, wasm: compiled }) => plain / compiled)),
    plainNsPerCellStep: median(rounds.map(({ plain }) => plain)) * perStep,
    wasmNsPerCellStep: median(rounds.map(({ wasm: compiled }) => compiled)) * perStep,
  };
}
