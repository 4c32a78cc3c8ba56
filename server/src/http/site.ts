import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Request, type Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { viewLinks, type MayAsk } from './viewLinks';

/** Stands in the built page wherever the nonce of the answer goes. */
const NONCE_PLACE = '__CSP_NONCE__';

/** What a page of the studio may ask the browser for; all else is off, in frames too. */
const PERMISSIONS =
  'camera=(self), screen-wake-lock=(self), fullscreen=(self), accelerometer=(), display-capture=(), geolocation=(), gyroscope=(), hid=(), magnetometer=(), microphone=(), midi=(), payment=(), publickey-credentials-get=(), serial=(), usb=()';
/**
 * How long a browser that came by TLS keeps to it, s: a month, so that a studio
 * that goes back to plain HTTP is not shut out for long.
 */
const KEEP_TO_TLS_S = 30 * 86_400;

/** Security headers for everything; scripts only from here, injected styles only with this answer's nonce. */
export function securityHeaders(): Router {
  const router = express.Router();
  router.use((request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    response.set('Permissions-Policy', PERMISSIONS);
    if (request.secure) response.set('Strict-Transport-Security', `max-age=${KEEP_TO_TLS_S}`);
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
      // Set above, and only where the page came by TLS: a browser told so over plain HTTP would lock itself out.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  );
  return router;
}

/** Answers shorter than this are sent as they are, bytes. */
const PACKED_FROM = 1_400;
/** What is packed on the way: whole answers of text. A stream that tells things one by one would wait for more. */
const WHOLE_TEXT = /^(?:application\/(?:json|manifest\+json)|text\/(?:html|csv|plain|calendar))\b/;

/** The jar that a browser shows beside the title, and how long it keeps it, s. */
const MARK = /jar(?:-\d+)?\.(?:svg|png)$/;
const MARK_KEPT_S = 86_400;

/** Packs answers as they are sent, where the browser takes it. */
export const packedAnswers = (): express.RequestHandler =>
  compression({
    threshold: PACKED_FROM,
    filter: (_request, response) => WHOLE_TEXT.test(String(response.getHeader('Content-Type') ?? '')),
  });

/**
 * The built application from `directory`, its page for every address that is not a file.
 * @param mayAsk what who sent a request may ask the API for
 */
export function site(directory: string, apiPrefix: string, mayAsk: (request: Request) => MayAsk): Router {
  const router = express.Router();
  const page = join(directory, 'index.html');
  router.use(
    '/assets',
    expressStaticGzip(join(directory, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  );
  router.use(
    express.static(directory, {
      index: false,
      maxAge: 0,
      // A browser asks for its mark again with each address.
      setHeaders: (response, file) => {
        if (MARK.test(file)) response.set('Cache-Control', `public, max-age=${MARK_KEPT_S}`);
      },
    }),
  );
  const html = existsSync(page) ? readFileSync(page, 'utf8') : null;
  const linksOf = viewLinks(directory, apiPrefix);
  router.get('/{*path}', async (request, response, next) => {
    if (html === null) {
      next();
      return;
    }
    const nonce = String(response.locals['nonce']);
    const links = await linksOf(request.originalUrl, nonce, mayAsk(request));
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(
        html
          .replaceAll(NONCE_PLACE, nonce)
          // Behind what every page begins with, which is asked for first.
          .replace('</head>', () => `${links}</head>`),
      );
  });
  return router;
}
