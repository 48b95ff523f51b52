import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DrillSource } from '../../src/drill/index.js';
import type { Place } from '../../src/ground/index.js';
import { demo } from '../shelter/helper.js';

const { places } = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
  readonly places: readonly { readonly place: Place }[];
};

/** A demo rig, with the first place of the demo camp. */
export function source(name: string): DrillSource {
  const { rig, context } = demo(name);
  return {
    rig,
    context,
    ground: { place: places[0]!.place, who: { id: 'me', body: context.body, calibrations: {}, people: [] } },
  };
}
