import { fileURLToPath } from 'node:url';
import { Injectable } from '@nestjs/common';
import type { OnModuleDestroy } from '@nestjs/common';
import type { NetResult } from '@rough-bight/core/net';
import { Piscina } from 'piscina';
import { ProblemException } from '../errors/problem.js';
import type { NetAnswer } from './net.thread.js';

/** The built thread: beside this file once built; source files run in place take it from there too. */
const THREAD = fileURLToPath(new URL('../../dist/net/net.thread.js', import.meta.url));

/** Solves nets in a thread, so that a heavy one never holds up the rest. */
@Injectable()
export class NetService implements OnModuleDestroy {
  private threads: Piscina<unknown, NetAnswer> | undefined;

  /** @param signal stops the work, and its thread, when it is no longer wanted */
  async solve(document: unknown, signal: AbortSignal): Promise<NetResult> {
    this.threads ??= new Piscina<unknown, NetAnswer>({
      filename: THREAD,
      minThreads: 0,
      maxThreads: 1,
      maxQueue: 16,
      idleTimeout: 30_000,
    });
    const answer = await this.threads.run(document, { signal }).catch((error: unknown) => {
      if (!signal.aborted) throw error;
      throw new ProblemException({ code: 'failed', message: 'Stopped: nobody waits for the answer any more.' });
    });
    if (answer.ok) return answer.result;
    throw new ProblemException({
      code: 'invalid',
      message: answer.message,
      fields: [{ field: `${answer.id}: ${answer.field}`, message: answer.message }],
    });
  }

  async onModuleDestroy(): Promise<void> {
    await this.threads?.destroy();
  }
}
