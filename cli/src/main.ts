import { cords } from './cords.js';
import { net } from './net.js';
import { BadInput } from './options.js';
import { ridge } from './ridge.js';
import { rig } from './rig.js';
import { size } from './size.js';
import { card, work } from './work.js';

/** Where a command writes. */
export interface Output {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

const USAGE = `rb cords                 the cords of the catalogue
rb ridge --span M ...    a line between two points; rb ridge --help tells more
rb rig FILE              a pitched rig: lines, anchors, hitches, cloth; rb rig --help tells more
rb size FILE             a pitched rig sized from its kit; rb size --help tells more
rb work FILE             the steps in which a rig is pitched or taken down; rb work --help tells more
rb card FILE             a rig's card for the pocket, as a page or as SVG
rb net FILE              a structure of nodes, lines, struts and panels; rb net --help tells more`;

const COMMANDS: Readonly<Record<string, (args: readonly string[], io: Output) => number | void>> = {
  cords,
  ridge,
  rig,
  size,
  work,
  card,
  net,
};

/** Runs one command line. Returns the exit code: 0 done, 2 bad input (one line on standard error), 3 no answer found. */
export function main(args: readonly string[], io: Output): number {
  const [name, ...rest] = args;
  if (name === undefined || name === 'help' || name === '--help') {
    io.out(USAGE);
    return 0;
  }
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  if (command === undefined) {
    io.err(`command: ${name}; allowed: ${Object.keys(COMMANDS).join(', ')}`);
    return 2;
  }
  try {
    return command(rest, io) ?? 0;
  } catch (error) {
    if (error instanceof BadInput) {
      io.err(error.message.replaceAll('\n', ' '));
      return error.code;
    }
    throw error;
  }
}
