import { CORDS, cordWeight, dryCurve, findCord } from '@rough-bight/core/catalogue';
import type { Span, SpanState } from '@rough-bight/core/line';
import {
  NoSuchLine,
  linearCurve,
  pretensionOf,
  solveSpan,
  unstressedFromDip,
  unstressedFromPretension,
  unstressedFromSag,
} from '@rough-bight/core/line';
import { GRAVITY } from '@rough-bight/core/quantity';
import type { Output } from './main.js';
import type { Allowed, Options } from './options.js';
import { BadInput, bad, readNumber, readOptions, single } from './options.js';

const HELP = `rb ridge --span M [--rise M] (--cord ID | --ea N [--weight N/m])
         (--pretension N | --sag M | --dip KG@X=M | --take-up M) [--load N@X]... [--json]

--span        horizontal distance between the ends, m
--rise        second end above the first, m (default 0)
--cord        a cord of the catalogue (rb cords), dry
--ea          axial stiffness instead, N; --weight in N per unstressed metre
--pretension  tension of the straight bare line, weightless, N
--sag         largest drop below the chord with the loads on, m
--dip         extra drop M at X when KG alone hangs on the bare line there
--take-up     length hauled out of a line that was just straight and without tension, m
--load        weight N hung at X, repeatable
X is measured along the straight bare line from the first end, m.

JSON, N and m: tension is the largest along the line; sagAt is the horizontal distance of the largest
drop from the first end; an anchor's horizontal force points along the span toward the other end, its
vertical force down.`;

const positive = (unit: string, most: number): Allowed => ({
  says: `a number above 0 and at most ${most} ${unit}`,
  fits: (x) => x > 0 && x <= most,
});
const upTo = (unit: string, most: number): Allowed => ({
  says: `a number from 0 to ${most} ${unit}`,
  fits: (x) => x >= 0 && x <= most,
});
const LIMITS = {
  span: positive('m', 1000),
  rise: { says: 'a number from -1000 to 1000 m', fits: (x) => Math.abs(x) <= 1000 },
  ea: positive('N', 1e9),
  weight: upTo('N/m', 1000),
  pretension: upTo('N', 1e6),
  sag: positive('m', 1000),
  load: upTo('N', 1e6),
  mass: positive('kg', 1e5),
  dip: positive('m', 1000),
} as const satisfies Record<string, Allowed>;

const TENSIONINGS = ['pretension', 'sag', 'dip', 'take-up'] as const;

interface Answer {
  readonly span: Span;
  readonly state: SpanState;
  readonly pretension: number;
  readonly warnings: readonly string[];
}

/** `rb ridge`: one line between two rigid points. */
export function ridge(args: readonly string[], io: Output): void {
  const options = readOptions(args, ['span', 'rise', 'cord', 'ea', 'weight', ...TENSIONINGS, 'load'], ['json', 'help']);
  if (options.has('help')) {
    io.out(HELP);
    return;
  }
  const answer = solve(options);
  if (options.has('json')) io.out(JSON.stringify(toJson(answer), null, 2));
  else toText(answer).forEach(io.out);
}

