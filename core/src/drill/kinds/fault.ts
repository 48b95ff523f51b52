import { drawnFrom } from '../../picture/index.js';
import { rigProblems } from '../../rig/index.js';
import { FAULTS, seenOf } from '../faults.js';
import type { FaultId } from '../faults.js';
import type { Maker } from '../maker.js';
import { SIZE, judged } from '../maker.js';

/** Faults to choose among. */
const MANY = 5;
/** Guys that are told of besides those that are off: not all of eight. */
const GUYS = 4;

/** What is wrong with a rig: one fault is put in that it has not, among others that it has not either. */
export const fault: Maker<'fault'> = (source, chance, hard) => {
  const { rig, context } = source;
  const right = judged(rig, source);
  const had = new Set<FaultId>(FAULTS.filter((f) => f.has(right)).map((f) => f.id));
  for (const one of chance.shuffled(FAULTS.filter((f) => !had.has(f.id)))) {
    const wrong = one.put(source, chance, hard);
    if (wrong === null || rigProblems(wrong, context).length > 0) continue;
    const report = judged(wrong, source);
    if (!one.has(report)) continue;
    // what the fault brings with it is no other answer
    const others = FAULTS.filter((f) => f.id !== one.id && !had.has(f.id) && !f.has(report));
    const options = chance.shuffled([one, ...chance.shuffled(others).slice(0, MANY - 1)]);
    if (options.length < 3) continue;
    const view = wrong.pitch === undefined ? 'side' : chance.one(['side', 'above'] as const);
    const { draw, frame } = drawnFrom(report, context.body, view, SIZE);
    const all = seenOf(report);
    const guys = all.filter((s) => s.of === 'guy').sort((a, b) => b.off + b.rise - a.off - a.rise);
    const told = new Set([...guys.slice(0, 2), ...chance.shuffled(guys.slice(2)).slice(0, GUYS - 2)]);
    return {
      rig: wrong,
      facts: { seen: all.filter((s) => s.of !== 'guy' || told.has(s)) },
      truths: { fault: one.id },
      shown: { picture: draw(), upright: 1, hand: null },
      asked: { form: 'choice', options: options.map(({ id, name }) => ({ id, name })), truth: one.id },
      figure: null,
      seen: () => [drawnFrom(right, context.body, view, SIZE, { frame }).draw()],
    };
  }
  return null;
};
