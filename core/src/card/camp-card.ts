import type { Budget } from '../budget/index.js';
import { cuttingsOf } from '../budget/index.js';
import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { capital, say, sayByArms, tell } from '../quantity/index.js';
import { USUAL_WORK } from '../rig/index.js';
import { budgetWords, counted, joiningWords, listed, sticksWords, verdictOf } from '../words/index.js';
import type { Card, CardLine, Section } from './card.js';
import { CAUTIONS, filled } from './card.js';
import { codeOf } from './code.js';
import { modulesOf } from './modules.js';
import type { RigOnCard } from './rig-card.js';
import { nightOf, pitchedIn, seenOf } from './rig-card.js';

/** What the card of a night in a camp is made of. */
export interface CampOnCard {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** Those that stand tonight and can be worked out, in their order. */
  readonly rigs: readonly RigOnCard[];
  /** Names of those that cannot. */
  readonly left: readonly string[];
  /** Their cord together, and what else they take. */
  readonly budget: Budget;
  /** A rig's name, or a binding's, by id. */
  readonly nameOf: (of: string) => string;
  readonly hankOf: (id: string) => string;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
  readonly address: string | null;
}

/** One card for all that stands tonight: what goes up when, what is cut from which hank, what comes along, and what the night asks. */
export function campCardOf(of: CampOnCard): Card {
  const { id, name, about, rigs, left, budget, nameOf, units, address } = of;
  const judged = rigs.map((r) => ({ rig: r, verdict: verdictOf(r.report, r.context.body) }));
  const weak = judged.filter((j) => !j.verdict.holds).map((j) => j.rig.name);
  const cord = budgetWords(budget, nameOf);
  const code = codeOf(id);
  const all = rigs.length + left.length;
  return {
    title: name,
    about,
    holds: weak.length === 0 && left.length === 0 && cord.fits,
    verdict: [
      weak.length > 0
        ? `Does not hold: ${listed(weak)}.`
        : left.length > 0
          ? ''
          : all === 1
            ? 'It holds.'
            : `${capital(counted(all, 'rig'))} ${all === 1 ? 'stands' : 'stand'} tonight, and each holds.`,
      left.length > 0 ? `Not worked out: ${listed(left)}.` : '',
      tell(cord.sentence, units),
    ]
      .filter((s) => s !== '')
      .join(' '),
    detail: tell(cord.detail, units),
    pictures: [],
    sections: filled([
      {
        title: rigs.some(rains) ? 'In this order: roofs first, it rains' : 'In this order',
        kind: 'steps',
        lines: inOrder(rigs).map((r) => ({ what: `${r.name}, code ${codeOf(r.id)}`, number: pitchedIn(r) })),
      },
      ...cordSections(of),
      { title: 'Comes along', kind: 'lines', lines: thingsOf(of) },
      {
        title: 'In the night',
        kind: 'words',
        words: nightTogether(rigs),
      },
      {
        title: 'Seen and not seen',
        kind: 'words',
        words: rigs.flatMap((r) => seenOf(r).map((words) => `${r.name}. ${words}`)),
      },
      { title: 'Beware', kind: 'beware', words: CAUTIONS },
    ]),
    code,
    modules: modulesOf(address ?? code),
  };
}

/** All that is hauled in again, each round once. */
function nightTogether(rigs: readonly RigOnCard[]): string[] {
  const rounds = new Map<string, string[]>();
  for (const r of rigs)
    for (const { when, what } of nightOf(r))
      rounds.set(when, [...(rounds.get(when) ?? []), `${r.name} (${what.charAt(0).toLowerCase()}${what.slice(1)})`]);
  return [...rounds].map(([when, which]) => `${when}: ${which.join('; ')}.`);
}

const rains = ({ rig }: RigOnCard): boolean => (rig.work ?? USUAL_WORK).rain;
/** As they are listed; in rain what keeps it off goes up first. */
const inOrder = (rigs: readonly RigOnCard[]): readonly RigOnCard[] =>
  rigs.some(rains) ? [...rigs].sort((a, b) => Number(a.report.roof === null) - Number(b.report.roof === null)) : rigs;

/** What each hank is cut into, what stays whole, and how two lengths are joined. */
function cordSections({ budget, nameOf, hankOf, body, units }: CampOnCard): Section[] {
  const { plan, joinings, needs } = budget;
  const cuts = cuttingsOf(plan, nameOf).flatMap(({ hank, cuts: made }): Section[] =>
    made.length === 0
      ? []
      : [
          {
            title: `Cut from ${hankOf(hank)}`,
            kind: 'lines',
            lines: made.map((c) => ({
              what: capital(c.name),
              number: `${say(c.length, 'length', units)}, ${sayByArms(c.length, body)}`,
            })),
          },
        ],
  );
  const whole = plan.taken.flatMap(({ need, parts }): CardLine[] =>
    parts
      .filter((p) => p.uncut)
      .map(({ stock, length, over }) => ({
        what: `${capital(nameOf(need.of))}, ${need.name}`,
        number: `${hankOf(stock.hank)}, ${say(length + over, 'length', units)}`,
      })),
  );
  return [
    ...cuts,
    { title: 'Taken whole', kind: 'lines', lines: whole },
    {
      title: 'Without cord',
      kind: 'lines',
      lines: plan.unmet.map((n) => ({
        what: `${capital(nameOf(n.of))}, ${n.name}`,
        number: say(n.length, 'length', units),
      })),
    },
    {
      title: 'Joined, or not to be',
      kind: 'words',
      words: [...joinings].map(([id, joining]) => {
        const need = needs.find((n) => n.id === id)!;
        return `${capital(nameOf(need.of))}. ${tell(joiningWords(joining, need), units)}`;
      }),
    },
  ];
}

/** Pegs, roofs, beds, straps, and sticks to find. */
function thingsOf({ budget, units }: CampOnCard): CardLine[] {
  return [
    ...budget.things.map((t) => ({
      what: capital(t.name),
      number: t.list === 'pegs' || t.wanted > t.have ? `${t.wanted} of ${t.have}` : '',
    })),
    ...sticksWords(budget.sticks).map((s) => ({ what: `Find ${tell(s, units)}`, number: '' })),
  ];
}
