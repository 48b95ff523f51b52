import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { AppModule } from '../app.module.js';
import type { Store } from '../db/database.js';
import { ownOnly } from './guard.js';
import { guarded } from './guarded.js';
import { Classroom } from '../class/classroom.js';

/** Builds the application over an open store; the caller listens or tests. */
export async function createApp(store: Store, classroom = new Classroom()): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.over(store, classroom), {
    bufferLogs: true,
    bodyParser: false,
  });
  guarded(app, ownOnly, () => {
    app.useBodyParser('raw', { type: 'application/zip', limit: '20mb' });
    app.useBodyParser('json', { limit: '200kb', strict: true });
  });
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
