import type { KitCord } from '../cordage/index.js';
import type { Problem } from '../document/index.js';
import { problem } from '../document/index.js';
import type { Person } from '../ground/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { capital, metres, phrase } from '../quantity/index.js';
import type { Required } from '../strength/index.js';
import type { KitPegs } from '../support/index.js';
import { holdsOnGround, supportOf } from '../support/index.js';
import { joinedProblems } from './extension.js';
import type { Hung, RidgeRig } from './rig-document.js';

export type { KitCord };

/** What a rig is judged with: the kit, the person's measures, the margins asked. */
export interface LineContext {
  readonly kit: readonly KitCord[];
  /** Of whoever ties it; in `pacedBy` with the pace of whoever paced the span. */
  readonly body: BodyMeasures;
  /** Whose paces the body's are, where they are not the reader's own: "Hazel’s". */
  readonly paces?: string;
  readonly required: Required;
  /** Pegs of the kit, where what a pole’s stays are held by is asked. */
  readonly pegs?: readonly KitPegs[];
}

/** Whoever asks, by id, and all whose paces are known. */
export interface Asked {
  readonly id?: string;
  readonly people?: readonly Pick<Person, 'id' | 'name' | 'body'>[];
}

/**
 * What a rig is judged with, with the pace of whoever paced its span: as known now, else as the rig keeps it. A count of paces
 * means nothing with another's legs.
 */
export function pacedBy<C extends LineContext>(
  rig: { readonly span: Pick<RidgeRig['span'], 'by'> },
  context: C,
  { id, people = [] }: Asked,
): C {
  const { by } = rig.span;
  if (by === undefined || by.id === id) return context;
  const known = people.find((p) => p.id === by.id);
  const { pace, paceSpread } = known?.body ?? by;
  return { ...context, body: { ...context.body, pace, paceSpread }, paces: `${known?.name ?? by.name}’s` };
}

/** Who paced a span, to be kept with the count. */
export const pacerOf = ({ id, name, body: { pace, paceSpread } }: Pick<Person, 'id' | 'name' | 'body'>) => ({
  id,
  name,
  pace,
  paceSpread,
});

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

/** A rig whose paced span says by whom: where it did not, by one person. */
export const pacedFirst = (rig: RidgeRig, person: Pick<Person, 'id' | 'name' | 'body'>): RidgeRig =>
  rig.span.how === 'paces' && rig.span.by === undefined ? { ...rig, span: { ...rig.span, by: pacerOf(person) } } : rig;

/** What fits together no worse than this is solved; the rest is refused with the field and the remedy. */
export function problemsOf(rig: RidgeRig, context: Pick<LineContext, 'kit' | 'body' | 'pegs'>): Problem[] {
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
  rig.trunks.forEach((t, i) => {
    if (t.stand?.kind === 'pole') {
      const { cord, anchor } = t.stand;
      const field = `trunks.${i}.stand`;
      if (!context.kit.some((k) => k.id === cord))
        out.push({ field: `${field}.cord`, message: 'The cord of its stays is no longer in the kit. Choose another.' });
      if (!holdsOnGround(anchor.kind))
        out.push({
          field: `${field}.anchor.kind`,
          message:
            'Each stay of a line’s pole is held by something of its own on the ground. Choose pegs, a weight or what is buried.',
        });
      else if (context.pegs !== undefined)
        for (const found of supportOf(anchor).problems(anchor, context.pegs))
          out.push({ field: `${field}.anchor.${found.field}`, message: found.message });
    }
    if (t.branch !== undefined && (t.standsOnWord === true || t.stand !== undefined))
      out.push({
        field: `trunks.${i}.branch`,
        message: `${capital(t.name)} is no stem, and has no branch for a line to go over. Take the branch out, or choose a tree.`,
      });
  });
  if (rig.tensioning.how === 'dip') onLine('tensioning.dip.at', 'The test mass', rig.tensioning.dip.at);
  if (rig.tensioning.how === 'passes' && rig.tensioning.passes.count * rig.tensioning.passes.takeUp >= long / 2)
    out.push({
      field: 'tensioning.passes.takeUp',
      message: 'The passes take in more than half of the line. Check their number and the take-up of each.',
    });
  out.push(...joinedProblems(rig.joined, context.kit, rig.use === 'person'));
  if (rig.joined !== undefined) onLine('joined.at', 'The bend', rig.joined.at);
  if (!context.kit.some((k) => k.id === rig.cord))
    out.push({ field: 'cord', message: 'This cord is no longer in the kit. Choose another.' });
  return out;
}
