import type { Member, PitchModel, RoofCheck } from '../pitch/index.js';
import { heldWith } from '../pitch/index.js';

/**
 * What becomes of a rig when something gives: a line hangs free or a stick lies down, a hitch slides along the ridge until it holds
 * again, all of it comes down, or whoever lies in the bed falls.
 */
export type Gives = 'frees' | 'slides' | 'down' | 'drops';

/** What goes when a check gives: lines that hang free and sticks that push no more, by id. */
export interface Freed {
  readonly gone: readonly string[];
  /** The lines of them as they are called. */
  readonly lines: readonly string[];
  readonly gives: Gives;
}

const isOf = (id: string, p: RoofCheck): boolean => p.id === id || p.id.startsWith(`${id}:`);

/** What a check held up to when it gave. */
export function freedBy(model: PitchModel, check: RoofCheck): Freed {
  const stick = model.layout.sticks.find((s) => isOf(s.id, check));
  if (stick !== undefined) return { gone: [stick.id], lines: [], gives: 'frees' };
  const member = model.members.find((m) => isOf(m.id, check));
  if (member === undefined) {
    // what holds several lines on the ground lets all of them go; a trunk, the cloth itself lets all down
    const held = model.members.filter((m) => heldWith(model, m) === check.id);
    return { ...linesOf(held), gives: held.length > 0 ? 'frees' : 'down' };
  }
  if (member.role === 'ridge') return { ...linesOf([member]), gives: 'down' };
  if (member.role === 'loop' && check.kind === 'hitch') return { gone: [], lines: [], gives: 'slides' };
  return { ...linesOf([member]), gives: 'frees' };
}

const linesOf = (members: readonly Member[]): Pick<Freed, 'gone' | 'lines'> => ({
  gone: members.map((m) => m.id),
  lines: members.map((m) => m.name),
});

/** Whether a check asks for nothing any more: it gave, or what it is of is gone. */
export const isOver = (p: RoofCheck, gave: RoofCheck, { gone }: Freed): boolean =>
  p === gave || gone.some((id) => isOf(id, p));

/** A roof with less than this share of its guys, or of its sticks, is down, whatever the rest of it does. Judgement: a third to two thirds. */
const HELD_BY = 0.5;

/**
 * Whether what a roof hangs on still holds: every end that is tied to a tree, one hitch on the ridge at least, and enough of what
 * spreads and props it.
 */
export function heldUp(model: PitchModel, gone: ReadonlySet<string>): boolean {
  const share = (ids: readonly string[]): number =>
    ids.length === 0 ? 1 : ids.filter((id) => !gone.has(id)).length / ids.length;
  const of = (...roles: Member['role'][]): readonly string[] =>
    model.members.filter((m) => roles.includes(m.role)).map((m) => m.id);
  return (
    share(of('ridge', 'tie')) === 1 &&
    share(of('loop')) > 0 &&
    share(of('guy', 'peg')) >= HELD_BY &&
    share([...model.buckling.keys()]) >= HELD_BY
  );
}
