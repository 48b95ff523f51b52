import { z } from 'zod';
import { SIGNS } from '../anchor/index.js';
import { BED_KIT_LIMITS, STRAPS_KIT_LIMITS } from '../bed/index.js';
import {
  ADJUSTMENTS,
  BED_CLOTHS,
  CLOTHS,
  CONNECTORS,
  CORDS,
  HITCHES,
  HOLDS,
  PEGS,
  PULLS,
  SHELTERS,
  SNOWS,
  SOILS,
  SUN,
  TERMINATIONS,
  WEAR,
  WEBBINGS,
  WOODS,
} from '../catalogue/index.js';
import {
  BED_LIMITS,
  BENEATH,
  GUY_HITCHES,
  LINE_PLACES,
  MOST_GUYS,
  MOST_HOME,
  MOST_PULLS,
  MOST_HUNG,
  PITCH_LIMITS,
  RIDGE_FORMAT,
  RIDGE_LIMITS,
  TENSIONINGS,
} from '../rig/index.js';
import { MOST_TIE_OUTS, PITCH_FORMS, ROOF_LIMITS } from '../roof/index.js';
import { RULES, USES } from '../strength/index.js';

// no code made at run time: pages forbid it
z.config({ jitless: true });

/** The schema of a whole rig's file: what may stand in it, field by field. SI. */
const within = ({ name, min, max }: { readonly name: string; readonly min: number; readonly max: number }) => {
  const message = `The ${name} must be a number from ${min} to ${max}.`;
  return z.number({ error: message }).min(min, { error: message }).max(max, { error: message });
};
const whole = (limit: { readonly name: string; readonly min: number; readonly max: number }) =>
  within(limit).int({ error: `The ${limit.name} must be a whole number.` });
const words = (what: string, least: number, most: number) => {
  const message = `The ${what} must be text of ${least} to ${most} characters.`;
  return z.string({ error: message }).min(least, { error: message }).max(most, { error: message });
};
const oneOf = (what: string, list: readonly string[]) =>
  z.enum(list as [string, ...string[]], { error: `The ${what} must be one of ${list.join(', ')}.` });
const keys = (o: object): readonly string[] => Object.keys(o);
const yesNo = (what: string) => z.boolean({ error: `${what} must be true or false.` });
const id = (what: string) => words(`${what}'s id`, 1, 60);
const CORD_IDS = CORDS.map((c) => c.id);
const WOOD_IDS = WOODS.map((w) => w.id);
const signs = z.array(oneOf('sign', keys(SIGNS))).max(20);

const P = PITCH_LIMITS;
const guyAnchor = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('peg'), pegs: id('pegs'), inLine: whole(P.inLine), lean: within(P.lean) }),
  z.strictObject({
    kind: z.literal('stem'),
    name: words('name of the stem', 1, 60),
    wood: oneOf('wood', WOOD_IDS),
    girth: within(P.girth),
    height: within(P.height),
    signs,
  }),
  z.strictObject({
    kind: z.literal('tree'),
    tree: z
      .string()
      .max(29)
      .regex(/^(trunk[01]|bed-stem[01]|guy-tree .{1,20})$/, {
        error:
          'The tree must be trunk0, trunk1, bed-stem0, bed-stem1, or "guy-tree " and the key of the guy that has it.',
      }),
    height: within(P.height),
  }),
  z.strictObject({ kind: z.literal('weight'), name: words('name of the weight', 1, 60), mass: within(P.mass) }),
  z.strictObject({
    kind: z.literal('buried'),
    length: within(P.buriedLength),
    width: within(P.buriedWidth),
    depth: within(P.buriedDepth),
  }),
  z.strictObject({ kind: z.literal('root'), name: words('name of the root', 1, 60) }),
]);
const guy = z.strictObject({
  cord: id('cord'),
  haul: within(P.haul),
  hitch: oneOf('way a guy is made fast', keys(GUY_HITCHES)),
  wraps: whole(P.hitchWraps),
  anchor: guyAnchor,
  foot: z.union([z.tuple([within(P.foot), within(P.foot)]), z.null()]),
  stick: within(P.guyStick),
  off: yesNo('off'),
});
const roofHitch = z.strictObject({
  type: oneOf(
    'hitch',
    HITCHES.map((h) => h.id),
  ),
  cord: id('cord'),
  wraps: whole(P.hitchWraps),
  crossed: yesNo('crossed'),
  loop: within(P.loop),
  slid: within(P.slid),
});
export const pitchSchema = z.strictObject({
  roof: id('roof'),
  form: oneOf('form', PITCH_FORMS),
  shape: z.strictObject({
    edges: z.tuple([within(P.edge), within(P.edge)]),
    awning: within(P.awning),
    prop: within(P.prop),
    lift: within(P.lift),
    flap: within(P.flap),
  }),
  bearing: within(P.bearing),
  windFrom: within(P.bearing),
  crossRise: within(P.crossRise),
  soil: oneOf(
    'soil',
    SOILS.map((s) => s.id),
  ),
  pulls: z
    .array(
      z.strictObject({
        pegs: id('pegs'),
        soil: oneOf(
          'soil',
          SOILS.map((s) => s.id),
        ),
        force: within(P.pull),
        moved: yesNo('moved'),
        wet: yesNo('wet'),
      }),
    )
    .max(MOST_PULLS, { error: `At most ${MOST_PULLS} pulled pegs can be kept.` })
    .optional(),
  snow: z.strictObject({ feel: oneOf('snow', keys(SNOWS)), depth: within(P.snow) }).optional(),
  middle: within(P.middle),
  line: oneOf('place of the line', keys(LINE_PLACES)),
  hitches: z.tuple([roofHitch, roofHitch]),
  spread: within(P.spread),
  guy,
  own: z.record(words('key of a guy', 1, 20), guy.partial()).refine((own) => Object.keys(own).length <= MOST_GUYS, {
    error: `At most ${MOST_GUYS} guys can differ from the rest.`,
  }),
  order: z.array(words('key of a guy', 1, 20)).max(MOST_GUYS),
  stick: within(P.stick),
});

