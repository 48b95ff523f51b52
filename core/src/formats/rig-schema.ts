import { z } from 'zod';
import { SIGNS } from '../anchor/index.js';
import {
  CLOTHS,
  CORDS,
  HITCHES,
  HOLDS,
  PEGS,
  PULLS,
  SHELTERS,
  SOILS,
  SUN,
  TERMINATIONS,
  WEAR,
  WOODS,
} from '../catalogue/index.js';
import {
  GUY_HITCHES,
  LINE_PLACES,
  MOST_GUYS,
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
  pitch: pitchSchema.optional(),
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

export const RIG_FORMAT = 'rough-bight/rig@1';
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
    }),
    settings: z.strictObject({
      body: z.record(z.string().max(30), measure('body measure', 0, 20)),
      required: z.strictObject({ factor: required(1, 20), share: required(0.01, 1), chance: required(1e-9, 0.5) }),
    }),
    place: z.union([z.record(z.string(), z.unknown()), z.null()]),
  })
  .meta({
    title: 'A whole rig, rough-bight/rig@1',
    description:
      'SI units: m, N, kg, rad; bearings clockwise from north. docs/formats/rig.md tells what each field means.',
  });
