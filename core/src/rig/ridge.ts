import type { KitCord } from '../cordage/index.js';
import type { Problem } from '../document/index.js';
import { problem } from '../document/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { metres, phrase } from '../quantity/index.js';
import type { Required } from '../strength/index.js';
import type { Hung, RidgeRig } from './rig-document.js';

export type { KitCord };

/** What a rig is judged with: the kit, the person's measures, the margins asked. */
export interface LineContext {
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  readonly required: Required;
}

/** Whether a thing hangs by a hitch that grips the line: cloth does. */
export const hitched = (h: Hung): boolean => h.area > 0;

/** Least room left between a thing on the line and a tie, m. */
export const END_ROOM = 0.05;

/** Horizontal distance between the ties, m, as measured. */
export function measuredSpan(rig: RidgeRig, body: BodyMeasures): number {
  return rig.span.how === 'tape' ? rig.span.tape : rig.span.paces * body.pace;
}

/** Height of the second tie above the first, m. */
export function riseOf(rig: RidgeRig): number {
  return rig.groundRise + rig.trunks[1].tieHeight - rig.trunks[0].tieHeight;
}

/** Straight distance between the ties, m. */
export function straightDistance(rig: RidgeRig, body: BodyMeasures): number {
  return Math.hypot(measuredSpan(rig, body), riseOf(rig));
}

/** What fits together no worse than this is solved; the rest is refused with the field and the remedy. */
export function problemsOf(rig: RidgeRig, context: Pick<LineContext, 'kit' | 'body'>): Problem[] {
  const out: Problem[] = [];
  const long = straightDistance(rig, context.body);
  const onLine = (field: string, what: string, at: number): void => {
    if (!(at >= END_ROOM && at <= long - END_ROOM))
      out.push(
        problem(field, phrase`${what} is at ${metres(at)}, off a line of ${metres(long)}. Move it, or widen the span.`),
      );
  };
  rig.hung.forEach((h, i) => {
    const what = h.name === '' ? 'A thing hung' : `“${h.name}”`;
    onLine(`hung.${i}.at`, what, h.at);
    if (h.wetMass < h.mass)
      out.push({
        field: `hung.${i}.wetMass`,
        message: `${what} cannot weigh less wet than dry. Raise its soaked mass.`,
      });
  });
  if (rig.tensioning.how === 'dip') onLine('tensioning.dip.at', 'The test mass', rig.tensioning.dip.at);
  if (rig.tensioning.how === 'passes' && rig.tensioning.passes.count * rig.tensioning.passes.takeUp >= long / 2)
    out.push({
      field: 'tensioning.passes.takeUp',
      message: 'The passes take in more than half of the line. Check their number and the take-up of each.',
    });
  if (!context.kit.some((k) => k.id === rig.cord))
    out.push({ field: 'cord', message: 'This cord is no longer in the kit. Choose another.' });
  return out;
}
