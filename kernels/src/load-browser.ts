import type { PaintKernel } from '@kettle/core/pigment';
import type { LineKernel, PanelKernel } from '@kettle/core/water';
import { lineKernel } from './line-kernel';
import { paintKernel } from './paint-kernel';
import { panelKernel } from './panel-kernel';

/** Loads the compiled line kernel that ships with the app, in a page or a worker. */
export const loadLineKernel = async (url: string): Promise<LineKernel> =>
  lineKernel(await WebAssembly.instantiate(await moduleAt(url), {}));

/** The painting kernel. */
export const loadPaintKernel = async (url: string): Promise<PaintKernel> =>
  paintKernel(await WebAssembly.instantiate(await moduleAt(url), {}));

/** The panel kernel; every panel gets an instance of its own. */
export const loadPanelKernel = async (url: string): Promise<PanelKernel> => panelKernel(await moduleAt(url));

async function moduleAt(url: string): Promise<WebAssembly.Module> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`a kernel did not load (${response.status} ${url})`);
  return WebAssembly.compile(await response.arrayBuffer());
}
