import { cardHtml, cardOf, cardSvg } from '@rough-bight/core/card';
import { contextOf } from '@rough-bight/core/formats';
import { lasts, pitchingOf, scheduleOf, strikingOf, timeOf } from '@rough-bight/core/order';
import { HANDS, HAULS, USUAL_WORK, WORK_LIMITS } from '@rough-bight/core/rig';
import type { Hands, Hauls, Work } from '@rough-bight/core/rig';
import { judgeRig } from '@rough-bight/core/shelter';
import { sayMinutes, stepWords } from '@rough-bight/core/words';
import type { Output } from './main.js';
import { bad, readNumber, readOptions, single } from './options.js';
import { UNITS, onRig, readRig } from './rig.js';

const HELP = `rb work FILE [--down] [--hands alone|two|class] [--hauls bare|hung] [--rain] [--nights N] [--json]

The steps in which a rig (docs/formats/rig.md) is pitched, or taken down (--down): who does what, from when on, with which number.
What is left out is as the file has it.`;

/** As many as a rig may say. */
const NIGHTS = {
  says: `a whole number from ${WORK_LIMITS.nights.min} to ${WORK_LIMITS.nights.max}`,
  fits: (n: number): boolean => Number.isInteger(n) && n >= WORK_LIMITS.nights.min && n <= WORK_LIMITS.nights.max,
};

/** One of a table's keys as typed; null where nothing was. */
function keyIn<K extends string>(
  table: Readonly<Record<K, string>>,
  option: string,
  text: string | undefined,
): K | null {
  if (text === undefined) return null;
  const keys = Object.keys(table) as K[];
  if (!keys.includes(text as K)) throw bad(option, text, keys.join(', '));
  return text as K;
}

/** `rb work FILE`. */
export function work(args: readonly string[], io: Output): number {
  const [name, ...rest] = args;
  if (name === '--help') {
    io.out(HELP);
    return 0;
  }
  const file = readRig(name);
  const options = readOptions(rest, ['hands', 'hauls', 'nights'], ['down', 'rain', 'json']);
  const nights = single(options, 'nights');
  const was = file.rig.work ?? USUAL_WORK;
  const set: Work = {
    hands: keyIn<Hands>(HANDS, 'hands', single(options, 'hands')) ?? was.hands,
    hauls: keyIn<Hauls>(HAULS, 'hauls', single(options, 'hauls')) ?? was.hauls,
    rain: options.has('rain') || was.rain,
    nights: nights === undefined ? was.nights : readNumber('nights', nights, NIGHTS),
  };
  const rig = { ...file.rig, work: set };
  const context = contextOf(file);
  const { report } = onRig(() => judgeRig(rig, context, { full: true, spreads: false, rising: false }));
  const steps = (options.has('down') ? strikingOf : pitchingOf)(rig, context, report);
  const plan = scheduleOf(steps, set.hands, (s) => timeOf(s, []).value);
  const told = plan.map(({ step, by, from, to }) => ({
    step: step.code,
    by: by.map((k) => k + 1),
    from: Math.round(from),
    to: Math.round(to),
    ...stepWords(step, { body: context.body, units: UNITS }),
  }));
  if (options.has('json')) io.out(JSON.stringify({ name: file.name, ...set, steps: told }, null, 2));
  else {
    io.out(`${file.name}, ${HANDS[set.hands]}: ${sayMinutes(lasts(plan))}`);
    told.forEach((t, i) => {
      const who = set.hands === 'alone' ? '' : ` [${t.by.join('+')}]`;
      io.out(`${String(i + 1).padStart(2)}.${who} ${t.what}${t.number === '' ? '' : `: ${t.number}`}`);
      if (t.how !== '') io.out(`    ${t.how}`);
    });
  }
  return 0;
}

const CARD_HELP = `rb card FILE [--svg]

A rig's card for the pocket (docs/formats/rig.md), as one page that stands by itself, or as SVG: rb card FILE > card.html`;

/** `rb card FILE`. */
export function card(args: readonly string[], io: Output): number {
  const [name, ...rest] = args;
  if (name === '--help') {
    io.out(CARD_HELP);
    return 0;
  }
  const file = readRig(name);
  const options = readOptions(rest, [], ['svg']);
  const context = contextOf(file);
  const { report } = onRig(() => judgeRig(file.rig, context, { full: true }));
  // a file has no id: its name is what it is known by
  const made = cardOf({ ...file, id: file.name, context, report, units: UNITS, timed: [], address: null });
  io.out((options.has('svg') ? cardSvg(made) : cardHtml(file.name, [made])).trimEnd());
  return 0;
}
