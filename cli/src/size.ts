import { contextOf } from '@rough-bight/core/formats';
import { SIZE_AIMS, sizeRig, strongestWind } from '@rough-bight/core/sizing';
import type { Bill, SizeAim, SizedRig } from '@rough-bight/core/sizing';
import type { Output } from './main.js';
import { bad, readOptions, single } from './options.js';
import { UNITS, onRig, readPitched } from './rig.js';

const HELP = `rb size FILE [--for cut|mass|items] [--json]

Sizes a whole pitched rig (docs/formats/rig.md) from the kit in the file: cord, ends, wraps and pegs of every line, and the
pulls where they are too much, so that every margin holds.
--for   least cord cut (cut, the default), least weight (mass) or fewest pegs and kinds of cord (items)
Exit code 0 every margin holds with the changes, 3 something cannot be met (it says what would), 2 bad input.`;

/** `rb size FILE`. */
export function size(args: readonly string[], io: Output): number {
  const [name, ...rest] = args;
  if (name === '--help') {
    io.out(HELP);
    return 0;
  }
  const file = readPitched(name);
  const options = readOptions(rest, ['for'], ['json']);
  const aim = (single(options, 'for') ?? 'cut') as SizeAim;
  if (!SIZE_AIMS.includes(aim)) throw bad('for', aim, SIZE_AIMS.join(', '));
  const context = contextOf(file);
  const sized = onRig(() => sizeRig(file.rig, context, aim, UNITS))!;
  const wind = sized.met ? null : onRig(() => strongestWind(sized.rig, context));
  if (options.has('json')) io.out(JSON.stringify({ name: file.name, ...sized, holdsUpToBeaufort: wind }, null, 2));
  else toText(file.name, sized, wind).forEach(io.out);
  return sized.met ? 0 : 3;
}

const AIM_NAMES: Readonly<Record<SizeAim, string>> = {
  cut: 'least cord cut',
  mass: 'least weight',
  items: 'fewest pegs and kinds of cord',
};

const billed = (b: Bill): string =>
  `${b.cut.toFixed(2)} m of cord, ${(b.mass * 1000).toFixed(0)} g with pegs, ${b.pegs} pegs, ${b.kinds} kinds of cord`;

function toText(name: string, r: SizedRig, wind: number | null): string[] {
  const out = [
    `${name}, sized for ${AIM_NAMES[r.aim]}: ${r.met ? 'every margin holds' : 'not every margin can be met'}`,
    `now    ${billed(r.before)}`,
    `sized  ${billed(r.after)}`,
  ];
  if (r.changes.length === 0) out.push('', 'Nothing to change.');
  for (const c of r.changes) out.push('', c.what, `  now: ${c.was}`, `  why: ${c.reason}`, `  then: ${c.effect}`);
  for (const u of r.unmet) out.push('', `NOT MET: ${u.sentence}`, `  would do: ${u.remedy}`);
  if (!r.met)
    out.push(
      '',
      wind === null ? 'So sized it is short even in still air.' : `So sized every margin holds up to Beaufort ${wind}.`,
    );
  if (!r.proven) out.push('', 'The search was cut short: there may be a cheaper choice.');
  return out;
}
