import { readFile } from 'node:fs/promises';
import type { LineKernel } from '@kettle/core/water';
import { lineKernel } from './line-kernel';

/** Loads the compiled line kernel from the build folder, for tests, benchmarks and the command line. */
export async function loadLineKernel(): Promise<LineKernel> {
  const bytes = await readFile(new URL('../build/line.wasm', import.meta.url));
  const { instance } = await WebAssembly.instantiate(bytes, {});
  return lineKernel(instance);
}
