import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { CORDS, cordWeight, dryCurve } from '@rough-bight/core/catalogue';
import { solveSpan, unstressedFromDip, unstressedFromPretension, unstressedFromSag } from '@rough-bight/core/line';
import { evaluateRidge } from '@rough-bight/core/rig';
import { sizeCords } from '@rough-bight/core/sizing';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';

/** Median time of one call, ms, over `runs` calls after as many to warm up. */
function median(runs, work) {
  for (let i = 0; i < runs; i++) work();
  const times = [];
  for (let i = 0; i < runs; i++) {
    const began = performance.now();
    work();
    times.push(performance.now() - began);
  }
  return Number(times.sort((a, b) => a - b)[runs >> 1].toFixed(4));
}

export async function measure() {
  const cord = CORDS[0];
  const span = {
    chord: [6.8, 0, 0.1],
    curve: dryCurve(cord),
    perMetre: [0, 0, -cordWeight(cord, false)],
    loads: [
      { at: 0.28, force: [0, 0, -4.4] },
      { at: 0.5, force: [0, 0, -3.9] },
      { at: 0.72, force: [0, 0, -4.4] },
    ],
    give: [
      [2e-6, 2e-6, 0],
      [3e-6, 3e-6, 0],
    ],
  };
  const camp = JSON.parse(readFileSync(join(root, 'examples/sallow-ait.json'), 'utf8'));
  const around = { kit: camp.kit, body: camp.person.body, required: DEFAULT_REQUIRED };
  const units = { length: 'm', force: 'N' };
  const rig = camp.rigs[0].rig;
  return {
    ridge_solve_ms: median(3000, () => solveSpan(span, unstressedFromPretension(span, 280))),
    ridge_from_sag_ms: median(500, () => solveSpan(span, unstressedFromSag(span, 0.15))),
    ridge_from_dip_ms: median(300, () => unstressedFromDip(span, 0.5, 19.6, 0.1)),
    ridge_drag_judgement_ms: median(60, () => evaluateRidge(rig, around, units, { ranges: false })),
    ridge_full_judgement_ms: median(15, () => evaluateRidge(rig, around, units)),
    size_kit_ms: median(2, () => sizeCords(rig, around, units)),
  };
}
