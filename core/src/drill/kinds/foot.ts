import { groundOf, layoutOf } from '../../pitch/index.js';
import { drawnFrom } from '../../picture/index.js';
import { guyOf, measuredSpan } from '../../rig/index.js';
import type { RidgeRig } from '../../rig/index.js';
import { drawingOf } from '../../shelter/index.js';
import type { Chance } from '../chance.js';
import type { At, Said } from '../drill.js';
import type { DrillSource, Maker } from '../maker.js';
import { SIZE, judged, rounded, shares, within } from '../maker.js';

/** How many times as high its ridge is, in the first drills and in the hardest. */
const HEIGHTS = { easy: [0.95, 1.05], hard: [0.75, 1.3] } as const;
/** How far the roof is slid along, m. */
const SLID = { easy: 0.1, hard: 0.4 } as const;
/** Seen beyond the rig, so that a foot can be set too far out, m. */
const ROOM = 1;

function raisedOtherwise({ rig }: DrillSource, chance: Chance, hard: number): RidgeRig | null {
  const { pitch, trunks } = rig;
  if (pitch === undefined) return null;
  const times = chance.scaled(...within(HEIGHTS, hard));
  const slid = (1 - hard) * SLID.easy + hard * SLID.hard;
  const raised = (k: 0 | 1): RidgeRig['trunks'][0] => ({
    ...trunks[k],
    tieHeight: Math.round(20 * trunks[k].tieHeight * times) / 20,
  });
  return {
    ...rig,
    trunks: [raised(0), raised(1)],
    pitch: { ...pitch, middle: rounded(pitch.middle + chance.between(-slid, slid), 3) },
  };
}

/** Where a guy's foot belongs: on the extension of the line along the cloth through its tie-out. */
export const foot: Maker<'foot'> = (source, chance, hard) => {
  const { context } = source;
  const rig = raisedOtherwise(source, chance, hard);
  if (rig?.pitch === undefined) return null;
  const { pitch } = rig;
  // only those that follow the cloth: what grows there, or was set by hand, is where it is
  const guys = layoutOf(rig, context).reaches.filter((r) => r.kind === 'guy' && r.guy.foot === null && r.stick === 0);
  const corners = guys.filter((r) => r.key.name.includes('corner'));
  if (guys.length === 0) return null;
  const reach = chance.one(corners.length > 0 && hard < 0.5 ? corners : guys);
  const { id, name, at } = reach.key;
  const row = `guy ${id}`;
  const report = judged(rig, source);
  const { draw, frame } = drawnFrom(report, context.body, 'above', SIZE, { room: ROOM });
  const all = new Set([...report.rows.map((r) => r.id), 'cloth', ...drawingOf(report).guys.map((g) => g.id)]);
  const without = new Set([...all].filter((r) => r !== row));
  const from: At = [at[0], at[1]];
  const truth: At = [reach.foot[0], reach.foot[1]];
  const zero = frame.put([0, 0]);
  const seen = (said: Said | null) => {
    const after = draw(all, new Set([row]));
    if (said === null || typeof said !== 'object') return [after];
    const was = { ...guyOf(pitch, id), foot: said };
    const tied: RidgeRig = { ...rig, pitch: { ...pitch, own: { ...pitch.own, [id]: { ...pitch.own[id], ...was } } } };
    const begun = drawingOf(judged(tied, source)).shapes[0]!.at;
    const done = drawingOf(report).shapes[0]!.at;
    // both have the same nodes: the foot alone is another
    return shares().map((s) => {
      const between = Float64Array.from(done, (v, i) => begun[i]! + s * (v - begun[i]!));
      return drawnFrom(report, context.body, 'above', SIZE, { at: between, frame }).draw(all, new Set([row]));
    });
  };
  return {
    rig,
    facts: { guy: name, height: at[2] - groundOf(rig, measuredSpan(rig, context.body))(at[0], at[1]) },
    truths: null,
    shown: {
      picture: draw(without),
      upright: 1,
      hand: { form: 'set', from: frame.put(from), zero, metre: frame.scale },
    },
    asked: { form: 'place', from, truth },
    figure: null,
    seen,
  };
};
