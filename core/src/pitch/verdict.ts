import { capital, say, saySmall } from '../quantity/index.js';
import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { marginWords } from '../rig/index.js';
import type { Verdict } from '../rig/index.js';
import type { PitchResult } from './evaluate.js';
import { ratioOf } from './evaluate.js';

/**
 * One sentence on what gives first, and one on what else matters.
 * @param full false where only the rig as pitched was worked out: then nothing is passed
 */
export function pitchVerdict(r: PitchResult, body: BodyMeasures, units: UnitChoice, full = true): Verdict {
  const first = r.rows[0];
  const governs = first?.links[0];
  const when = (id: string): string => r.cases.find((c) => c.id === id)?.said ?? id;
  const rain = r.cases.find((c) => c.runsAway);
  const room = `Headroom ${saySmall(r.cover.headroom, body)} (${say(r.cover.headroom, 'length', units)}), ${say(r.cover.ground, 'area', units)} covered.`;
  const against = r.warnings.find((w) => w.includes('is ruled out') || w.includes('too thin to carry'));
  if (against !== undefined) return { holds: false, sentence: against, detail: room };
  if (first === undefined || governs === undefined || !Number.isFinite(ratioOf(first)))
    return { holds: true, sentence: 'Nothing pulls on this rig yet.', detail: room };
  const name = capital(governs.link.name);
  const numbers = capital(marginWords(governs, units));
  const others = r.rows.filter((row) => ratioOf(row) < 1).length - 1;
  const more = others > 0 ? ` ${others} more ${others === 1 ? 'line is' : 'lines are'} short of what is asked.` : '';
  if (governs.judgement.ratio < 1) {
    const slips = governs.link.kind === 'hitch';
    const breaks = governs.link.margin.value < 1;
    return {
      holds: false,
      sentence: `${name} ${slips ? (breaks ? 'slips' : 'may slip') : breaks ? 'lets go' : 'is too weak'} first ${when(governs.link.caseId)}.`,
      detail: `${numbers}.${more} ${room}`,
    };
  }
  if (rain !== undefined)
    return {
      holds: false,
      sentence: 'Rain pools on it and the pool grows.',
      detail: `Drop a corner or an edge. ${room}`,
    };
  const loose = r.cases.find((c) => !c.converged);
  if (loose !== undefined)
    return {
      holds: false,
      sentence: `Too loose to judge ${loose.said}: the cloth flaps.`,
      detail: `Tighten it. ${room}`,
    };
  const short = r.cords.find((c) => c.wanted > c.have);
  if (short !== undefined)
    return {
      holds: false,
      sentence: `${capital(short.name)} is too short for its lines.`,
      detail: `${say(short.wanted, 'length', units)} wanted, ${say(short.have, 'length', units)} on hand. ${room}`,
    };
  if (!full)
    return {
      holds: true,
      sentence: 'As pitched it holds.',
      detail: `Night, rain and wind are being worked out. ${room}`,
    };
  return {
    holds: true,
    sentence: `Holds. ${name} gives first.`,
    detail: `${numbers}, ${when(governs.link.caseId)}. ${room}`,
  };
}
