import { listed } from './budget-words.js';
import { treeWords } from '../anchor/index.js';
import { FIRE_CAUTION } from '../around/index.js';
import { LEAVABLE_NAMES } from '../cases/index.js';
import { TERMINATIONS } from '../catalogue/index.js';
import type { BedPart, Comfort, Facts, Finding, FindingCode, HeadBelongs } from '../findings/index.js';
import { hitchWords } from '../hitch/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, asSubject, capital, metres, phrase } from '../quantity/index.js';
import type { Judged } from '../strength/index.js';
import { slides } from '../strength/index.js';

/** What a finding says, and what to do about it. */
export interface FindingWords {
  readonly says: Phrase;
  readonly remedy: Phrase | null;
}

const END = ['first', 'second'] as const;
const newtons = (value: number) => amount(value, 'force');
/** A share as nobody knows it better: whole per cents, and never none of what is some. */
const share = (value: number): string => `${Math.max(1, Math.round(100 * value))} %`;
const angle = (value: number) => amount(value, 'angle');

/** So many times, with the digits that tell on which side of what is asked it is. */
function times(value: number, asked: number): string {
  const short = value < asked;
  const digits = [1, 2, 3].find((d) => Number(value.toFixed(d)) < asked === short);
  return value.toFixed(digits ?? 4);
}

/** What a link has left by its rule. */
export function marginWords({ judgement }: Judged): Phrase {
  const { figure, required } = judgement;
  switch (judgement.rule) {
    case 'factor':
      return phrase`it holds ${times(figure.value, required)} times the worst pull; ${required} times is asked`;
    case 'share':
      return phrase`${amount(figure.value, 'share')} of its low-end strength is in use; ${amount(required, 'share')} is allowed`;
    case 'chance':
      return phrase`it fails with a chance of ${amount(figure.value, 'chance')}; ${amount(required, 'chance')} is allowed`;
  }
}

/** Why the head belongs at an end. @param end name of what the bed hangs from there */
export const headWords = (end: string, because: HeadBelongs): string =>
  because === 'higher'
    ? `the bed is higher toward ${end}`
    : because === 'lee'
      ? `the bed is level, and ${end} is away from the wind`
      : 'the bed is level: either end';

const plural = (part: BedPart, one: string, many: string): string => (part === 'bed' ? one : many);
const COMFORT: Readonly<Record<Comfort, string>> = {
  'wind-below':
    'Wind under the bed takes the warmth away from below: a mat in it or a quilt under it, and hang it low in the lee.',
  'air-below': 'Air under the bed cools from below on any night: lay a mat in it or a quilt under it.',
  low: 'Near the ground it is stiller, and damper before dawn.',
  high: 'Higher up it is airier: good on hot nights and above midges, cold on clear ones.',
  middling: 'At this height air moves a little: enough for warm nights.',
  'drop-windward': 'Drop the roof’s windward side to the ground before the bed is lain in.',
  leaves: 'Dry leaves heaped beneath slow the draught.',
};
const TOUCHES = { bed: 'The bed', person: 'Who lies in it', strap: 'A strap' } as const;
const BENEATH = {
  water: ['Not over water: whoever falls out in the night, in a bag or a net, drowns.', 'Hang it over dry ground.'],
  road: ['Not over a road or track: what comes along it does not see a bed.', 'Choose other anchors.'],
  bed: [
    'Never one bed above another: the upper falls on the lower, and both hang on the same trunks.',
    'Hang them apart.',
  ],
} as const;
/** What tames cloth that flaps. */
const TAMES = 'Haul its guys harder, give that edge another guy, drop it to the ground, or take a form that holds it.';
const DROP_IT = 'Drop a corner or an edge.';

/** Lines in a sentence. */
const theLines = (names: readonly string[]): string => `the ${listed(names)}`;

