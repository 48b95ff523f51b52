import type { TiePull } from '../anchor/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import { bearerOf, holdOfLine, tiedTo, treeOf } from '../rig/index.js';
import type { Bearer, BearerId } from '../rig/index.js';
import type { HoldId, LineId, TreeId } from '../support/index.js';
import { guyLine, isGuyTree, isHold, keyOfLine, supportOf } from '../support/index.js';
import { reachName } from './layout.js';
import type { Member, PitchModel } from './model.js';
import type { CaseReading, FromSolve } from './reading.js';
import { solved } from './reading.js';

const guyOn = (m: Member): { readonly tree: TreeId; readonly height: number } | null =>
  m.reach === null || m.reach.kind === 'tie' ? null : tiedTo(m.reach.guy.anchor, m.reach.key.id);

/** What on the ground holds a line and others; null where it has something of its own, or a tree. */
export const heldWith = ({ holds }: PitchModel, m: Member): HoldId | null =>
  m.reach === null || m.reach.kind === 'tie' ? null : holdOfLine(holds, guyLine(m.reach.key.id), m.reach.guy.anchor);

/** What a line is called that is held with others, in a sentence; of a roof's where there is one. */
export const calledIn =
  (model: PitchModel | undefined) =>
  (line: LineId): string => {
    const key = keyOfLine(line);
    if (key === null) return 'the back-stay';
    const guy = model?.members.find(({ reach }) => reach !== null && reach.kind !== 'tie' && reach.key.id === key);
    return `the ${guy?.name ?? 'guy'}`;
  };

/** A tree of the rig, or what else holds more than one of its lines; null for a tree on somebody's word. */
export const bearerIn = (model: PitchModel, id: BearerId): Bearer | null =>
  bearerOf(model.rig, model.context.pegs, id, calledIn(model));

/** The line whose tie a trunk bears at the height of the ridge's; undefined where neither ridge nor tie comes to it. */
function lineAt(model: PitchModel, i: 0 | 1): Member | undefined {
  return model.members.find((m) => (model.hasRidge ? m.role === 'ridge' : m.role === 'tie' && m.end === i));
}

/** Trees that bear something of the roof, and whether that is its ridge or a tie. */
export function bearing(model: PitchModel): readonly { readonly tree: TreeId; readonly ridge: boolean }[] {
  const trunks = ([0, 1] as const)
    .filter((i) => lineAt(model, i) !== undefined)
    .map((i) => ({ tree: `trunk${i}` as const, ridge: true }));
  const guyed = new Set(model.members.flatMap((m) => guyOn(m)?.tree ?? []));
  return [
    ...trunks,
    ...[...guyed].filter((tree) => !trunks.some((t) => t.tree === tree)).map((tree) => ({ tree, ridge: false })),
  ];
}

/** What has a row of its own: the trees that are not some guy's alone, and what else holds more than one line. */
export function shared(model: PitchModel): BearerId[] {
  const holds = model.members.flatMap((m) => heldWith(model, m) ?? []);
  return [
    ...bearing(model)
      .map(({ tree }) => tree)
      .filter((tree) => !isGuyTree(tree)),
    ...new Set(holds),
  ];
}

/** Everything of the roof that pulls at a tree, or at what else holds more than one line, in one case, each line at its own height. */
export function pullsOn(model: PitchModel, id: BearerId, r: CaseReading): TiePull[] {
  const name = isHold(id) ? 'what holds it' : treeOf(model.rig, id)!.name;
  const pull = (node: string, height: number, what: string, spread: FromSolve['spread']): TiePull => {
    const { level, toward, up } = r.pullOn(node);
    return {
      level,
      down: -up,
      toward,
      height,
      what,
      figure: () => solved('H', `level pull of ${what} on ${name}`, 'force', { value: level, spread }, r.state),
    };
  };
  const out: TiePull[] = [];
  if (id === 'trunk0' || id === 'trunk1') {
    const i = id === 'trunk0' ? 0 : 1;
    const line = lineAt(model, i);
    if (line !== undefined)
      out.push(pull(id, model.rig.trunks[i].tieHeight, `the ${line.name}`, r.tension(line.id).spread));
  }
  for (const m of model.members) {
    if (heldWith(model, m) === id) out.push(pull(m.foot, 0, `the ${m.name}`, r.tension(m.id).spread));
    const tied = guyOn(m);
    if (tied?.tree === id) out.push(pull(m.foot, tied.height, `the ${m.name}`, r.tension(m.id).spread));
  }
  return out;
}

/** Feet nearer to each other than this are at one and the same thing, m. Judgement: places are measured to a decimetre. */
export const SAME = 0.15;

/** Two lines held by one log, boulder or stem that is told twice, each line alone. */
export function heldTwice({ layout }: PitchModel): Finding[] {
  const held = layout.reaches.flatMap((r) => {
    const { anchor } = r.guy;
    const { shared } = supportOf(anchor);
    return r.kind !== 'tie' && shared !== null && 'name' in anchor ? [{ r, anchor, shared }] : [];
  });
  return held.flatMap((a, i) =>
    held.slice(i + 1).flatMap((b): Finding[] => {
      const same = a.anchor.kind === b.anchor.kind;
      if (!same || Math.hypot(a.r.foot[0] - b.r.foot[0], a.r.foot[1] - b.r.foot[1]) >= SAME) return [];
      const { shared, anchor } = a;
      return [finding('held-twice', { lines: [reachName(a.r), reachName(b.r)], by: anchor.name, shared })];
    }),
  );
}
