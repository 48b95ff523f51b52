import 'reflect-metadata';
import { afterAll, beforeAll, jest } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Server } from 'node:http';
import { openEmbedded } from '../src/db/database.js';
import type { Store } from '../src/db/database.js';
import { seed } from '../src/db/seed.js';
import { createApp } from '../src/web/create.js';

/** The application over a demo camp of the file's own, up while its tests run. Call once, at the top. */
export function served(): { readonly http: () => Server } {
  jest.setTimeout(60_000);
  let store: Store;
  let app: NestExpressApplication;
  beforeAll(async () => {
    process.env['ROUGH_BIGHT_LOG'] = 'silent';
    store = await openEmbedded(null);
    await seed(store);
    app = await createApp(store);
    await app.listen(0, '127.0.0.1');
  });
  afterAll(async () => {
    await app.close();
    await store.close();
  });
  return { http: () => app.getHttpServer() as Server };
}