type Words = { readonly [C in FindingCode]: (f: Facts[C]) => readonly [says: Phrase, remedy?: Phrase] };
/** What somebody called it, or what it is. */
const named = (name: string, kind: string): string => (name === '' ? kind : name);
const WORDS: Words = {
  tree: (f) => {
    const { says, remedy } = treeWords(f);
    return remedy === null ? [says] : [says, remedy];
  },
  'beneath-forbids': ({ beneath }) => [phrase`${BENEATH[beneath][0]}`, phrase`${BENEATH[beneath][1]}`],
  overloaded: ({ name, part, limit, mass }) => [
    phrase`${name} ${plural(part, 'is', 'are')} made for ${amount(limit, 'mass')} at most; ${amount(mass, 'mass')} are to ${plural(part, 'lie in it', 'hang on them')}.`,
    phrase`Take ${plural(part, 'a stronger bed', 'stronger straps')}.`,
  ],
  'bed-grounded': ({ said, raise }) => [
    phrase`The bed comes down on the ground ${said}.`,
    phrase`Raise both straps by ${metres(raise)} or take in a loop.`,
  ],
  'bed-unsettled': ({ said, reason }) => [
    phrase`The bed finds no rest ${said}.`,
    phrase`${capital(reason ?? 'nothing holds it there')}. Do not do that in it.`,
  ],
  short: ({ judged: { link }, said }) => {
    const slips = slides(link.kind);
    const breaks = link.margin.value < 1;
    const how = slips ? (breaks ? 'slips first' : 'may slip') : breaks ? 'lets go first' : 'has too little to spare';
    return [phrase`${capital(asSubject(link.name))} ${how} ${said}.`];
  },
  'pole-falls': () => [
    phrase`The pole falls over sideways when someone leans out.`,
    phrase`Spread two back-stays, or lean the pole’s foot against a root.`,
  ],
  'pool-grows': () => [phrase`Rain pools on it and the pool grows as the cloth gives.`, phrase`${DROP_IT}`],
  flaps: ({ said, near, more }) => [
    near === null
      ? phrase`Too loose to judge ${said}: the cloth flaps.`
      : phrase`The cloth flaps near the ${near} ${said} and finds no rest.`,
    phrase`${TAMES}${more > 0 ? ` So it does in ${more} more of the winds tried.` : ''}`,
  ],
  'no-room': ({ lying }) => [
    phrase`Nobody can lie under it: it hangs high enough over ${amount(lying, 'area')} of ground only.`,
    phrase`Raise the ridge or its edges, or haul the ridge tighter.`,
  ],
  'comes-down': ({ said, lying }) => [
    phrase`It comes down on whoever lies under it ${said}.`,
    phrase`It stays high enough over ${amount(lying, 'area')} of ground only. Haul it tighter, raise it, or prop it.`,
  ],
  'line-grounded': ({ said }) => [phrase`It sags to the ground ${said}.`, phrase`Haul it tighter or tie it higher.`],
  'cord-short': ({ cord, wanted, have }) => [
    phrase`${capital(cord)} is too short: ${metres(wanted)} wanted, ${metres(have)} on hand.`,
    phrase`Fewer wraps, shorter guys, a closer pair of trees, or a sheet bend’s extension away from the load.`,
  ],
  'guy-short': ({ guy, by, inBy }) => [
    phrase`The ${guy} as it lives on the cloth is ${metres(by)} too short here.`,
    inBy === null
      ? phrase`Join a piece on with a double sheet bend, or swap it for a longer one.`
      : phrase`Bring its foot in by ${metres(inBy)}, or join a piece on with a double sheet bend.`,
  ],
  'pegs-short': ({ pegs, wanted, have }) => [
    phrase`${wanted - have} of ${pegs} are missing: ${wanted} wanted, ${have} on hand.`,
    phrase`Tie ${wanted - have} ${wanted - have === 1 ? 'guy' : 'guys'} to what grows there, or cut pegs.`,
  ],
  sags: ({ under, sag, limit }) => [
    under === 'line'
      ? phrase`Strong enough, but too slack for a roof.`
      : phrase`The ridge sags ${metres(sag)}: too slack for a roof.`,
    phrase`${metres(limit)} is the most you asked for. Haul it tighter.`,
  ],
  unguyed: ({ area }) => [
    phrase`The line holds; the cloth on it is not guyed.`,
    phrase`${amount(area, 'area')} of cloth and not one guy: wind throws it over the line. Pitch a roof under Hang.`,
  ],
  touches: ({ what, distance, said, weather }) => [
    phrase`${TOUCHES[what]} touches the cloth, or nearly: ${metres(Math.max(0, distance))} are left ${said}.`,
    phrase`A hand’s width is the least: what touches cloth gets wet. ${weather ? 'For that weather lower' : 'Lower'} the bed or raise the roof.`,
  ],
  'drips-in': ({ line, tailAt, from }) => [
    phrase`Water runs in along the ${line} and drips into the bed.`,
    phrase`Tie a tail on it ${metres(tailAt)} from ${from === 'trunk' ? 'the trunk' : 'its tie'}, just inside the roof’s edge${from === 'tie' ? ', or run the line over the cloth' : ''}.`,
  ],
  'drips-on': ({ line, on, tailAt }) => [
    phrase`Water runs in along the ${line} and drips on ${listed(on)}.`,
    phrase`Tie a drip line on it ${metres(tailAt)} from the tree, or move ${on.length === 1 ? 'what lies' : 'those who lie'} there.`,
  ],
  'rain-reaches': ({ share: wet, slant }) => [
    phrase`Rain reaches ${share(wet)} of the bed.`,
    phrase`It falls ${angle(slant)} from upright. Lower the roof, or turn it so that it reaches farther.`,
  ],

  'sleeper-wet': ({ name, share: wet }) => [
    phrase`Rain reaches ${share(wet)} of ${named(name, 'a sleeper')}.`,
    phrase`Move who lies there under the middle, lower the windward edge, or turn the roof.`,
  ],
  'pack-wet': ({ name, share: wet }) => [
    phrase`Rain reaches ${share(wet)} of ${named(name, 'a pack')}: hang it, or bring it in.`,
  ],
  'sleeper-low': ({ name, headroom }) => [
    phrase`${capital(named(name, 'a sleeper'))} cannot sit up: the cloth hangs ${metres(headroom)} over the hips.`,
  ],
  'sleeper-slides': ({ name, by, rolls }) => [
    rolls
      ? phrase`${capital(named(name, 'a sleeper'))} rolls: the ground falls ${angle(by)} across the body. Lie along the slope, head uphill.`
      : phrase`${capital(named(name, 'a sleeper'))} slides: the ground falls ${angle(by)} along the body. Lie with the head uphill, on flatter ground.`,
  ],
  'sleeper-in-wind': ({ name, share: open }) => [
    phrase`${share(open)} of the wind comes in to ${named(name, 'a sleeper')}: turn the roof’s closed side into it, drop an edge, or put brush to windward.`,
  ],

  'fire-under': () => [
    phrase`The fire burns under the cloth.`,
    phrase`Never under cloth: it burns, and the air that comes off a fire kills who sleeps in it. Out into the open, to leeward.`,
  ],
  'fire-windward': ({ distance }) => [
    phrase`The wind blows smoke and sparks onto the cloth, ${metres(distance)} from the fire.`,
    phrase`Put the fire to leeward of the roof.`,
  ],
  'fire-near': ({ of, distance, least }) => [
    phrase`The fire is ${metres(distance)} from ${of === 'cloth' ? 'the cloth' : 'a wall of brush'}; ${metres(least)} is the least in this wind.`,
    of === 'cloth' ? phrase`Sparks make holes: move it off.` : phrase`Dry brush catches: move it off.`,
  ],
  fire: () => [phrase`${FIRE_CAUTION}`],

  'elastic-ridge': () => [
    phrase`Elastic cord is never counted as strength.`,
    phrase`Choose another cord for a ridgeline.`,
  ],
  'carries-person': () => [
    phrase`A line that carries a person: nothing hard beneath, no higher than a safe fall, sit before you lie.`,
  ],
  gale: () => [phrase`In a gale the roof comes down and people leave the trees, whatever the numbers say.`],
  'cord-worn': ({ cord }) => [phrase`${cord} is nicked, glazed or stiff: retire it, or cut the bad place out.`],
  'no-stem': ({ what, level }) => [
    phrase`${capital(what)} is no stem: whether it slides, tips or pulls out is judged on the ground, not here.`,
    phrase`Lean on it; it is asked for ${newtons(level)} level.`,
  ],
  termination: ({ id }) => [phrase`${TERMINATIONS.find((t) => t.id === id)?.caution ?? ''}`],
  bark: ({ tree, by, pressure }) =>
    by === 'cord'
      ? [
          phrase`The cord presses ${amount(pressure, 'stress')} on the bark of ${tree}, enough to bruise it.`,
          phrase`Pad it with sticks or cloth, add wraps, or use a strap.`,
        ]
      : [
          phrase`The strap presses the bark of ${tree} with ${amount(pressure, 'stress')}: it may bruise.`,
          phrase`Wider straps, or sticks under them.`,
        ],
  'passes-slip': ({ passes, holds }) => [
    phrase`${passes} passes hold only ${newtons(holds)} on smooth wet bark while one hand ties off.`,
    phrase`Take another turn before tying.`,
  ],
  'loop-runs-out': ({ needed, has }) => [
    phrase`The loop runs out of travel: it needs ${metres(needed)} from the trunk and has ${metres(has)}.`,
    phrase`Tie the loop farther out.`,
  ],
  'cannot-haul': ({ tree, termination }) => [
    phrase`The end at ${tree} cannot be hauled with a ${termination}.`,
    phrase`Choose a tensioning end there.`,
  ],
  'held-twice': ({ lines, by, shared }) => [
    phrase`The ${lines[0]} and the ${lines[1]} are both held by ${by}, each told as if it were alone.`,
    shared === 'tree'
      ? phrase`Tie one of them to “${by}” as a tree of this rig.`
      : phrase`Tell one of them to be held by what holds the other.`,
  ],
  'hitch-slides': ({ hitch, by }) => [phrase`The ${hitch} slides ${metres(by)} along the ridge in the worst case.`],
  hitch: ({ hitch, advice }) => [phrase`The ${hitch}: ${lower(hitchWords(advice))}`],
  'no-tie-out': ({ at }) => [
    phrase`The roof has no tie-out at its ${at}: gather the cloth round a smooth pebble there.`,
  ],
  joined: ({ bend, at, takes }) => [
    phrase`The line goes on in another cord from ${metres(at)} on, by a ${bend} that takes ${metres(takes)} of both. Keep it clear of hitches, and look at it after the first haul.`,
  ],
  branch: ({ name, gives, pull }) => [
    phrase`${capital(name)} is pulled with ${newtons(pull)} and gives ${metres(gives)}. How sound it is, nobody sees from below: branches break without a sign, in calm weather too.`,
    phrase`Weigh it down from the side before anyone goes under it, look again after wind, and let nobody sleep beneath a doubtful one.`,
  ],
  'elastic-out': ({ lines }) => [
    phrase`The elastic of ${theLines(lines)} is drawn out to its end as pitched, and eases nothing more.`,
    phrase`Haul less, or take longer or stiffer elastic.`,
  ],
  'tab-sawn': ({ lines }) => [
    phrase`${capital(theLines(lines))} ${lines.length === 1 ? 'is' : 'are'} drawn bare through fabric, which cord saws when it is hauled.`,
    phrase`Lift the cloth to move it, and put a connector or a loop of cord between.`,
  ],
  'hung-slides': ({ name, wraps }) => [
    phrase`${capital(named(name, 'what hangs on the line'))} slides along it to where it is lowest.`,
    wraps === 0
      ? phrase`Hang it by a loop hitch of two wraps, or where the line is lowest.`
      : phrase`Take ${wraps + 1} wraps, or hang it where the line is lowest.`,
  ],
  'no-line': ({ things, joined }) => [
    phrase`There is no ridgeline for ${listed([...things.map((name) => named(name, 'what hangs')), ...(joined ? ['the cord joined on'] : [])])}: not counted.`,
    phrase`Pitch the roof on a line, or leave that out.`,
  ],
  'end-tied': ({ saves, carries, said }) => [
    saves > 0
      ? phrase`Without a ridgeline ${metres(saves)} of cord are saved, and the cloth bears the pull from tree to tree: up to ${newtons(carries)} ${said}.`
      : phrase`Without a ridgeline the cloth bears the pull from tree to tree: up to ${newtons(carries)} ${said}.`,
  ],
  pool: ({ volume }) => [
    phrase`Rain pools on it: ${amount(volume, 'volume')} stand before it runs over.`,
    phrase`${DROP_IT}`,
  ],
  'guys-trip': ({ guys, of }) => [
    phrase`People walk into guys: mark ${guys.length === of ? 'every one' : guys.length === 1 ? `the ${guys[0]!}` : `the ${guys.length} long low ones`} with something bright.`,
  ],
  'opens-to-wind': () => [
    phrase`Its open side faces the wind as named: rain drives in there.`,
    phrase`Pitch it the other way round.`,
  ],
  'left-out': ({ kinds }) => [
    phrase`Not judged for ${kinds.map((k) => LEAVABLE_NAMES[k]).join(', ')}: nobody knows whether it holds then.`,
    phrase`Count them again under Weather before anyone lies under it.`,
  ],
  'no-flame': () => [phrase`No flame under low cloth: fire, and carbon monoxide.`],
  fall: ({ height, breaks }) =>
    breaks
      ? [
          phrase`It hangs ${metres(height)} up with someone in it: a fall from there breaks bones.`,
          phrase`Lower it to where one is willing to fall, seat height at most.`,
        ]
      : [
          phrase`A fall from ${metres(height)} hurts.`,
          phrase`Lower it to seat height unless something on the ground asks for it.`,
        ],
  'beneath-hurts': ({ beneath, height }) =>
    beneath === 'hard'
      ? [
          phrase`Roots, stones or stumps lie beneath, and one falls from ${metres(height)} onto them.`,
          phrase`Clear them, or hang it elsewhere.`,
        ]
      : [phrase`A bank or a drop lies beneath: the fall is as deep as the ground falls.`, phrase`Choose level ground.`],
  'strap-flat': ({ end, angle: below, pull }) => [
    phrase`The ${END[end]} strap is too flat, ${angle(below)}: it pulls ${newtons(pull)}.`,
    phrase`Let the bed sag: higher straps, farther loops.`,
  ],
  'thin-tree': ({ tree, diameter }) => [
    phrase`${capital(tree)} is a thin tree for a person, ${metres(diameter)} through.`,
    phrase`Push it hard before anyone lies down.`,
  ],
  'limit-unknown': ({ name, part }) => [
    phrase`The maker’s limit of ${name} is not known: find ${plural(part, 'its label before anyone lies in it', 'their label')}.`,
  ],
  'guessed-under-someone': ({ name, many }) => [
    phrase`Nobody knows how strong ${name} ${many ? 'are' : 'is'}: nobody hangs from ${many ? 'them' : 'it'}.`,
    phrase`Take what has its strength printed on it.`,
  ],
  guessed: ({ name }) => [
    phrase`How strong ${name} is was guessed from its thickness: find its label, or hang a mass on it.`,
  ],
  'head-belongs': ({ end, because }) => [phrase`Lay the head at the other end: ${headWords(end, because)}.`],
  'ends-unlevel': ({ by }) => [
    phrase`Its ends are ${metres(by)} from level: one slides to the lower end.`,
    phrase`Raise the lower strap.`,
  ],
  'pole-sways': ({ by }) => [
    phrase`The pole’s head goes ${metres(by)} sideways when someone leans out.`,
    phrase`Spread the back-stays farther apart.`,
  ],
  'pole-gives': ({ comesIn, comesDown, haulIn }) => [
    phrase`On the first sitting the pole’s head comes in ${metres(comesIn)} and the bed comes down ${metres(comesDown)}:`,
    phrase`get out, haul the back-stay in by ${metres(haulIn)}, look at the foot, and sit again.`,
  ],
  'head-meets-cloth': () => [phrase`Sitting up, the head meets the cloth:`, phrase`bend it, or raise the ridge.`],
  overhang: ({ end, by }) =>
    by < 0
      ? [
          phrase`The ${END[end]} end of the bed lies open by ${metres(-by)}.`,
          phrase`Move the roof over it, or pitch it on its diagonal.`,
        ]
      : [phrase`The roof reaches only ${metres(by)} beyond the ${END[end]} end of the bed.`],
  comfort: ({ what }) => [phrase`${COMFORT[what]}`],
};

/** A phrase in the middle of a sentence: first letter small. */
function lower([first, ...rest]: Phrase): Phrase {
  return typeof first === 'string' ? [first.charAt(0).toLowerCase() + first.slice(1), ...rest] : [first!, ...rest];
}

/** What a finding says and what to do about it. */
export function wordsOf(f: Finding): FindingWords {
  const say = WORDS[f.code] as (facts: Finding['facts']) => readonly [Phrase, Phrase?];
  const [says, remedy = null] = say(f.facts);
  return { says, remedy };
}

/** The same in one breath. */
export function sentenceOf(f: Finding): Phrase {
  const { says, remedy } = wordsOf(f);
  return remedy === null ? says : phrase`${says} ${remedy}`;
}