const B = BED_LIMITS;
const plan = z.tuple([within(B.at), within(B.at)]);
const bedAnchor = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('trunk') }),
  z.strictObject({
    kind: z.literal('stem'),
    name: words('name of the stem', 1, 60),
    wood: oneOf('wood', WOOD_IDS),
    girth: within(B.girth),
    at: plan,
    signs,
  }),
  z.strictObject({
    kind: z.literal('pole'),
    foot: plan,
    wood: oneOf('wood', WOOD_IDS),
    thickness: within(B.thickness),
    dug: within(B.dug),
    lean: within(B.lean),
    stays: z.union([z.literal(1), z.literal(2)], { error: 'The number of stays must be 1 or 2.' }),
    out: within(B.out),
    spread: within(B.spread),
    cord: id('cord'),
    haul: within(B.haul),
    anchor: guyAnchor,
    offCentre: within(B.offCentre),
  }),
]);
const bedEnd = z.strictObject({
  anchor: bedAnchor,
  height: within(B.height),
  wraps: whole(B.wraps),
  loop: whole(B.loop),
  free: within(B.free),
  drip: z.union([within(B.drip), z.null()]),
});
export const bedSchema = z.strictObject({
  bed: id('bed'),
  straps: id('straps'),
  ends: z.tuple([bedEnd, bedEnd]),
  mass: within(B.mass),
  stature: within(B.stature),
  people: whole(B.people),
  head: z.union([z.literal(0), z.literal(1)], { error: 'The end of the head must be 0 or 1.' }),
  ridgeCord: yesNo('The ridge-cord'),
  sitAt: within(B.sitAt),
  drop: within(B.drop),
  swing: within(B.swing),
  reach: within(B.reach),
  aside: z.union([
    z.strictObject({
      cord: id('cord'),
      side: oneOf('side', ['left', 'right']),
      out: within(B.asideOut),
      haul: within(B.haul),
      pegs: id('pegs'),
    }),
    z.null(),
  ]),
  beneath: oneOf('ground beneath', keys(BENEATH)),
  soil: oneOf(
    'soil',
    SOILS.map((s) => s.id),
  ),
  wish: z.strictObject({ height: within(B.wishHeight), angle: within(B.wishAngle), headUp: within(B.headUp) }),
  ridgeDrip: z.tuple([yesNo('A drip tail'), yesNo('A drip tail')]),
});

const L = RIDGE_LIMITS;
const trunk = z.strictObject({
  name: words("trunk's name", 1, 60),
  wood: oneOf('wood', WOOD_IDS),
  girth: within(L.girth),
  tieHeight: within(L.tieHeight),
  signs,
  standsOnWord: z.literal(true).optional(),
});
const end = z.strictObject({
  termination: oneOf(
    'hitch',
    TERMINATIONS.map((t) => t.id),
  ),
  wraps: whole(L.wraps),
});
export const rigSchema = z.strictObject({
  format: z.literal(RIDGE_FORMAT),
  span: z.strictObject({
    how: oneOf('way of measuring', ['tape', 'paces']),
    tape: within(L.span),
    sd: within(L.sd).optional(),
    paces: within(L.paces),
  }),
  groundRise: within(L.groundRise),
  trunks: z.tuple([trunk, trunk]),
  cord: id('cord'),
  ends: z.tuple([end, end]),
  tensioning: z.strictObject({
    how: oneOf('way of tensioning', TENSIONINGS),
    tension: within(L.tension),
    sag: within(L.sag),
    dip: z.strictObject({ mass: within(L.testMass), at: within(L.at), drop: within(L.dip) }),
    passes: z.strictObject({ count: whole(L.passes), takeUp: within(L.takeUp) }),
    pulley: z.strictObject({
      pull: oneOf('pull', keys(PULLS)),
      loopOut: within(L.loopOut),
      setBack: within(L.setBack),
    }),
  }),
  roof: z.strictObject({
    on: yesNo('on'),
    mass: within(L.mass),
    wetMass: within(L.mass),
    at: z.tuple([within(L.at), within(L.at)]),
    area: within(L.area),
  }),
  hung: z
    .array(
      z.strictObject({ id: words('id', 1, 40), name: words('name', 0, 60), mass: within(L.mass), at: within(L.at) }),
    )
    .max(MOST_HUNG),
  wind: z.strictObject({ beaufort: whole(L.beaufort), shelter: oneOf('shelter', keys(SHELTERS)) }),
  sway: within(L.sway),
  tightness: within(L.tightness),
  use: oneOf('use', USES),
  rule: oneOf('rule', RULES),
  site: z
    .strictObject({ place: id('place'), from: id('first anchor'), to: words("second anchor's id", 0, 60) })
    .optional(),
  home: z
    .array(id('thing left at home'))
    .max(MOST_HOME, { error: `At most ${MOST_HOME} things can be left at home.` })
    .optional(),
  pitch: pitchSchema.optional(),
  bed: bedSchema.optional(),
});

