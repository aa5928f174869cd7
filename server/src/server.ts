import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { etag } from 'hono/etag';
import { secureHeaders } from 'hono/secure-headers';

/** Paths that a browser may keep for good: the build puts a hash of the content into their names. */
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2)$/;

const NOT_MODIFIED = 304;

/** Names this machine has for itself; whoever serves the app under another says so. */
const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Serves the built app from `root` under the machine's own names and `names`, with headers that let nothing in from outside and
 * isolate the page. Component styles are put into the page by the framework, hence inline styles; scripts are ours alone.
 */
export function kettleServer(root: string, names: readonly string[] = []): Hono {
  const known = new Set([...OWN_NAMES, ...names]);
  const app = new Hono();
  app.use(compress());
  app.use(
    secureHeaders({
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: 'same-origin',
      crossOriginEmbedderPolicy: 'require-corp',
      crossOriginResourcePolicy: 'same-origin',
      referrerPolicy: 'no-referrer',
      contentSecurityPolicy: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        baseUri: ["'self'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    }),
  );
  // A foreign name that leads to this machine must not make its page one of ours (RFC 9110, 15.5.20).
  app.use(async (context, next) => {
    if (!known.has(hostOf(context.req.header('host') ?? new URL(context.req.url).host)))
      return context.text('This server does not go by that name.', 421);
    return next();
  });
  app.use(async (context, next) => {
    await next();
    const isThere = context.res.ok || context.res.status === NOT_MODIFIED;
    const forGood = isThere && HASHED.test(context.req.path);
    context.header('Cache-Control', forGood ? 'public, max-age=31536000, immutable' : 'no-cache');
  });
  app.on(['POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS', 'TRACE'], '*', (context) =>
    context.text('This can only be read.', 405, { Allow: 'GET, HEAD' }),
  );
  // Whole files are small: a part of one is never asked for, and a range may be passed over (RFC 9110, 14.2).
  app.use(async (context, next) => {
    if (context.req.header('range') !== undefined) {
      const headers = new Headers(context.req.raw.headers);
      headers.delete('range');
      context.req.raw = new Request(context.req.raw, { headers });
    }
    return next();
  });
  app.use(etag());
  app.use(serveStatic({ root, precompressed: true }));
  // An address of the app is answered with the page; a file that is not there is not.
  app.get('*', async (context, next) => {
    if (/\.[a-z0-9]+$/i.test(context.req.path)) return context.notFound();
    return serveStatic({ root, path: 'index.html', precompressed: true })(context, next);
  });
  return app;
}

/** A host without its port. */
const hostOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();
