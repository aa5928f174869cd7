import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { secureHeaders } from 'hono/secure-headers';

/** Paths that a browser may keep for good: the build puts a hash of the content into their names. */
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2)$/;

/**
 * Serves the built app from `root`, with headers that let nothing in from outside and isolate the page.
 * Component styles are put into the page by the framework, hence inline styles; scripts are ours alone.
 */
export function kettleServer(root: string): Hono {
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
  app.use(async (context, next) => {
    await next();
    const forGood = HASHED.test(context.req.path);
    context.header('Cache-Control', forGood ? 'public, max-age=31536000, immutable' : 'no-cache');
  });
  app.use(serveStatic({ root, precompressed: true }));
  // An address of the app is answered with the page; a file that is not there is not.
  app.get('*', async (context, next) => {
    if (/\.[a-z0-9]+$/i.test(context.req.path)) return context.notFound();
    return serveStatic({ root, path: 'index.html', precompressed: true })(context, next);
  });
  return app;
}
