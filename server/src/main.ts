import { serve } from '@hono/node-server';
import { kettleServer } from './server';

const APP_ROOT = 'dist/app/browser';
const port = Number(process.env['PORT'] ?? 4310);
const hostname = process.env['HOST'] ?? '127.0.0.1';
/** Further names it is reached by, parted by commas. */
const names = (process.env['NAMES'] ?? '').split(',').filter((name) => name !== '');

serve({ fetch: kettleServer(APP_ROOT, [hostname, ...names]).fetch, port, hostname }, (info) => {
  console.log(`Kettle Drift stands on http://localhost:${info.port}/`);
});
