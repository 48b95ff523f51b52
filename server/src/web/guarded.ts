import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { Logger } from 'nestjs-pino';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ProblemFilter } from '../errors/filter.js';
import { validation } from '../errors/validation.js';
import { wellFormed } from '../errors/well-formed.js';

/** The hash of nothing: lets the style library open an empty sheet to add rules to; inline text stays forbidden. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";

const policy = (style: string[]): ReturnType<typeof helmet> =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'none'"],
        // the solver of cord plans is compiled; nothing else is made of text at run time
        'script-src': ["'self'", "'wasm-unsafe-eval'"],
        'style-src': style,
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'", 'blob:', 'data:'],
        'worker-src': ["'self'", 'blob:'],
        'manifest-src': ["'self'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
      },
    },
    strictTransportSecurity: false,
    crossOriginEmbedderPolicy: false,
    referrerPolicy: { policy: 'no-referrer' },
  });

/** What is built of the interface. */
export const webFolder = join(dirname(fileURLToPath(import.meta.url)), '../../../web/dist');

type Door = (request: Request, response: Response, next: NextFunction) => void;
/**
 * What every server of the program has: its door, the policy of its pages, well-formed requests, checked bodies.
 * @param bodies sets what bodies it reads, and how large they may be
 */
export function guarded(app: NestExpressApplication, door: Door, bodies: () => void): void {
  app.useLogger(app.get(Logger));
  app.disable('x-powered-by');
  app.use(door);
  const strict = policy(["'self'", EMPTY_STYLE]);
  const docs = policy(["'self'", "'unsafe-inline'"]);
  app.use((request: Request, response: Response, next: NextFunction) =>
    (request.path.startsWith('/api/docs') ? docs : strict)(request, response, next),
  );
  bodies();
  // of bodies that were read
  app.use('/api', wellFormed);
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.useGlobalPipes(validation);
  app.useGlobalFilters(new ProblemFilter());
}
