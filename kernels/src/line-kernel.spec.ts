import { beforeAll, describe, expect, it } from 'vitest';
import { paperById } from '@kettle/core/materials/paper';
import { dampCreep, lineParameters, plainLineKernel, type LineKernel } from '@kettle/core/simulation/water';
import { loadLineKernel } from './load-node';

const paper = paperById('cotton-cold-300');
const ORDINARY = { tempC: 20, rh: 0.5, airMs: 0 };
let wasm: LineKernel;

beforeAll(async () => {
  wasm = await loadLineKernel();
});

/** A whole scene: two washes of different depth with a dry strip between, dried for a while. */
function scene(
  kernel: LineKernel,
  cells: number,
  steps: number,
): { film: Float64Array; water: Float64Array } {
  const film = new Float64Array(cells).fill(140, 0, cells / 4).fill(35, cells / 2);
  const water = new Float64Array(cells).fill(12, cells / 2);
  kernel.advance(film, water, lineParameters(paper, ORDINARY, 0.4), steps);
  return { film, water };
}

describe('the compiled line kernel and its plain twin', () => {
  it.each([
    [64, 50],
    [200, 600],
    [5000, 50],
  ])('agree to rounding on %d cells after %d steps', (cells, steps) => {
    const [one, other] = [scene(wasm, cells, steps), scene(plainLineKernel, cells, steps)];
    for (const field of ['film', 'water'] as const)
      one[field].forEach((value, i) => expect(Math.abs(value - other[field][i])).toBeLessThan(1e-9));
    expect(Math.max(...one.water)).toBeGreaterThan(20);
  });

  it('give the same creep', () =>
    expect(dampCreep(paper, 200, ORDINARY, wasm)).toBe(dampCreep(paper, 200, ORDINARY, plainLineKernel)));

  it('refuses arrays of different length', () =>
    expect(() =>
      wasm.advance(new Float64Array(3), new Float64Array(4), lineParameters(paper, ORDINARY, 1), 1),
    ).toThrow(/same length/));
});
