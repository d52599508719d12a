import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import sirv from 'sirv';

/**
 * The application's own policy. Frames cannot be navigated anywhere (srcdoc still loads), scripts come from us alone;
 * inline styles are allowed because preview frames inherit this policy and owners' pages have them.
 */
export function protect(app: NestExpressApplication): void {
  const strict = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        frameSrc: ["'none'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Served on loopback without TLS.
    strictTransportSecurity: false,
    crossOriginEmbedderPolicy: false,
  });
  app.use(strict);
}

/** Serves the built web application; every address that is not a file or the API opens it. */
export function serveWeb(app: NestExpressApplication, folder: string): void {
  const files = sirv(folder, {
    single: true,
    etag: true,
    setHeaders: (response, path) => {
      const hashed = path.startsWith('/assets/');
      response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.path === '/api' || request.path.startsWith('/api/')) return next();
    files(request, response, next);
  });
}
