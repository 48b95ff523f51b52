import 'reflect-metadata';
import { resolve } from 'node:path';
import { DataInUse } from './db/lock.js';
import { NewerData } from './db/bring-up.js';
import { openStore } from './db/database.js';
import { seed } from './db/seed.js';
import { createApp } from './web/create.js';

/** Opens the data, serves on loopback, and says where. Returns what stops it. */
export async function serve(options: {
  readonly data: string;
  readonly port: number;
}): Promise<{ readonly address: string; readonly stop: () => Promise<void> }> {
  const store = await openStore(resolve(options.data));
  try {
    for (const said of store.opened) console.log(said);
    const seeded = await seed(store);
    const app = await createApp(store);
    await app.listen(options.port, '127.0.0.1');
    const { port } = app.getHttpServer().address() as { port: number };
    if (seeded) console.log('The demo camp, Sallow Ait, was put in.');
    return {
      address: `http://127.0.0.1:${port}`,
      stop: async () => {
        await app.close();
        await store.close();
      },
    };
  } catch (error) {
    await store.close();
    throw error;
  }
}

/** The same, for a terminal: messages a person can act on, and a clean stop on Ctrl C. */
export async function run(options: { readonly data: string; readonly port: number }): Promise<void> {
  try {
    const { address, stop } = await serve(options);
    console.log(`Rough Bight is ready: ${address}`);
    let stopping = false;
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.on(signal, () => {
        if (stopping) return;
        stopping = true;
        void stop().then(() => process.exit(0));
      });
  } catch (error) {
    if (error instanceof DataInUse || error instanceof NewerData) console.error(error.message);
    else if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE')
      console.error(`Port ${options.port} is taken. Stop what uses it, or set PORT to another.`);
    else throw error;
    process.exitCode = 1;
  }
}
