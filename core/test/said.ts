import type { Finding, FindingCode } from '../src/findings/index.js';
import type { PitchResult } from '../src/pitch/index.js';
import type { BodyMeasures } from '../src/quantity/index.js';
import { tell } from '../src/quantity/index.js';
import type { RigContext, RidgeResult, RidgeRig } from '../src/rig/index.js';
import { judgeRig, reportOf } from '../src/shelter/index.js';
import type { RigReport, Shelter } from '../src/shelter/index.js';
import { sentenceOf, verdictOf } from '../src/words/index.js';

/** A verdict as it is read in SI. */
export interface Said {
  readonly holds: boolean;
  readonly pending?: true;
  readonly sentence: string;
  readonly detail: string;
}

export function saidOf(report: RigReport, body: BodyMeasures): Said {
  const { sentence, detail, ...rest } = verdictOf(report, body);
  return { ...rest, sentence: tell(sentence), detail: tell(detail) };
}

const NO_KIT = { kit: [], straps: [] };
/** What is said of a roof or of a line by itself. */
export const roofSaid = (rig: RidgeRig, roof: PitchResult, body: BodyMeasures, full = true): Said =>
  saidOf(reportOf(rig, NO_KIT, full, { line: null, roof, bed: null }), body);
export const lineSaid = (rig: RidgeRig, line: RidgeResult, body: BodyMeasures): Said =>
  saidOf(reportOf(rig, NO_KIT, true, { line, roof: null, bed: null }), body);

/** Everything found, as it is read. */
export const toldOf = (found: readonly Finding[]): string[] => found.map((f) => tell(sentenceOf(f)));
export const codesOf = (found: readonly Finding[]): FindingCode[] => found.map((f) => f.code);

/** A rig judged, with what is said of it. */
export function judgedWhole(
  rig: RidgeRig,
  context: RigContext,
  options: Parameters<typeof judgeRig>[2],
): RigReport & { readonly tied: Shelter['roof']; readonly verdict: Said } {
  const { report, roof } = judgeRig(rig, context, options);
  return { ...report, tied: roof, verdict: saidOf(report, context.body) };
}