const R = ROOF_LIMITS;
export const roofSchema = z.strictObject({
  id: id('roof'),
  name: words('name of the roof', 1, 60),
  cloth: oneOf(
    'cloth',
    CLOTHS.map((c) => c.id),
  ),
  length: within(R.length),
  width: within(R.width),
  hollow: within(R.hollow),
  tieOuts: z
    .array(
      z.strictObject({
        id: words('id of a tie-out', 1, 20),
        at: z.tuple([within(R.at), within(R.at)]),
        hold: oneOf('tie-out', keys(HOLDS)),
      }),
    )
    .max(MOST_TIE_OUTS),
  mass: within(R.mass),
  sun: oneOf('sun', keys(SUN)),
  wear: oneOf('wear', keys(WEAR)),
});
export const pegsSchema = z.strictObject({
  id: id('pegs'),
  name: words('name of the pegs', 1, 60),
  shape: oneOf(
    'shape of peg',
    PEGS.map((p) => p.id),
  ),
  count: whole(P.pegs),
});
const BK = BED_KIT_LIMITS;
export const bedKitSchema = z.strictObject({
  id: id('bed'),
  name: words('name of the bed', 1, 60),
  cloth: oneOf(
    'bed cloth',
    BED_CLOTHS.map((c) => c.id),
  ),
  length: within(BK.length),
  width: within(BK.width),
  mass: within(BK.mass),
  ridgeLength: within(BK.ridgeLength),
  ridgeCord: oneOf('cord of the ridge', CORD_IDS),
  connector: oneOf('connector', keys(CONNECTORS)),
  limit: within(BK.limit),
  people: whole(BK.people),
  sun: oneOf('sun', keys(SUN)),
  wear: oneOf('wear', keys(WEAR)),
});
const SK = STRAPS_KIT_LIMITS;
export const strapsSchema = z.strictObject({
  id: id('straps'),
  name: words('name of the straps', 1, 60),
  webbing: oneOf(
    'webbing',
    WEBBINGS.map((w) => w.id),
  ),
  length: within(SK.length),
  adjust: oneOf('way of adjusting', keys(ADJUSTMENTS)),
  first: within(SK.first),
  spacing: within(SK.spacing),
  count: whole(SK.count),
  limit: within(SK.limit),
  sun: oneOf('sun', keys(SUN)),
  wear: oneOf('wear', keys(WEAR)),
});
const cordSchema = z.strictObject({
  id: id('cord'),
  name: words('name of the cord', 1, 60),
  cord: oneOf('cord', CORD_IDS),
  length: within({ name: 'length on hand', min: 0.1, max: 1000 }),
  sun: oneOf('sun', keys(SUN)),
  wear: oneOf('wear', keys(WEAR)),
});
const measure = (name: string, min: number, max: number) => within({ name, min, max });
const required = (min: number, max: number) =>
  z.strictObject({
    ridge: measure('margin asked', min, max),
    hangers: measure('margin asked', min, max),
    person: measure('margin asked', min, max),
  });

export const RIG_FORMAT = 'rough-bight/rig@3';
export const rigFileSchema = z
  .strictObject({
    format: z.literal(RIG_FORMAT),
    name: words('name', 1, 80),
    note: words('note', 0, 400),
    rig: rigSchema,
    kit: z.strictObject({
      cords: z.array(cordSchema).max(200),
      roofs: z.array(roofSchema).max(50),
      pegs: z.array(pegsSchema).max(50),
      beds: z.array(bedKitSchema).max(50),
      straps: z.array(strapsSchema).max(50),
    }),
    settings: z.strictObject({
      body: z.record(z.string().max(30), measure('body measure', 0, 20)),
      required: z.strictObject({ factor: required(1, 20), share: required(0.01, 1), chance: required(1e-9, 0.5) }),
    }),
    place: z.union([z.record(z.string(), z.unknown()), z.null()]),
  })
  .meta({
    title: 'A whole rig, rough-bight/rig@3',
    description:
      'SI units: m, N, kg, rad; bearings clockwise from north. docs/formats/rig.md tells what each field means.',
  });
