import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { Logger } from 'nestjs-pino';
import { AppModule } from '../app.module.js';
import type { Store } from '../db/database.js';
import { ProblemFilter } from '../errors/filter.js';
import { wellFormed } from '../errors/well-formed.js';
import { validation } from '../errors/validation.js';
import { ownOnly } from './guard.js';

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

/** Builds the application over an open store; the caller listens or tests. */
export async function createApp(store: Store): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.over(store), {
    bufferLogs: true,
    bodyParser: false,
  });
  app.useLogger(app.get(Logger));
  app.disable('x-powered-by');
  app.use(ownOnly);
  const strict = policy(["'self'", EMPTY_STYLE]);
  const docs = policy(["'self'", "'unsafe-inline'"]);
  app.use((request: Request, response: Response, next: NextFunction) =>
    (request.path.startsWith('/api/docs') ? docs : strict)(request, response, next),
  );
  app.useBodyParser('raw', { type: 'application/zip', limit: '20mb' });
  app.useBodyParser('json', { limit: '200kb', strict: true });
  app.use('/api', wellFormed);
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.useGlobalPipes(validation);
  app.useGlobalFilters(new ProblemFilter());
  const config = new DocumentBuilder()
    .setTitle('Rough Bight')
    .setDescription('Numbers are SI: m, N, kg. Every error has the shape Problem.')
    .setVersion('1')
    .build();
  SwaggerModule.setup('api/docs', app, SwaggerModule.createDocument(app, config), {
    customSiteTitle: 'Rough Bight API',
    customCss: '.swagger-ui .topbar { display: none }',
  });
  return app;
}
