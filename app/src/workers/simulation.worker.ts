import { expose } from 'comlink';
import { loadPaintKernel, loadPanelKernel } from '@kettle/kernels/browser';
import { jobHost } from './jobs';
import { BrowserPapers } from './paper-store';
import { simulationJobs } from './simulation-jobs';

const at = (name: string): string => new URL(`/kernels/${name}.wasm`, location.origin).href;

expose(
  jobHost(
    simulationJobs(
      Promise.all([loadPanelKernel(at('panel')), loadPaintKernel(at('paint'))]).then(([panel, paint]) => ({
        panel,
        paint,
      })),
      new BrowserPapers(),
    ),
  ),
);