function solve(options: Options): Answer {
  const spanText = single(options, 'span');
  if (spanText === undefined) throw bad('span', '', LIMITS.span.says);
  const width = readNumber('span', spanText, LIMITS.span);
  const rise = readNumber('rise', single(options, 'rise') ?? '0', LIMITS.rise);
  const distance = Math.hypot(width, rise);
  const warnings: string[] = [];

  const cordId = single(options, 'cord');
  const eaText = single(options, 'ea');
  const weightText = single(options, 'weight');
  if (cordId !== undefined && eaText !== undefined) throw bad('ea', eaText, 'either --cord or --ea, not both');
  if (weightText !== undefined && eaText === undefined)
    throw bad('weight', weightText, 'only with --ea; a cord brings its own weight');
  if (cordId === undefined && eaText === undefined)
    throw bad('cord', '', `--cord with one of ${CORDS.map((c) => c.id).join(', ')}, or --ea N`);
  let line: Pick<Span, 'curve' | 'perMetre'>;
  let strength = Number.POSITIVE_INFINITY;
  if (cordId !== undefined) {
    const cord = findCord(cordId);
    if (cord === undefined) throw bad('cord', cordId, CORDS.map((c) => c.id).join(', '));
    line = { curve: dryCurve(cord), perMetre: [0, 0, -cordWeight(cord, false)] };
    strength = cord.strength.typical;
  } else {
    const weight = weightText === undefined ? 0 : readNumber('weight', weightText, LIMITS.weight);
    line = { curve: linearCurve(readNumber('ea', eaText!, LIMITS.ea)), perMetre: [0, 0, weight === 0 ? 0 : -weight] };
  }

  const onLine: Allowed = {
    says: `X above 0 and below the straight length, ${Number(distance.toFixed(4))} m`,
    fits: (x) => x > 0 && x < distance,
  };
  const loads = (options.get('load') ?? []).map((text) => {
    const parts = text.split('@');
    if (parts.length !== 2) throw bad('load', text, 'N@X, as in 30@2.5');
    const force = readNumber('load', parts[0]!, LIMITS.load, text);
    const at = readNumber('load', parts[1]!, onLine, text);
    return { at: at / distance, force: [0, 0, force === 0 ? 0 : -force] as const };
  });
  const span: Span = {
    chord: [width, 0, rise],
    ...line,
    loads,
    give: [
      [0, 0, 0],
      [0, 0, 0],
    ],
  };

  const given = TENSIONINGS.filter((t) => options.has(t));
  if (given.length !== 1)
    throw new BadInput(
      `--pretension, --sag, --dip, --take-up: ${given.length === 0 ? 'none' : given.map((g) => `--${g}`).join(' and ')} given; allowed: exactly one of them`,
    );
  const how = given[0]!;
  const text = single(options, how)!;
  const unstressed = unstressedFor(span, how, text, distance, onLine);
  const state = solveSpan(span, unstressed);
  if (!state.converged) throw new BadInput(`no equilibrium found: ${state.reason}`, 3);
  if (state.slack) warnings.push('the line is slack and weightless: it has no tension and no shape of its own');
  if (state.tension > strength)
    warnings.push(`the tension is above the cord's strength, ${strength.toFixed(0)} N: it would have broken`);
  return { span, state, pretension: pretensionOf(span, unstressed), warnings };
}

function unstressedFor(
  span: Span,
  how: (typeof TENSIONINGS)[number],
  text: string,
  distance: number,
  onLine: Allowed,
): number {
  try {
    switch (how) {
      case 'pretension':
        return unstressedFromPretension(span, readNumber(how, text, LIMITS.pretension));
      case 'sag':
        return unstressedFromSag(span, readNumber(how, text, LIMITS.sag));
      case 'take-up': {
        const allowed = {
          says: `a number from 0 to below the straight length, ${Number(distance.toFixed(4))} m`,
          fits: (x: number) => x >= 0 && x < distance,
        };
        return distance - readNumber(how, text, allowed);
      }
      case 'dip': {
        const parts = /^([^@=]*)@([^@=]*)=([^@=]*)$/.exec(text);
        if (parts === null) throw bad(how, text, 'KG@X=M, as in 2@3=0.12');
        const mass = readNumber(how, parts[1]!, LIMITS.mass, text);
        const at = readNumber(how, parts[2]!, onLine, text);
        const drop = readNumber(how, parts[3]!, LIMITS.dip, text);
        return unstressedFromDip(span, at / distance, mass * GRAVITY, drop);
      }
    }
  } catch (error) {
    if (error instanceof NoSuchLine) throw bad(how, text, error.message);
    throw error;
  }
}

/** Minus zero is nothing a reader wants. */
const plain = (x: number): number => (x === 0 ? 0 : x);

function toJson({ span, state, pretension, warnings }: Answer): object {
  const toward = Math.sign(span.chord[0]);
  return {
    tension: state.tension,
    horizontal: Math.abs(state.pull[0][0]),
    sag: state.sag,
    sagAt: state.sagAt,
    unstressedLength: state.unstressed,
    pretension,
    anchors: state.pull.map((p, i) => ({
      horizontal: plain(p[0] * (i === 0 ? toward : -toward)),
      vertical: plain(-p[2]),
      resultant: Math.hypot(...p),
    })),
    ...(warnings.length > 0 ? { warnings } : {}),
  };
}

function toText({ state, pretension, warnings }: Answer): string[] {
  const force = (x: number): string => `${plain(x).toFixed(1)} N`;
  return [
    `largest tension     ${force(state.tension)}`,
    `sag                 ${state.sag.toFixed(4)} m, ${state.sagAt.toFixed(3)} m from the first end`,
    `unstressed length   ${state.unstressed.toFixed(4)} m`,
    `straight and bare   ${force(pretension)}`,
    ...state.pull.map(
      (p, i) =>
        `${i === 0 ? 'first ' : 'second'} anchor       ${force(Math.abs(p[0]))} across, ${force(-p[2])} down, ${force(Math.hypot(...p))} in all`,
    ),
    ...warnings.map((w) => `warning             ${w}`),
    'Rigid ends, still air, one line. Look up, knock and push before you trust a trunk.',
  ];
}
