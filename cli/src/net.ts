import { readFileSync, statSync } from 'node:fs';
import { NetProblem, readNet } from '@rough-bight/core/formats';
import type { ReadNet } from '@rough-bight/core/formats';
import { prepare, resultOf, solveSteps } from '@rough-bight/core/net';
import type { Engine, Outcome } from '@rough-bight/core/net';
import type { Output } from './main.js';
import { BadInput, readOptions } from './options.js';

const HELP = `rb net FILE

Solves a structure of nodes, lines, struts and panels (docs/formats/net.md) and prints the result as JSON.
Exit code 0 converged, 3 not converged (the JSON says why), 2 bad input (one line naming the id and the field).`;

/** Files larger than this are refused unread, bytes. */
const MOST_BYTES = 64e6;
/** ms. */
const MOST_TIME = 6000;

/** `rb net FILE`. */
export function net(args: readonly string[], io: Output): number {
  const [file, ...rest] = args;
  if (file === '--help') {
    io.out(HELP);
    return 0;
  }
  if (file === undefined || file.startsWith('--'))
    throw new BadInput(`file: ${file ?? '(nothing)'}; give one net file`);
  readOptions(rest, [], []);
  const { net: document, warnings } = read(file);
  const engine = prepare(document);
  const outcome = solveInTime(engine);
  io.out(JSON.stringify(resultOf(engine, outcome, warnings), null, 2));
  return outcome.converged ? 0 : 3;
}

/** The engine bounds its own work; on a slow machine the clock does, too. */
function solveInTime(engine: Engine): Outcome {
  const deadline = performance.now() + MOST_TIME;
  const steps = solveSteps(engine);
  for (;;) {
    const next = steps.next();
    if (next.done === true) return next.value;
    if (performance.now() > deadline) engine.allowance = 0;
  }
}

function read(file: string): ReadNet {
  let text: string;
  try {
    const { size } = statSync(file);
    if (size > MOST_BYTES) throw new BadInput(`file: ${file} has ${size} bytes; at most ${MOST_BYTES} are read`);
    text = readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(`file: ${file} cannot be read: ${(error as Error).message}`);
  }
  try {
    return readNet(text);
  } catch (error) {
    if (error instanceof NetProblem) throw new BadInput(error.message);
    throw error;
  }
}
