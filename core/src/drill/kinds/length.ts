import { TERMINATIONS } from '../../catalogue/index.js';
import { drawnFrom } from '../../picture/index.js';
import { evaluateRidge, hauledTo, measuredSpan } from '../../rig/index.js';
import type { RidgeRig } from '../../rig/index.js';
import type { Maker } from '../maker.js';
import { SIZE, bare, judged, number, rounded, within } from '../maker.js';

const SPANS = { easy: [0.8, 1.25], hard: [0.5, 2.5] } as const;
const GIRTHS = { easy: [0.8, 1.25], hard: [0.4, 2.2] } as const;
/** Most wraps round a trunk in the first drills and in the hardest. */
const WRAPS = { easy: 2, hard: 4 } as const;
const HAULED = 150;

/** How much cord is cut for a ridgeline: between its ends, round both trunks, knots, tails, and what is hauled past. */
export const length: Maker<'length'> = (source, chance, hard) => {
  const { rig, context } = source;
  const span = rounded(measuredSpan(rig, context.body) * chance.scaled(...within(SPANS, hard)), 2);
  const most = Math.round((1 - hard) * WRAPS.easy + hard * WRAPS.hard);
  const girth = (k: 0 | 1): number => rounded(rig.trunks[k].girth * chance.scaled(...within(GIRTHS, hard)), 2);
  const wraps = (): number => Math.floor(chance.between(1, most + 0.999));
  const trunks: RidgeRig['trunks'] = [
    { ...rig.trunks[0], girth: girth(0) },
    { ...rig.trunks[1], girth: girth(1) },
  ];
  const ends: RidgeRig['ends'] = [
    { termination: chance.one(TERMINATIONS.filter((t) => !t.hauls)).id, wraps: wraps() },
    { termination: chance.one(TERMINATIONS.filter((t) => t.hauls)).id, wraps: wraps() },
  ];
  const line = hauledTo({ ...bare(rig), span: { ...rig.span, how: 'tape', tape: span }, trunks, ends }, HAULED);
  const { cordNeeded } = evaluateRidge({ ...line, hung: [] }, context);
  const report = judged({ ...line, hung: [] }, source);
  const { draw } = drawnFrom(report, context.body, 'side', SIZE);
  const name = (id: string): string => TERMINATIONS.find((t) => t.id === id)!.name;
  return {
    rig: { ...line, hung: [] },
    facts: {
      between: span,
      ends: [
        { name: name(ends[0].termination), wraps: ends[0].wraps, girth: trunks[0].girth },
        { name: name(ends[1].termination), wraps: ends[1].wraps, girth: trunks[1].girth },
      ],
    },
    truths: null,
    shown: { picture: draw(), upright: 1, hand: null },
    asked: number('length', cordNeeded.value),
    figure: cordNeeded,
    seen: () => [draw(undefined, new Set(['ridge']))],
  };
};
