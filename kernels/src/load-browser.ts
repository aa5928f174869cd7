import type { LineKernel } from '@kettle/core/water';
import { lineKernel } from './line-kernel';

/** Loads the compiled line kernel that ships with the app, in a page or a worker. */
export async function loadLineKernel(url: string): Promise<LineKernel> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`the drying kernel did not load (${response.status} ${url})`);
  const { instance } = await WebAssembly.instantiate(await response.arrayBuffer(), {});
  return lineKernel(instance);
}
