import type { LineKernel, LineParameters } from '@kettle/core/simulation/water';

/** What the compiled module exports. */
interface LineModule {
  readonly memory: WebAssembly.Memory;
  advance(
    film: number,
    paper: number,
    lower: number,
    upper: number,
    n: number,
    block: number,
    steps: number,
  ): void;
}

const PAGE_BYTES = 65536;
const PARAMETER_COUNT = 9;

/** Wraps a compiled line module as a kernel: copies the arrays in, advances, copies them back. */
export function lineKernel(instance: WebAssembly.Instance): LineKernel {
  const wasm = instance.exports as unknown as LineModule;
  return {
    name: 'wasm',
    advance(film, paper, parameters, steps) {
      const n = film.length;
      if (paper.length !== n) throw new RangeError('film and paper must have the same length.');
      const need = (4 * n + PARAMETER_COUNT) * 8;
      const have = wasm.memory.buffer.byteLength;
      if (need > have) wasm.memory.grow(Math.ceil((need - have) / PAGE_BYTES));
      // The module holds no data of its own, so the arrays stand from address 0: film, paper, two of scratch, block.
      const at = (array: number): number => array * n * 8;
      const view = (array: number, length = n): Float64Array =>
        new Float64Array(wasm.memory.buffer, at(array), length);
      view(0).set(film);
      view(1).set(paper);
      view(4, PARAMETER_COUNT).set(inOrder(parameters));
      wasm.advance(at(0), at(1), at(2), at(3), n, at(4), steps);
      film.set(view(0));
      paper.set(view(1));
    },
  };
}

function inOrder(p: LineParameters): number[] {
  return [
    p.dtS,
    p.cellMm,
    p.creepMm2S,
    p.creepReferenceGm2,
    p.capacityGm2,
    p.uptakeGm2,
    p.uptakeOffsetGm2,
    p.evaporationGm2S,
    p.fallingGm2,
  ];
}
