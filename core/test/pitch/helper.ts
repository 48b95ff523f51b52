import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freshPitch } from '../../src/rig/index.js';
import type { KitCord, Pitch, RigContext, RidgeRig } from '../../src/rig/index.js';
import type { BodyMeasures } from '../../src/quantity/index.js';
import { tieOutsOf } from '../../src/roof/index.js';
import type { KitRoof, PitchForm } from '../../src/roof/index.js';
import { DEFAULT_REQUIRED } from '../../src/strength/index.js';

interface CampFile {
  readonly person: { readonly body: BodyMeasures };
  readonly kit: readonly KitCord[];
  readonly rigs: readonly { readonly name: string; readonly rig: RidgeRig }[];
}
const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as CampFile;

/** A square roof with every tie-out. */
export function squareRoof(size: number, part: Partial<KitRoof> = {}): KitRoof {
  return {
    id: 'square',
    name: 'square',
    cloth: 'nylon',
    length: size,
    width: size,
    hollow: 0,
    tieOuts: tieOutsOf('full', size, size, 'loop'),
    mass: 0,
    sun: 'new',
    wear: 'sound',
    ...part,
  };
}
/** A cape, for the low form. */
export const CAPE: KitRoof = {
  ...squareRoof(2.4),
  id: 'square',
  width: 1.6,
  tieOuts: tieOutsOf('middles', 2.4, 1.6, 'eyelet'),
};

export function contextFor(roof: KitRoof): RigContext {
  return {
    kit: camp.kit,
    body: camp.person.body,
    required: DEFAULT_REQUIRED,
    roofs: [roof],
    pegs: [{ id: 'cut', name: 'cut pegs', shape: 'cut-wood', count: 20 }],
    beds: [],
    straps: [],
  };
}

/** Heights of the ties at which each form stands with a roof of 3 m. */
export const HEIGHTS: Readonly<Record<PitchForm, number>> = {
  gable: 1.7,
  closed: 1.1,
  storm: 1.4,
  flying: 1.9,
  group: 2.2,
  diagonal: 1.7,
  leanto: 1.6,
  wedge: 1.6,
  threesided: 1.1,
  prop: 1.7,
  low: 0.65,
  window: 1.2,
  tube: 1,
  canopy: 1.7,
  lifted: 1.3,
  diamond: 1.3,
};

/** A form between two equal alders over level ground, symmetric in everything. */
export function rigOf(
  form: PitchForm,
  roof: KitRoof,
  pitch: Partial<Pitch> = {},
  part: Partial<RidgeRig> = {},
  span = roof.length + 4,
): RidgeRig {
  const base = camp.rigs[0]!.rig;
  const trunk = { ...base.trunks[0], tieHeight: HEIGHTS[form] };
  const fresh = freshPitch(form, roof, { guyCord: 'guy', hitchCord: 'tarred', pegs: 'cut' }, span / 2);
  return {
    ...base,
    span: { how: 'tape', tape: span, paces: 9 },
    groundRise: 0,
    trunks: [trunk, { ...trunk, name: 'the other alder' }],
    hung: [],
    sway: 0,
    tensioning: { ...base.tensioning, how: 'tension', tension: 250 },
    wind: { beaufort: 3, shelter: 'edge' },
    pitch: {
      ...fresh,
      shape: { ...fresh.shape, ...(form === 'group' || form === 'flying' ? { edges: [1.4, 1.4] as const } : {}) },
      ...pitch,
    },
    ...part,
  };
}
export const roofFor = (form: PitchForm): KitRoof => (form === 'low' ? CAPE : squareRoof(3));
