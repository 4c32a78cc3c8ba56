import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Router } from 'express';
import helmet from 'helmet';

/** Stands in the built page wherever the nonce of the answer goes. */
const NONCE_PLACE = '__CSP_NONCE__';

/** Security headers for everything; scripts only from here, injected styles only with this answer's nonce. */
export function securityHeaders(): Router {
  const router = express.Router();
  router.use((_request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  });
  router.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: [
            "'self'",
            (_request, response) =>
              `'nonce-${String((response as unknown as { locals: Record<string, unknown> }).locals['nonce'])}'`,
          ],
          // Drawn positions and sizes are set from script as attributes of elements, which this allows and `<style>` does not.
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Served over plain HTTP inside the studio: a browser told to insist on HTTPS would lock itself out.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  );
  return router;
}

/** The built application from `directory`, its page for every address that is not a file. */
export function site(directory: string): Router {
  const router = express.Router();
  const page = join(directory, 'index.html');
  router.use(
    '/assets',
    express.static(join(directory, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  router.use(express.static(directory, { index: false, maxAge: 0 }));
  const html = existsSync(page) ? readFileSync(page, 'utf8') : null;
  router.get('/{*path}', (_request, response, next) => {
    if (html === null) {
      next();
      return;
    }
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(html.replaceAll(NONCE_PLACE, String(response.locals['nonce'])));
  });
  return router;
}
