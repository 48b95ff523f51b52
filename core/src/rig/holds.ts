import type { Problem } from '../document/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import type { GuyAnchor, HoldId, LineId } from '../support/index.js';
import { holdWith, holdsOnGround, keyOfLine } from '../support/index.js';
import type { BedPole } from './bed-document.js';
import { bedFoot } from './bed.js';
import { guyOf } from './pitch.js';
import type { RidgeRig } from './rig-document.js';

/** What a rig says of what holds a line. */
export interface ToldAnchor {
  /** Of the document. */
  readonly field: string;
  readonly what: 'guy' | 'back-stay';
  /** null where it stands for all guys that have none of their own. */
  readonly line: LineId | null;
  readonly anchor: GuyAnchor;
}

/** Every line's anchor as it is told: that of all guys, those of guys that differ, those of back-stays. */
export function toldAnchors(rig: RidgeRig): ToldAnchor[] {
  const { pitch } = rig;
  const guys: ToldAnchor[] =
    pitch === undefined
      ? []
      : [
          { field: 'pitch.guy.anchor', what: 'guy', line: null, anchor: pitch.guy.anchor },
          ...Object.entries(pitch.own).flatMap(([key, { off, anchor }]): ToldAnchor[] =>
            off === true || anchor === undefined
              ? []
              : [{ field: `pitch.own.${key}.anchor`, what: 'guy', line: `guy ${key}`, anchor }],
          ),
        ];
  const stays = ([0, 1] as const).flatMap((i): ToldAnchor[] => {
    const pole = poleAt(rig, i);
    return pole === null
      ? []
      : [{ field: `bed.ends.${i}.anchor.anchor`, what: 'back-stay', line: `stays${i}`, anchor: pole.anchor }];
  });
  return [...guys, ...stays];
}

const poleAt = (rig: RidgeRig, i: 0 | 1): BedPole | null => {
  const anchor = rig.bed?.ends[i].anchor;
  return anchor?.kind === 'pole' ? anchor : null;
};

/** What a line says that it is held by; null where the rig has no such line. */
export function anchorOf(rig: RidgeRig, line: LineId): GuyAnchor | null {
  const key = keyOfLine(line);
  if (key === null) return poleAt(rig, line === 'stays0' ? 0 : 1)?.anchor ?? null;
  if (rig.pitch === undefined) return null;
  const guy = guyOf(rig.pitch, key);
  return guy.off ? null : guy.anchor;
}

/** Whether a pole's stays are one line to what holds them: a single one, or both by one thing. */
const asOne = ({ stays, together }: BedPole): boolean => stays === 1 || together === true;

/** What on the ground holds more than one line of a rig, each by the line that it is told with. */
export function holdsOf(rig: RidgeRig): HoldId[] {
  const lines = toldAnchors(rig).flatMap(({ anchor }) => (anchor.kind === 'same' ? [anchor.line] : []));
  for (const i of [0, 1] as const) {
    const pole = poleAt(rig, i);
    if (pole !== null && pole.stays === 2 && asOne(pole) && holdsOnGround(pole.anchor.kind)) lines.push(`stays${i}`);
  }
  return [...new Set(lines)].map(holdWith);
}

/**
 * What holds this line and others; null where it has something of its own, or a tree.
 * @param holds all of the rig, {@link holdsOf}
 */
export function holdOfLine(holds: readonly HoldId[], line: LineId, anchor: GuyAnchor): HoldId | null {
  const id = holdWith(anchor.kind === 'same' ? anchor.line : line);
  return holds.includes(id) ? id : null;
}

/**
 * Where a back-stay is held on the plan, m.
 * @param away unit vector from the bed to beyond the pole @param side of two, -1 or 1
 */
export function stayFoot(
  { out, spread, together }: BedPole,
  [x, y]: readonly [number, number],
  away: readonly [number, number],
  side: number,
): readonly [number, number] {
  const aside = together === true ? 0 : side * spread;
  return [x + away[0] * out - away[1] * aside, y + away[1] * out + away[0] * aside];
}

/** Where a line comes to the ground on the plan, m, as it is told; null for a guy that follows the cloth. */
export function lineFoot(rig: RidgeRig, body: BodyMeasures, line: LineId): readonly [number, number] | null {
  const key = keyOfLine(line);
  if (key !== null) return rig.pitch === undefined ? null : guyOf(rig.pitch, key).foot;
  const i = line === 'stays0' ? 0 : 1;
  const pole = poleAt(rig, i);
  if (pole === null) return null;
  const [here, there] = [bedFoot(rig, body, i), bedFoot(rig, body, i === 0 ? 1 : 0)];
  const apart = Math.hypot(here[0] - there[0], here[1] - there[1]);
  return stayFoot(pole, here, [(here[0] - there[0]) / apart, (here[1] - there[1]) / apart], 0);
}

/** Lines told to be held by what holds another, where that cannot be: each with the field and the remedy. */
export function holdProblems(rig: RidgeRig): Problem[] {
  return toldAnchors(rig).flatMap(({ field, what, anchor }): Problem[] => {
    if (anchor.kind !== 'same') return [];
    const why = whyNot(rig, what, anchor.line);
    return why === null ? [] : [{ field: `${field}.line`, message: why }];
  });
}

/** Whether what holds a line could hold another too. */
export const canShare = (rig: RidgeRig, line: LineId): boolean => whyNot(rig, 'guy', line) === null;

function whyNot(rig: RidgeRig, what: string, line: LineId): string | null {
  const said = `A ${what} is held by what holds ${keyOfLine(line) === null ? 'a back-stay' : 'another guy'}`;
  const other = anchorOf(rig, line);
  if (other === null) return `${said}, which is not there. Choose another line, or what else holds it.`;
  if (other.kind === 'same')
    return `${said}, but that one is itself held by what holds another. Choose the line that has something of its own.`;
  if (!holdsOnGround(other.kind)) return `${said}, which is a tree. Choose a tree of this rig instead.`;
  const pole = keyOfLine(line) === null ? poleAt(rig, line === 'stays0' ? 0 : 1) : null;
  if (pole !== null && !asOne(pole))
    return `${said}, but there are two, each with one of its own. Let one thing hold both, or choose another line.`;
  return null;
}
