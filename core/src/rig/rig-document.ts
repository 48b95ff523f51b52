import { MOST_WALLS, fireDocument, wallDocument } from '../around/index.js';
import { z } from 'zod';
import { branchDocument, signsDocument } from '../anchor/index.js';
import { PULLS, SHELTERS, TERMINATIONS } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { atMost, id, idOf, keyOf, oneOf, pair, part, whole, within, words } from '../document/index.js';
import { BODY_LIMITS } from '../ground/index.js';
import { RULES, USES, toggleDocument } from '../strength/index.js';
import { MOST_UNDER, lyingDocument } from '../under/index.js';
import { bedDocument } from './bed-document.js';
import { RIDGE_FORMAT, TENSIONINGS } from './choices.js';
import { joinedDocument } from './extension.js';
import { MOST_HOME, MOST_HUNG, RIDGE_LIMITS } from './limits.js';
import { pitchDocument, wood } from './pitch-document.js';
import { standDocument } from './stand.js';
import { workDocument } from './work-document.js';

const L = RIDGE_LIMITS;

/** A trunk the line is tied to. */
const trunk = part({
  name: words('trunk’s name', 1, 60),
  wood,
  /** m round. */
  girth: within(L.girth),
  /** Height of the tie above that trunk's foot, m. */
  tieHeight: within(L.tieHeight),
  signs: signsDocument,
  /** Set where it is no stem to bend (a boulder, a log, a pole with its back-stay): that it holds is judged on the ground. */
  standsOnWord: z.literal(true, { error: 'standsOnWord can only be true; leave it out for a stem.' }).optional(),
  /** Set where it is a pole with its stays, a boulder or a log, which are solved with the rest; a rooted stem where it is left out. */
  stand: standDocument.optional(),
  /** A branch of it that the line goes over at the height of the tie, made fast lower down; round the stem where it is left out. */
  branch: branchDocument.optional(),
});
export type Trunk = Described<typeof trunk>;

const end = part({
  termination: idOf('hitch', TERMINATIONS),
  wraps: whole(L.wraps),
  /** The stick that pins its loop, where the hitch is one that has one; a thumb’s thickness where it is left out. */
  toggle: toggleDocument.optional(),
});
export type End = Described<typeof end>;

/** Something hung on the line. Places are measured along the straight bare line from the first tie, m. */
const hung = part({
  id: words('id', 1, 40),
  name: words('name', 0, 60),
  /** kg. */
  mass: within(L.mass),
  /** Soaked, kg. */
  wetMass: within(L.mass),
  /** What of it stands against the wind, m²: cloth, which hangs by a hitch that grips the line; 0 for what hangs loose. */
  area: within(L.area),
  at: within(L.at),
  /** Wraps of the loop hitch that it hangs by, 0 hooked over the line; where it is left out cloth hangs by hitches, the rest is hooked. */
  wraps: whole(L.hungWraps).optional(),
});
export type Hung = Described<typeof hung>;

/** Who paced something: the pace, m, and how far repeats differ, one standard deviation as a share. */
const pacer = part({
  id: words('id of a person', 1, 60),
  name: words('name', 1, 60),
  pace: within(BODY_LIMITS.pace),
  paceSpread: within(BODY_LIMITS.paceSpread),
});

/**
 * One ridgeline between two trunks, as a person describes it. Every way of measuring keeps its own numbers,
 * so that changing one's mind loses nothing. SI.
 */
export const rigDocument = part({
  format: z.literal(RIDGE_FORMAT, { error: `The format must be ${RIDGE_FORMAT}.` }),
  span: part({
    how: oneOf('way of measuring', ['tape', 'paces']),
    tape: within(L.span),
    /** Standard deviation of `tape` where it was laid out by other means than a tape, m. */
    sd: within(L.sd).optional(),
    paces: within(L.paces),
    /** Who paced it, with their pace as known then; without, whoever reads. */
    by: pacer.optional(),
  }),
  /** Foot of the second trunk above the foot of the first, m. */
  groundRise: within(L.groundRise),
  trunks: pair(trunk),
  /** Id of a cord in the kit. */
  cord: id('cord'),
  /** Another cord that it goes on in, where one is too short. */
  joined: joinedDocument.optional(),
  ends: pair(end),
  tensioning: part({
    how: oneOf('way of tensioning', TENSIONINGS),
    tension: within(L.tension),
    sag: within(L.sag),
    dip: part({ mass: within(L.testMass), at: within(L.at), drop: within(L.dip) }),
    passes: part({ count: whole(L.passes), takeUp: within(L.takeUp) }),
    pulley: part({ pull: keyOf('pull', PULLS), loopOut: within(L.loopOut), setBack: within(L.setBack) }),
  }),
  hung: atMost(hung, MOST_HUNG, `At most ${MOST_HUNG} things can hang on a line.`).refine(
    (list) => new Set(list.map((h) => h.id)).size === list.length,
    { error: 'Each thing hung needs an id of its own.' },
  ),
  wind: part({ beaufort: whole(L.beaufort), shelter: keyOf('shelter', SHELTERS) }),
  /** How far the trunks sway apart, m. */
  sway: within(L.sway),
  /** Most sag that is still tight enough, share of the span. */
  tightness: within(L.tightness),
  use: oneOf('use', USES),
  designRule: oneOf('design rule', RULES),
  /** Where it stands: ids of a place and of its two anchors; the second is empty for a pole still to be set. */
  site: part({ place: id('place'), from: id('first anchor'), to: words('second anchor’s id', 0, 60) }).optional(),
  /** Ids of what of the kit was left at home tonight: nothing is sized from it. */
  home: atMost(id('thing left at home'), MOST_HOME, `At most ${MOST_HOME} things can be left at home.`).optional(),
  /** A roof of the kit, pitched in a form and solved as a whole. */
  pitch: pitchDocument.optional(),
  /** A hammock hung on its trunks, or on others. */
  bed: bedDocument.optional(),
  /** Who and what lies on the ground under the roof. */
  under: atMost(lyingDocument, MOST_UNDER, `At most ${MOST_UNDER} sleepers and packs can lie under a roof.`)
    .refine((list) => new Set(list.map((l) => l.id)).size === list.length, {
      error: 'Each thing under the roof needs an id of its own.',
    })
    .optional(),
  /** Brush and banks that stand round the roof. */
  walls: atMost(wallDocument, MOST_WALLS, `At most ${MOST_WALLS} walls can stand round a roof.`)
    .refine((list) => new Set(list.map((w) => w.id)).size === list.length, {
      error: 'Each wall needs an id of its own.',
    })
    .optional(),
  /** A fire by it. */
  fire: fireDocument.optional(),
  /** How it is worked; by one alone on a dry evening where it is left out. */
  work: workDocument.optional(),
});
export type RidgeRig = Described<typeof rigDocument>;
