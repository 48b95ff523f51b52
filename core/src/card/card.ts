import { cutLength } from '../cordage/index.js';
import { lasts, marksOf, pitchingOf, scheduleOf, strikingOf, timeOf } from '../order/index.js';
import type { Planned, Step, Timed } from '../order/index.js';
import { amount, capital, metres, phrase, say, sayByArms, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { USUAL_WORK, measuredSpan, trunksUsed } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';
import { atHeight, listed, sayMinutes, stepWords, verdictOf, wordsOf } from '../words/index.js';
import { codeOf } from './code.js';
import { modulesOf } from './modules.js';
import type { Picture } from './picture.js';
import { picturesOf } from './picture.js';

/** A line of a card: what, and its number. */
export interface CardLine {
  readonly what: string;
  readonly number: string;
}

/** One rig on a card in the pocket: everything as words in its reader's units, and true pictures. */
export interface Card {
  readonly title: string;
  readonly form: string;
  readonly note: string;
  /** By which it is found again, and that as a camera reads it. */
  readonly code: string;
  readonly modules: readonly (readonly boolean[])[];
  readonly holds: boolean;
  readonly verdict: string;
  readonly detail: string;
  readonly numbers: readonly CardLine[];
  readonly guys: readonly CardLine[];
  readonly up: readonly CardLine[];
  readonly upIn: string;
  readonly down: readonly CardLine[];
  readonly downIn: string;
  /** When to haul in what again, and what else the night asks. */
  readonly night: readonly CardLine[];
  readonly cord: readonly CardLine[];
  readonly bright: readonly string[];
  readonly dull: readonly string[];
  readonly warnings: readonly string[];
  readonly side: Picture;
  readonly above: Picture;
}

/** What a card is made of. */
export interface CardOf {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly rig: RidgeRig;
  readonly context: RigContext;
  /** Judged in full. */
  readonly report: RigReport;
  readonly units: UnitChoice;
  readonly timed: readonly Timed[];
  /** Where it is found on the instructor's own network; null where only its code is printed. */
  readonly address: string | null;
}

const PICTURE = [300, 170] as const;
/** Said on every card: short, where someone can be hurt. */
const CAUTIONS = [
  'Look up before you stand under anything; in doubt another tree. Numbers about trees never pass one.',
  'Storm, lightning, a rising river: leave. Fire and stoves away from cloth, never under a low roof.',
  'Local rules and those who know the place come first.',
] as const;

export function cardOf(of: CardOf): Card {
  const { id, name, note, rig, context, report, units, timed, address } = of;
  const reader = { body: context.body, units };
  const { hands } = rig.work ?? USUAL_WORK;
  const seconds = (s: Step): number => timeOf(s, timed).value;
  const [up, down] = [pitchingOf(rig, context, report), strikingOf(rig, context, report)].map((steps) =>
    scheduleOf(steps, hands, seconds),
  ) as [Planned[], Planned[]];
  const lines = (plan: readonly Planned[], night: boolean): CardLine[] =>
    plan
      .filter((p) => (p.step.code === 'haul') === night)
      .map(({ step }) => {
        const said = stepWords(step, reader);
        return { what: night ? `${said.what}: ${said.how}` : said.what, number: said.number };
      });
  const verdict = verdictOf(report, context.body);
  const { bright, dull } = marksOf(rig, report);
  const code = codeOf(id);
  const draw = (view: 'side' | 'above'): Picture => picturesOf(report, context.body, view, PICTURE)();
  return {
    title: name,
    form: report.roof?.formName ?? (report.bed === null ? 'line' : 'bed'),
    note,
    code,
    modules: modulesOf(address ?? code),
    holds: verdict.holds,
    verdict: tell(verdict.sentence, units),
    detail: tell(verdict.detail, units),
    numbers: numbersOf(of),
    guys: guysOf(of),
    up: lines(up, false),
    upIn: sayMinutes(lasts(up)),
    down: lines(down, false),
    downIn: sayMinutes(lasts(down)),
    night: lines(up, true),
    cord: report.rows.flatMap((r): CardLine[] =>
      r.cut === null
        ? []
        : [
            {
              what: `${capital(r.name)}, ${r.what}`,
              number: `${say(cutLength(r.cut), 'length', units)}, ${sayByArms(cutLength(r.cut), context.body)}`,
            },
          ],
    ),
    bright: bright.map((b) => b.name),
    dull: dull.map((d) => d.name),
    warnings: [
      ...report.findings
        .filter((f) => f.severity !== 'fails' && f.severity !== 'refuses')
        .slice(0, MOST_WARNINGS)
        .map((f) => tell(wordsOf(f).says, units)),
      ...CAUTIONS,
    ],
    side: draw('side'),
    above: draw('above'),
  };
}

/** As many as are read; the rest is on the bench. */
const MOST_WARNINGS = 5;

function numbersOf({ rig, context, report, units }: CardOf): CardLine[] {
  const { body } = context;
  const reader = { body, units };
  const span = measuredSpan(rig, body);
  const ridge = report.rows.find((r) => r.role === 'ridge');
  const paces = Math.round((2 * span) / body.pace) / 2;
  return [
    { what: 'Between the trees', number: tell(phrase`${metres(span)}, ${paces} of my paces`, units) },
    ...trunksUsed(rig).map((i) => ({
      what: `Tie at ${rig.trunks[i].name}`,
      number: capital(atHeight(rig.trunks[i].tieHeight, reader)),
    })),
    ...(ridge === undefined ? [] : [{ what: 'In the line, pitched', number: say(ridge.pitched, 'force', units) }]),
    ...(report.roof === null
      ? []
      : [{ what: 'Room to sit', number: say(report.roof.room.pitched.headroom, 'length', units) }]),
    ...(report.bed === null
      ? []
      : [
          { what: 'Bed over the ground', number: say(report.bed.lying.height.value, 'length', units) },
          { what: 'Straps', number: tell([amount(report.bed.lying.angles[0].value, 'angle')], units) },
        ]),
  ];
}

const guysOf = ({ report, units, context, rig }: CardOf): CardLine[] =>
  (report.roof?.guys ?? [])
    .filter((g) => g.kind !== 'tie')
    .map((g) => {
      const step = pitchingOf(rig, context, report).find((s) => s.lines[0] === g.id);
      const out = step === undefined ? '' : stepWords(step, { body: context.body, units }).number;
      return {
        what: capital(g.name),
        number: listed([out, say(g.tension, 'force', units)].filter((s) => s !== '')),
      };
    });
