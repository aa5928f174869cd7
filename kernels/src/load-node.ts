import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { PaintKernel } from '@kettle/core/materials/pigment';
import { markOf, type LineKernel, type PanelKernel } from '@kettle/core/simulation/water';
import { lineKernel } from './line-kernel';
import { paintKernel } from './paint-kernel';
import { panelKernel } from './panel-kernel';

/** The compiled line kernel from the build folder, for tests, benchmarks and the command line. */
export const loadLineKernel = async (): Promise<LineKernel> => lineKernel(await instantiate('line'));

/** The compiled painting kernel from the build folder. */
export const loadPaintKernel = async (): Promise<PaintKernel> => paintKernel(await instantiate('paint'));

/** The same at once. */
export const paintKernelFromBuild = (): PaintKernel =>
  paintKernel(new WebAssembly.Instance(new WebAssembly.Module(bytesOf('paint'))));

/** The compiled panel kernel from the build folder, at once. */
export function panelKernelFromBuild(): PanelKernel {
  const bytes = bytesOf('panel');
  return panelKernel(
    new WebAssembly.Module(bytes),
    markOf([new Int32Array(bytes.buffer, 0, bytes.byteLength >> 2)]),
  );
}

const instantiate = (name: string): Promise<WebAssembly.Instance> =>
  WebAssembly.instantiate(bytesOf(name), {}).then(({ instance }) => instance);

/** A module's bytes; the command line may be the first to ask for them on a fresh machine, so they are compiled if missing. */
function bytesOf(name: string): Uint8Array<ArrayBuffer> {
  const file = new URL(`../build/${name}.wasm`, import.meta.url);
  if (!existsSync(file))
    execFileSync(process.execPath, ['scripts/kernels.mjs'], {
      cwd: fileURLToPath(new URL('../../', import.meta.url)),
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  return new Uint8Array(readFileSync(file));
}
