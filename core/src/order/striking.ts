import { FIBRE_TRAITS, findTermination } from '../catalogue/index.js';
import { cordOf } from '../cordage/index.js';
import { USUAL_WORK, usedBy } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';
import { isPinned } from './pinned.js';
import { Steps, countOf } from './pitching.js';
import type { LettingGo, Step } from './step.js';

/** Water that a fibre takes up from which on it is hung to dry, share of its mass. Judgement, 0.1 to 0.3. */
const DRINKS = 0.2;

/** Steps that follow each other, whoever does them. */
class InTurn {
  readonly steps = new Steps();
  private last: string | null = null;

  readonly add: Steps['add'] = (id, code, facts, made, more = {}) =>
    (this.last = this.steps.add(id, code, facts, made, { ...more, after: [this.last] }));
}

/** The steps in which a rig is taken down and stowed: the reverse, with what is held as it is let go. */
export function strikingOf(rig: RidgeRig, context: RigContext, report: RigReport): Step[] {
  const { rain: wet } = rig.work ?? USUAL_WORK;
  const { pegs, toggles } = countOf(rig, report);
  const turn = new InTurn();
  if (report.bed !== null)
    turn.add('unhook-bed', 'unhook-bed', { name: report.bed.name }, ['bed'], { lines: ['bed', 'strap0', 'strap1'] });
  const roof = report.roof === null ? null : (context.roofs.find((r) => r.id === rig.pitch!.roof)?.name ?? 'roof');
  offGuys(turn, report);
  const lowered = lower(turn, rig, context, report);
  if (roof !== null) offLine(turn, rig, report, roof, wet);
  letGo(turn, rig, report, lowered);
  polesDown(turn, rig, report);
  if (pegs > 0) turn.add('draw-pegs', 'draw-pegs', { pegs }, repeat('hank', pegs));
  if (roof !== null) turn.add('stow', 'stow', { roof, wet }, ['stow'], { lines: ['cloth'] });
  const used = usedBy(rig);
  turn.add('count-in', 'count-in', { pegs, toggles, hanks: used.cords.size }, ['count']);
  if (wet) {
    const drinks = context.kit.filter((k) => {
      const cord = used.cords.has(k.id) ? cordOf(k) : undefined;
      return cord !== undefined && FIBRE_TRAITS[cord.fibre].uptake.typical >= DRINKS;
    });
    const bed = report.bed === null ? [] : [report.bed.name, report.bed.strapsName];
    turn.add('dry', 'dry', { what: [...(roof === null ? [] : [roof]), ...drinks.map((k) => k.name), ...bed] }, []);
  }
  turn.add('look-back', 'look-back', { bark: report.rows.some((r) => r.role === 'trunk') }, ['check']);
  return turn.steps.all;
}

const repeat = <T>(what: T, times: number): T[] => Array.from({ length: times }, () => what);

/** Guys and pegs let off, guys hanked where they live. */
function offGuys(turn: InTurn, { roof }: RigReport): void {
  // a pole's stays hold it up until the line is off its head
  const held = roof?.guys.filter((g) => g.kind !== 'tie' && g.holds !== 'pole') ?? [];
  const guys = held.filter((g) => g.kind === 'guy');
  const lines = held.map((g) => g.id);
  if (held.length > 0)
    turn.add(
      'ease-guys',
      'ease-guys',
      { guys: guys.length, pegs: held.length - guys.length },
      repeat('take-off', held.length),
      {
        lines,
        // the windward edge is held down until the last of them is off
        hands: 2,
      },
    );
  if (guys.length > 0)
    turn.add('hank-guys', 'hank-guys', { count: guys.length }, repeat('hank', guys.length), {
      lines: guys.map((g) => g.id),
    });
}

/** What is known where an end of the rig is let go that holds so much, N. */
function lettingGo(rig: RidgeRig, end: 0 | 1, tension: number): LettingGo {
  const t = findTermination(rig.ends[end].termination)!;
  return {
    tree: rig.trunks[end].name,
    hitch: t.name,
    tension,
    release: t.release,
    keeper: isPinned(rig, t) ? t.keeper : 'none',
  };
}

