import 'reflect-metadata';
import { resolve } from 'node:path';
import { DataInUse } from './db/lock.js';
import { NewerData } from './db/bring-up.js';
import { openStore } from './db/database.js';
import { seed } from './db/seed.js';
import { Classroom, ownAddresses } from './class/classroom.js';
import type { Store } from './db/database.js';
import { createApp } from './web/create.js';

/** Where the data are, the port on this machine, and that of a class on its network; null without one. */
export interface Options {
  readonly data: string;
  readonly port: number;
  readonly class?: number | null;
}

/** Opens the data, serves on loopback, and says where; a class where one is asked for. Returns what stops it. */
export async function serve(
  options: Options,
): Promise<{ readonly address: string; readonly stop: () => Promise<void> }> {
  const store = await openStore(resolve(options.data));
  try {
    for (const said of store.opened) console.log(said);
    const seeded = await seed(store);
    const classroom = new Classroom();
    const app = await createApp(store, classroom);
    await app.listen(options.port, '127.0.0.1');
    const { port } = app.getHttpServer().address() as { port: number };
    if (seeded) console.log('The demo camp, Sallow Ait, was put in.');
    if (options.class !== undefined && options.class !== null) await openClass(classroom, store, options.class);
    return {
      address: `http://127.0.0.1:${port}`,
      stop: async () => {
        await classroom.close();
        await app.close();
        await store.close();
      },
    };
  } catch (error) {
    await store.close();
    throw error;
  }
}

/** Opens a class on this machine's networks, and says all that it opens and how to close it. */
async function openClass(classroom: Classroom, store: Store, port: number): Promise<void> {
  const addresses = (process.env['ROUGH_BIGHT_CLASS_AT'] ?? ownAddresses().join(' ')).split(/\s+/).filter(Boolean);
  if (addresses.length === 0) {
    console.log(
      'No class was opened: this machine is on no network. Join one, stop with Ctrl C, and start again with --class.',
    );
    return;
  }
  const room = await classroom.open(store, { addresses, port });
  console.log(`A class is open to whoever is on your network and knows the words, until you stop with Ctrl C or close it under "All at once":
  phones open   ${room.addresses.map((a) => `${a}/class`).join('  or  ')}
  code          ${room.code}
  passphrase    ${room.passphrase}
Learners see the drill that is asked and the rigs that you share, nothing else. The rest answers on this machine alone.`);
}

/** The same, for a terminal: messages a person can act on, and a clean stop on Ctrl C. */
export async function run(options: Options): Promise<void> {
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
      console.error(
        `Port ${(error as { port?: number }).port ?? options.port} is taken. Stop what uses it, or set PORT (or CLASS_PORT) to another.`,
      );
    else throw error;
    process.exitCode = 1;
  }
}
