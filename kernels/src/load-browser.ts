import type { PaintKernel } from '@kettle/core/materials/pigment';
import { markOf, type LineKernel, type PanelKernel } from '@kettle/core/simulation/water';
import { lineKernel } from './line-kernel';
import { paintKernel } from './paint-kernel';
import { panelKernel } from './panel-kernel';

/** Loads the compiled line kernel that ships with the app, in a page or a worker. */
export const loadLineKernel = async (url: string): Promise<LineKernel> =>
  lineKernel(await WebAssembly.instantiate((await moduleAt(url)).module, {}));

/** The painting kernel. */
export const loadPaintKernel = async (url: string): Promise<PaintKernel> =>
  paintKernel(await WebAssembly.instantiate((await moduleAt(url)).module, {}));

/** The panel kernel; every panel gets an instance of its own. */
export async function loadPanelKernel(url: string): Promise<PanelKernel> {
  const { module, bytes } = await moduleAt(url);
  return panelKernel(module, markOf([new Int32Array(bytes, 0, bytes.byteLength >> 2)]));
}

async function moduleAt(url: string): Promise<{ module: WebAssembly.Module; bytes: ArrayBuffer }> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`a kernel did not load (${response.status} ${url})`);
  const bytes = await response.arrayBuffer();
  return { module: await WebAssembly.compile(bytes), bytes };
}
