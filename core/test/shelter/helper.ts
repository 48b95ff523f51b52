import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { KitBed, KitStraps } from '../../src/bed/index.js';
import { readRigFile, contextOf } from '../../src/formats/index.js';
import { gustSpeed } from '../../src/rig/index.js';
import type { GivenWind } from '../../src/rig/index.js';
import type { Bed, BedEnd, RigContext, RidgeRig } from '../../src/rig/index.js';
import { DEFAULT_REQUIRED } from '../../src/strength/index.js';

export const UNITS = { length: 'm', force: 'N' } as const;

/** A demo rig of examples/rigs with what it is judged with. */
export function demo(name: string): { readonly rig: RidgeRig; readonly context: RigContext } {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
}
/** A rig of the demo camp by its name, with the camp's kit. */
export function ofCamp(name: string): { readonly rig: RidgeRig; readonly context: RigContext } {
  const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
  const { rig } = camp.rigs.find((r: { readonly name: string }) => r.name === name);
  const { kit, roofs, pegs, beds, straps, person } = camp;
  return { rig, context: { kit, roofs, pegs, beds, straps, body: person.body, required: DEFAULT_REQUIRED } };
}
export const UNDER_FLY = 'river-bed-under-the-fly';
export const ONE_TREE = 'bed-on-one-alder';
export const WRONG = 'drum-tight-bed';

/** The rig with its bed changed. */
export const bedded = (rig: RidgeRig, part: Partial<Bed>): RidgeRig => ({ ...rig, bed: { ...rig.bed!, ...part } });
export const ended = (rig: RidgeRig, i: 0 | 1, part: Partial<BedEnd>): RidgeRig => {
  const { ends } = rig.bed!;
  return bedded(rig, { ends: i === 0 ? [{ ...ends[0], ...part }, ends[1]] : [ends[0], { ...ends[1], ...part }] });
};
/** The kit with its bed or its straps changed. */
export const kitted = (context: RigContext, bed: Partial<KitBed>, straps: Partial<KitStraps> = {}): RigContext => ({
  ...context,
  beds: context.beds.map((b) => ({ ...b, ...bed })),
  straps: context.straps.map((s) => ({ ...s, ...straps })),
});

/** The rig's own gust from its named bearing alone: all sixteen have tests of their own. */
export const namedWind = (rig: RidgeRig): { readonly wind?: GivenWind } =>
  rig.pitch === undefined ? {} : { wind: { speed: gustSpeed(rig), from: rig.pitch.windFrom } };
