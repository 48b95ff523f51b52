import type { Budget, Fight, Joining, Need, NeedRole, Sticks } from '../budget/index.js';
import { WRONG_BEND } from '../catalogue/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, capital, metres, phrase } from '../quantity/index.js';

/** "one", "two", … in words as far as they are read at a glance. */
const SMALL = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'] as const;
export const counted = (n: number, one: string, many = `${one}s`): string => `${SMALL[n] ?? n} ${n === 1 ? one : many}`;

/** "a, b and c". */
export const listed = (parts: readonly string[]): string =>
  parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}`;

/** What a plan of cord comes to: whether every line has its cord, in how many cuts, and how sure it is that none is better. */
export function budgetWords(
  { plan, fights, things, left }: Pick<Budget, 'plan' | 'fights' | 'things' | 'left'>,
  rigOf: (id: string) => string,
): { readonly fits: boolean; readonly sentence: Phrase; readonly detail: Phrase } {
  const { unmet, cuts, behind } = plan;
  const short = things.filter((t) => t.wanted > t.have);
  const lines = behind.find((b) => b.rank === 'lines' || b.rank === 'rigs');
  const fewer = behind.reduce((sum, b) => (b.rank === 'cuts' ? sum + b.by : sum), 0);
  const proof =
    lines !== undefined
      ? 'The search was stopped before it was sure that no more of them can have cord.'
      : fewer > 0
        ? `There may be a plan with up to ${counted(fewer, 'cut')} fewer: the search was stopped at two seconds.`
        : unmet.length > 0
          ? 'No other plan gives more lines their cord.'
          : cuts === 0
            ? ''
            : 'No plan does with fewer.';
  const besides = [
    ...(short.length === 0
      ? []
      : [`Not enough of ${listed(short.map((t) => `${t.name} (${t.wanted} wanted, ${t.have} there)`))}.`]),
    ...left.map((l) => `${rigOf(l.of)} is not counted: it cannot be worked out as it is.`),
  ];
  const detail: Phrase = [[proof, ...besides].filter((s) => s !== '').join(' ')];
  if (unmet.length > 0) {
    const rigs = [...new Set(unmet.map((n) => n.of))].map(rigOf);
    return {
      fits: false,
      sentence: phrase`${capital(counted(unmet.length, 'line'))} of ${rigs.length > 3 ? counted(rigs.length, 'rig') : listed(rigs)} ${unmet.length === 1 ? 'has' : 'have'} no cord${
        fights.some((f) => f.rigs.filter((r) => r.alone).length > 1) ? ': rigs draw on the same hanks' : ''
      }.`,
      detail,
    };
  }
  return {
    fits: short.length === 0 && left.length === 0,
    sentence:
      plan.taken.length === 0
        ? phrase`No rig here wants cord.`
        : cuts === 0
          ? phrase`Every line has its cord, and nothing is cut.`
          : phrase`Every line has its cord, in ${counted(cuts, 'cut')}.`,
    detail,
  };
}

/** Sticks to find or cut for all rigs together: "three toggles, the thickest 30 mm", "two props". */
export function sticksWords(sticks: readonly Sticks[]): Phrase[] {
  const toggles = sticks.flatMap((s) => s.toggles);
  const props = sticks.reduce((sum, s) => sum + s.props, 0);
  return [
    ...(toggles.length === 0
      ? []
      : [phrase`${counted(toggles.length, 'toggle')}, the thickest ${amount(Math.max(...toggles), 'diameter')}`]),
    ...(props === 0 ? [] : [phrase`${counted(props, 'prop')}`]),
  ];
}

const ROLES: Readonly<Record<NeedRole, string>> = {
  ridge: 'ridgeline',
  extension: 'extension',
  tie: 'tie',
  loop: 'hitch loop',
  guy: 'guy',
  peg: 'peg loop',
  stay: 'stay',
  binding: 'binding',
};

/** Lines by what they are: "its ridgeline", "six guys and two hitch loops". */
function kindsOf(needs: readonly Need[]): string {
  const kinds = [...new Set(needs.map((n) => n.role))].map((role) => {
    const many = needs.filter((n) => n.role === role).length;
    return many === 1 ? `its ${ROLES[role]}` : counted(many, ROLES[role]);
  });
  return listed(kinds);
}

/** Who wants what of the same lengths, and goes without what; and whether each alone would have all of it. */
export function fightWords(
  { rigs, have }: Fight,
  hanks: readonly string[],
): {
  readonly what: Phrase;
  readonly rigs: readonly { readonly of: string; readonly wants: Phrase; readonly without: string | null }[];
} {
  const wanted = rigs.reduce((sum, r) => sum + r.wants, 0);
  const alone = rigs.length > 1 && rigs.every((r) => r.alone) ? ' Each rig alone has enough.' : '';
  return {
    what: phrase`${capital(listed(hanks))}: ${metres(wanted)} wanted, ${metres(have)} there.${alone}`,
    rigs: rigs.map((r) => ({
      of: r.of,
      wants: [metres(r.wants)],
      without: r.lacks.length === 0 ? null : `without ${kindsOf(r.lacks)}`,
    })),
  };
}

const NOT: Readonly<Record<Extract<Joining, { may: false }>['why'], string>> = {
  'bears-person': 'It bears a sleeper: no join in that. Bring one length.',
  'short-line': 'It is too short for a bend to sit clear of its hitches.',
  slips: 'Slick braid creeps in every bend here. Bring one length.',
  'too-weak': 'No bend here leaves what is asked of it. Bring one length, or a stronger cord.',
  'no-strength': 'Elastic bears nothing, joined or whole.',
};

/** How a line that no single length does may be joined, or why not; and why not by the knot that people reach for. */
export function joiningWords(joining: Joining, need: Pick<Need, 'name'>): Phrase {
  if (!joining.may) return [NOT[joining.why]];
  const { bend, judged } = joining;
  return phrase`Join two lengths for the ${need.name} by a ${bend.name}, near its fixed end where no hitch slides over it: soaked, it holds ${amount(
    judged.link.available.value,
    'force',
  )} of ${amount(judged.link.demand.value, 'force')} that pull. ${bend.words} Not by a ${WRONG_BEND.name}: ${WRONG_BEND.refused!.charAt(0).toLowerCase()}${WRONG_BEND.refused!.slice(1)}`;
}