/** The cloth taken from whatever carries it. */
function offLine(turn: InTurn, rig: RidgeRig, report: RigReport, roof: string, wet: boolean): void {
  const ties = report.rows.filter((r) => r.role === 'tie');
  const by = report.roof!.hitches.length > 0 ? 'hitches' : ties.length > 0 ? 'ends' : 'ground';
  for (const tie of ties) {
    // rows stand weakest first: which tree it is tells where it comes to
    const end = report.roof!.guys.find((g) => g.id === tie.id)!.foot[0] > 0 ? 1 : 0;
    turn.add(`slip ${tie.id}`, 'slip-end', lettingGo(rig, end, tie.pitched), ['take-off'], { lines: [tie.id] });
  }
  turn.add('unhang', 'unhang', { roof, wet, by }, ['cloth'], { lines: ['cloth', 'loop0', 'loop1'] });
}

/** The end of the line that is hauled. */
const hauledEnd = ({ ends }: RidgeRig): 0 | 1 => (findTermination(ends[1].termination)?.hauls === true ? 1 : 0);

/** A roof that was raised, or hangs higher than hands reach, let down to where it is folded. */
function lower(turn: InTurn, rig: RidgeRig, { body }: RigContext, report: RigReport): boolean {
  const ridge = report.rows.find((r) => r.role === 'ridge');
  const i = hauledEnd(rig);
  const high = rig.trunks[i].tieHeight > body.reach;
  if (ridge === undefined || report.roof === null || !(high || rig.work?.hauls === 'hung')) return false;
  turn.add('lower-end', 'lower-end', lettingGo(rig, i, ridge.pitched), ['take-off', 'knot'], {
    lines: ['ridge', 'cloth'],
    // one lets the line down while another takes the cloth
    hands: 2,
  });
  return true;
}

/** Poles, once nothing hangs on them. */
function polesDown(turn: InTurn, rig: RidgeRig, { roof }: RigReport): void {
  for (const end of [0, 1] as const) {
    const stays = roof?.guys.filter((g) => g.holds === 'pole' && g.id.startsWith(`guy stay${end}`)) ?? [];
    if (rig.trunks[end].stand?.kind !== 'pole' || (roof !== null && stays.length === 0)) continue;
    const lines = [`pole${end}`, ...stays.map((g) => g.id)];
    turn.add(`line-pole${end}-down`, 'pole-down', { name: rig.trunks[end].name, stays: 2 }, repeat('take-off', 2), {
      lines,
      hands: 2,
    });
  }
  for (const end of [0, 1] as const) {
    const anchor = rig.bed?.ends[end].anchor;
    if (anchor?.kind !== 'pole') continue;
    const lines = [`pole${end}`, `stay${end}0`, `stay${end}1`];
    const { stays } = anchor;
    turn.add(`pole${end}-down`, 'pole-down', { name: 'the bed’s pole', stays }, repeat('take-off', stays), {
      lines,
      hands: 2,
    });
  }
}

/** The line let go where it was hauled, then at its fixed end, and hanked. */
function letGo(turn: InTurn, rig: RidgeRig, report: RigReport, lowered: boolean): void {
  const ridge = report.rows.find((r) => r.role === 'ridge');
  if (ridge === undefined) return;
  const hauled = hauledEnd(rig);
  for (const i of [hauled, 1 - hauled] as (0 | 1)[]) {
    const facts = lettingGo(rig, i, i === hauled && !lowered ? ridge.pitched : 0);
    // what kept the end was taken out when the line was let down
    turn.add(`slip-end${i}`, 'slip-end', lowered && i === hauled ? { ...facts, keeper: 'none' } : facts, ['take-off'], {
      lines: ['ridge'],
    });
  }
  const hitched = (report.roof?.hitches.length ?? 0) > 0;
  turn.add('stow-line', 'stow-line', { middle: hitched }, ['hank'], { lines: ['ridge'] });
}
