import { NetProblem, readNet } from '@rough-bight/core/formats';
import { buffersOf, numbersOf, prepare, solveInSlices } from '@rough-bight/core/net';
import type { Engine, Net, NetNumbers } from '@rough-bight/core/net';
import { expose, transfer } from 'comlink';

/** What a net file holds, or what is wrong with it. */
export type Opened =
  | { readonly ok: true; readonly net: Net; readonly warnings: readonly string[] }
  | { readonly ok: false; readonly message: string };

let engine: Engine | null = null;
let run = 0;

// held by the worker: a channel that only its own message would keep may be collected before it comes
const { port1: heard, port2: said } = new MessageChannel();
const breathing: (() => void)[] = [];
heard.onmessage = () => breathing.shift()?.();

/** A task of its own, so that messages sent meanwhile are heard first. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    breathing.push(resolve);
    said.postMessage(null);
  });

const service = {
  /** Reads a net file and makes ready to solve it. */
  open(text: string): Opened {
    run++;
    try {
      const { net, warnings } = readNet(text);
      engine = prepare(net);
      return { ok: true, net, warnings };
    } catch (error) {
      if (error instanceof NetProblem) return { ok: false, message: error.message };
      throw error;
    }
  },
  /** Solves what was opened; the arrays are handed over, not copied. null when it was stopped. */
  async solve(progress: (iterations: number) => void): Promise<NetNumbers | null> {
    if (engine === null) return null;
    const mine = ++run;
    const outcome = await solveInSlices(engine, {}, breathe, () => run !== mine, progress);
    if (outcome === null) return null;
    const numbers = numbersOf(engine, outcome);
    return transfer(numbers, buffersOf(numbers));
  },
  /** Ends the present solve within a slice. */
  stop(): void {
    run++;
  },
};

export type NetService = typeof service;
expose(service);
