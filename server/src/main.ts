import { serve } from '@hono/node-server';
import { kettleServer } from './server';

const APP_ROOT = 'dist/app/browser';
const port = Number(process.env['PORT'] ?? 4310);

serve({ fetch: kettleServer(APP_ROOT).fetch, port, hostname: process.env['HOST'] ?? '127.0.0.1' }, (info) => {
  console.log(`Kettle Drift stands on http://localhost:${info.port}/`);
});
