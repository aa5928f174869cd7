import { expose } from 'comlink';
import { loadLineKernel } from '@kettle/kernels/browser';
import { tableJobs } from './table-jobs';

expose(tableJobs(loadLineKernel(new URL('/kernels/line.wasm', location.origin).href)));
