import { join } from 'node:path';
import { main } from '../src/main.js';

/** A demo rig as a file. */
export const example = (name: string): string => join(process.cwd(), 'examples/rigs', `${name}.rig.json`);

/** Runs `rb` with these words and keeps what it writes. */
export function rb(...args: string[]): { code: number; out: string; err: string } {
  const out: string[] = [];
  const err: string[] = [];
  const code = main(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}
