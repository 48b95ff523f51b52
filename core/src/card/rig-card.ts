import { cutLength } from '../cordage/index.js';
import { lasts, marksOf, pitchingOf, scheduleOf, strikingOf, timeOf } from '../order/index.js';
import type { Planned, Step, Timed } from '../order/index.js';
import { amount, capital, metres, phrase, say, sayByArms, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { USUAL_WORK, measuredSpan, trunksUsed } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';
import { atHeight, listed, sayMinutes, seenWords, stepWords, verdictOf, wordsOf } from '../words/index.js';
import type { Card, CardLine } from './card.js';
import { CAUTIONS, filled } from './card.js';
import { codeOf } from './code.js';
import { modulesOf } from './modules.js';
import { picturesOf } from '../picture/index.js';

/** What a rig's card is made of. */
export interface RigOnCard {
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

/** How a rig is worked, as its card tells it. */
interface Worked {
  readonly up: readonly Planned[];
  readonly down: readonly Planned[];
}
function workedOf({ rig, context, report, timed }: RigOnCard): Worked {
  const { hands } = rig.work ?? USUAL_WORK;
  const plan = (steps: readonly Step[]): Planned[] => scheduleOf(steps, hands, (s) => timeOf(s, timed).value);
  return { up: plan(pitchingOf(rig, context, report)), down: plan(strikingOf(rig, context, report)) };
}

/** What the night asks of a rig: when, and what is hauled in again then. */
export const nightOf = (of: RigOnCard): { readonly when: string; readonly what: string }[] =>
  nightIn(of, workedOf(of).up);
const nightIn = ({ context, units }: RigOnCard, up: readonly Planned[]): ReturnType<typeof nightOf> =>
  up.flatMap(({ step }) => {
    if (step.code !== 'haul') return [];
    const { what, how } = stepWords(step, { body: context.body, units });
    return [{ when: what, what: how.replace(/\.$/, '') }];
  });

/** How long a rig takes to pitch. */
export const pitchedIn = (of: RigOnCard): string => sayMinutes(lasts(workedOf(of).up));

/** Which of its lines to mark bright, and which may be dull. */
export const seenOf = ({ rig, report }: RigOnCard): string[] => seenWords(marksOf(rig, report));

/** One rig's card. */
export function cardOf(of: RigOnCard): Card {
  const { id, name, note, context, report, units, address } = of;
  const { up, down } = workedOf(of);
  const steps = (plan: readonly Planned[]): CardLine[] =>
    plan.flatMap(({ step }): CardLine[] => {
      if (step.code === 'haul') return [];
      const { what, number } = stepWords(step, { body: context.body, units });
      return [{ what, number }];
    });
  const verdict = verdictOf(report, context.body);
  const code = codeOf(id);
  const form = report.roof?.formName ?? (report.bed === null ? 'line' : 'bed');
  return {
    title: name,
    about: note === '' ? capital(form) : `${capital(form)}. ${note}`,
    holds: verdict.holds,
    verdict: tell(verdict.sentence, units),
    detail: tell(verdict.detail, units),
    pictures: (['side', 'above'] as const).map((view) => ({
      of: view === 'side' ? `${name} from the side` : `${name} from above`,
      picture: picturesOf(report, context.body, view, PICTURE)(),
    })),
    sections: filled([
      { title: 'Numbers', kind: 'lines', lines: numbersOf(of) },
      { title: `Pitch it, ${sayMinutes(lasts(up))}`, kind: 'steps', lines: steps(up) },
      { title: 'Guys and pegs', kind: 'lines', lines: guysOf(of) },
      { title: 'In the night', kind: 'lines', lines: nightIn(of, up).map((n) => ({ what: n.when, number: n.what })) },
      { title: 'Seen and not seen', kind: 'words', words: seenOf(of) },
      { title: 'Cord', kind: 'lines', lines: cordOf(of) },
      { title: `Take it down, ${sayMinutes(lasts(down))}`, kind: 'steps', lines: steps(down) },
      {
        title: 'Beware',
        kind: 'beware',
        words: [
          ...report.findings
            .filter((f) => f.severity !== 'fails' && f.severity !== 'refuses')
            .slice(0, MOST_WARNINGS)
            .map((f) => tell(wordsOf(f).says, units)),
          ...CAUTIONS,
        ],
      },
    ]),
    code,
    modules: modulesOf(address ?? code),
  };
}

const cordOf = ({ report, units, context }: RigOnCard): CardLine[] =>
  report.rows.flatMap((r): CardLine[] =>
    r.cut === null
      ? []
      : [
          {
            what: `${capital(r.name)}, ${r.what}`,
            number: `${say(cutLength(r.cut), 'length', units)}, ${sayByArms(cutLength(r.cut), context.body)}`,
          },
        ],
  );

/** As many as are read; the rest is on the bench. */
const MOST_WARNINGS = 5;

function numbersOf({ rig, context, report, units }: RigOnCard): CardLine[] {
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

const guysOf = ({ report, units, context, rig }: RigOnCard): CardLine[] =>
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
