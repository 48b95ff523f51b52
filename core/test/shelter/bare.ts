import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';

/** A bare ridgeline with two things hung out of their order along it; 0.4 m up the far bank. */
export function bareRig(part: Partial<RidgeRig> = {}): { readonly rig: RidgeRig; readonly context: RigContext } {
  const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/bed-on-one-alder.rig.json'), 'utf8'));
  const line: RidgeRig = { ...file.rig };
  delete (line as { bed?: unknown }).bed;
  const thing = { mass: 2, wetMass: 3, area: 0 };
  return {
    context: contextOf(file),
    rig: {
      ...line,
      groundRise: 0.4,
      hung: [
        { id: 'coats', name: 'wet coats', ...thing, at: 3.1 },
        { id: 'pack', name: 'a pack', ...thing, mass: 5, wetMass: 6, at: 1.2 },
      ],
      ...part,
    },
  };
}
