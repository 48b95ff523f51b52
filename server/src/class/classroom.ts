import { Controller, Get, Module, Redirect } from '@nestjs/common';
import type { DynamicModule } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Request, Response } from 'express';
import { LoggerModule } from 'nestjs-pino';
import { existsSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import type { Store } from '../db/database.js';
import { guarded, webFolder } from '../web/guarded.js';
import { classOnly } from '../web/guard.js';
import { LearnerController } from './learner.controller.js';
import { Room } from './room.js';

/** Injection token of the class that may be open. */
export const CLASSROOM = Symbol('classroom');

/** Whoever finds the address finds the page. */
@Controller()
class Door {
  @Get()
  @Redirect('/class', 302)
  home(): void {
    // told by its decorator
  }
}

@Module({})
class ClassModule {
  static over(room: Room): DynamicModule {
    return {
      module: ClassModule,
      imports: [
        LoggerModule.forRoot({ pinoHttp: { level: process.env['ROUGH_BIGHT_LOG'] ?? 'warn', autoLogging: false } }),
      ],
      controllers: [Door, LearnerController],
      providers: [{ provide: Room, useValue: room }],
    };
  }
}

/** Addresses of this machine on its own networks, IPv4. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);

/** Where a class is served: on which addresses and port. */
export interface ClassAt {
  readonly addresses: readonly string[];
  readonly port: number;
}

/** A class that may be open: phones find it on the network, and nothing else of the program there. Off until it is opened. */
export class Classroom {
  room: Room | null = null;
  private apps: NestExpressApplication[] = [];

  /** Opens it: at each address a server of its own, which knows learners' requests alone. */
  async open(store: Store, { addresses, port }: ClassAt): Promise<Room> {
    const room = await Room.open(store);
    const served: string[] = [];
    try {
      for (const address of addresses) {
        const hosts = new Set<string>();
        const app = await NestFactory.create<NestExpressApplication>(ClassModule.over(room), {
          bufferLogs: true,
          bodyParser: false,
        });
        guarded(app, classOnly(hosts), () => {
          app.useBodyParser('json', { limit: '20kb', strict: true });
        });
        if (existsSync(webFolder)) {
          app.useStaticAssets(webFolder, { index: false });
          app.use('/class', (_request: Request, response: Response) =>
            response.sendFile(join(webFolder, 'index.html')),
          );
        }
        await app.listen(port, address);
        this.apps.push(app);
        const at = (app.getHttpServer().address() as { port: number }).port;
        hosts.add(`${address}:${at}`);
        served.push(`http://${address}:${at}`);
      }
    } catch (error) {
      await this.close();
      throw error;
    }
    room.addresses = served;
    this.room = room;
    return room;
  }

  async close(): Promise<void> {
    this.room?.close();
    this.room = null;
    const apps = this.apps;
    this.apps = [];
    for (const app of apps) {
      app.getHttpServer().closeAllConnections();
      await app.close();
    }
  }
}
