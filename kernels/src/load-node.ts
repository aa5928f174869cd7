import { readFile } from 'node:fs/promises';
import type { PaintKernel } from '@kettle/core/pigment';
import type { LineKernel } from '@kettle/core/water';
import { lineKernel } from './line-kernel';
import { paintKernel } from './paint-kernel';

/** Loads the compiled line kernel from the build folder, for tests, benchmarks and the command line. */
export const loadLineKernel = async (): Promise<LineKernel> => lineKernel(await instantiate('line'));

/** Loads the compiled painting kernel from the build folder. */
export const loadPaintKernel = async (): Promise<PaintKernel> => paintKernel(await instantiate('paint'));

async function instantiate(name: string): Promise<WebAssembly.Instance> {
  const bytes = await readFile(new URL(`../build/${name}.wasm`, import.meta.url));
  const { instance } = await WebAssembly.instantiate(bytes, {});
  return instance;
}
