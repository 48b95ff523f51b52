import { toggleDocument } from '../strength/index.js';
import { z } from 'zod';
import { LEAVABLE } from '../cases/index.js';
import { FEET, HITCHES, JOINS, LAID, SNOWS, SOILS, TABS, WOODS } from '../catalogue/index.js';
import { elasticDocument } from '../cordage/index.js';
import type { Described } from '../document/index.js';
import { atMost, id, idOf, keyOf, oneOf, pair, part, whole, within, words, yesNo } from '../document/index.js';
import { PITCH_FORMS } from '../roof/index.js';
import { guyAnchorDocument, pegPullDocument } from '../support/index.js';
import { GUY_HITCHES, LEADS, LINE_PLACES } from './choices.js';
import { MOST_GUYS, MOST_PULLS, PITCH_LIMITS } from './limits.js';

const P = PITCH_LIMITS;
export const wood = idOf('wood', WOODS);
export const soil = idOf('soil', SOILS);
const guy = part({
  cord: id('cord'),
  /** Pull it is hauled with, N. */
  haul: within(P.haul),
  hitch: keyOf('way a guy is made fast', GUY_HITCHES),
  wraps: whole(P.hitchWraps),
  anchor: guyAnchorDocument,
  /** Its foot on the plan, m; null follows the cloth. */
  foot: pair(within(P.foot)).nullable(),
  /** Stick under the tie-out, m: 0 none, -1 where the form needs one. */
  stick: within(P.guyStick),
  /** Its whole length where it lives on the cloth, m; cut to what it wants where it is 0 or left out. */
  kept: within(P.kept).optional(),
  /** Left off altogether. */
  off: yesNo('off'),
  /** How it takes hold of the cloth; tied to its tie-out where it is left out. */
  tab: keyOf('hold on a tie-out', TABS).optional(),
  /** Its elastic, where it has one; a usual one where it is left out. */
  elastic: elasticDocument.optional(),
});
export type Guy = Described<typeof guy>;

/** A friction hitch that carries an end of the roof. */
const roofHitch = part({
  type: idOf('hitch', HITCHES),
  cord: id('cord'),
  wraps: whole(P.hitchWraps),
  crossed: yesNo('crossed'),
  /** Length of its loop, m. */
  loop: within(P.loop),
  /** How far it is slid out beyond where it was tied, m; negative is slid in. */
  slid: within(P.slid),
  /** The stick through loop and tie-out; left out where the loop itself goes through. */
  toggle: toggleDocument.optional(),
  /** Where the join of its loop sits; off the turns and off the load where it is left out. */
  join: keyOf('place of the join', JOINS).optional(),
  /** Which way a tail is wrapped; toward the roof where it is left out. */
  laid: keyOf('way the wraps lie', LAID).optional(),
  /** How it takes hold of the cloth where no stick does; tied or laid through its tie-out where it is left out. */
  tab: keyOf('hold on a tie-out', TABS).optional(),
  /** Tails left hanging from its knot, m: water runs off at them, into a pail where they are long. */
  tail: within(P.tail).optional(),
  /** Elastic between it and the cloth. */
  elastic: elasticDocument.optional(),
});
export type RoofHitch = Described<typeof roofHitch>;

/** Snow as hand and eye tell it: how it feels, and the depth that falls on level ground, m. */
const snow = part({ feel: keyOf('snow', SNOWS), depth: within(P.snow) });
export type Snow = Described<typeof snow>;

/** Gusts of one's own at most: every one is solved under every law. */
export const MOST_OWN_GUSTS = 6;
/** A gust that is asked of a rig beside those of its wind: at the roof, m/s, from one bearing, rad, on the dry or the soaked rig. */
const ownGust = part({
  id: id('gust'),
  name: words('name of a gust', 1, 40),
  speed: within(P.gust),
  from: within(P.bearing),
  wet: yesNo('soaked'),
});
export type OwnGust = Described<typeof ownGust>;

/** How the sticks that bear the cloth stand: their feet, how far the head of a prop leans out, rad, and whether it is padded. */
const propsDocument = part({ foot: keyOf('foot of a stick', FEET), rake: within(P.rake), padded: yesNo('padded') });
export type Props = Described<typeof propsDocument>;
/** Those of somebody who said nothing of them. */
export const USUAL_PROPS: Props = { foot: 'pushed', rake: 0, padded: true };

/** A roof pitched on the ridge: everything about it that a person decides. SI; x along the span from the first tie. */
export const pitchDocument = part({
  roof: id('roof'),
  form: oneOf('form', PITCH_FORMS),
  shape: part({
    edges: pair(within(P.edge)),
    awning: within(P.awning),
    prop: within(P.prop),
    lift: within(P.lift),
    flap: within(P.flap),
    /** Flank that is opened: 0 the right, 1 the left; the right where it is left out. */
    side: whole(P.side).optional(),
  }),
  /** Bearing from the first tie to the second, rad clockwise from north. */
  bearing: within(P.bearing),
  /** Bearing the wind comes from, rad clockwise from north. */
  windFrom: within(P.bearing),
  /** Rise of the ground to the left of the span, m per m. */
  crossRise: within(P.crossRise),
  soil,
  /** Pegs pulled there; none when left out. */
  pulls: atMost(pegPullDocument, MOST_PULLS, `At most ${MOST_PULLS} pulled pegs can be kept.`).optional(),
  /** Snow to lie on it; none when left out. */
  snow: snow.optional(),
  /** Kinds of weather it is judged without; none when left out. */
  without: atMost(
    oneOf('kind of weather to leave out', LEAVABLE),
    LEAVABLE.length,
    'Each kind of weather can be left out once.',
  ).optional(),
  /** Gusts of one's own that it must bear too; none when left out. */
  gusts: atMost(ownGust, MOST_OWN_GUSTS, `At most ${MOST_OWN_GUSTS} gusts of your own can be kept.`)
    .refine((list) => new Set(list.map((g) => g.id)).size === list.length, {
      error: 'Each gust needs an id of its own.',
    })
    .optional(),
  /** Place of the roof's middle along the level span, m. */
  middle: within(P.middle),
  line: keyOf('place of the line', LINE_PLACES),
  hitches: pair(roofHitch),
  /** Pull with which the roof is slid out along the ridge, N. */
  spread: within(P.spread),
  /** What every guy is, unless it says otherwise in `own`, by the key of its tie-out. */
  guy,
  own: z.record(words('key of a guy', 1, 20), guy.partial()).refine((own) => Object.keys(own).length <= MOST_GUYS, {
    error: `At most ${MOST_GUYS} guys can differ from the rest.`,
  }),
  /** Keys in the order in which guys are hauled tight; those not named follow, opposite ones in turn. */
  order: atMost(words('key of a guy', 1, 20), MOST_GUYS, `At most ${MOST_GUYS} guys can be put in order.`),
  /** Sticks that prop: m thick. */
  stick: within(P.stick),
  /** Lines with a drip line tied on just before they come under cover; none when left out. */
  drips: atMost(oneOf('line with a drip line', LEADS), LEADS.length, 'Each line can have one drip line.').optional(),
  /** How they stand; pushed in, upright and padded where it is left out. */
  props: propsDocument.optional(),
});
export type Pitch = Described<typeof pitchDocument>;
