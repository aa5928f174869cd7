import { expose } from 'comlink';
import { loadPaintKernel, loadPanelKernel } from '@kettle/kernels/browser';
import { paintingJobs } from './painting-jobs';
import { BrowserPapers } from './paper-store';

const at = (name: string): string => new URL(`/kernels/${name}.wasm`, location.origin).href;

expose(
  paintingJobs(
    Promise.all([loadPanelKernel(at('panel')), loadPaintKernel(at('paint'))]).then(([panel, paint]) => ({
      panel,
      paint,
    })),
    new BrowserPapers(),
  ),
);
