import { expose } from 'comlink';
import { loadLineKernel } from '@kettle/kernels/browser';
import { jobHost } from './jobs';
import { tableJobs } from './table-jobs';

expose(jobHost(tableJobs(loadLineKernel(new URL('/kernels/line.wasm', location.origin).href))));
