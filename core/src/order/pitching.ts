import { QUIET } from '../cases/index.js';
import type { CaseKind } from '../cases/index.js';
import { findHitch, findTermination } from '../catalogue/index.js';
import type { HandTime, Termination } from '../catalogue/index.js';
import { inHaulOrder, isStay, layoutOf } from '../pitch/index.js';
import type { PitchLayout, Reach } from '../pitch/index.js';
import { USUAL_PROPS, USUAL_WORK, bedStem, isStem, ridgeModel, togglesOf, treeOf, trunksUsed } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import { marksOf } from './marks.js';
import { isPinned } from './pinned.js';
import { pegsWanted } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import { guyLine, supportOf } from '../support/index.js';
import type { Hauled, Step, StepCode, StepFacts, StepOf } from './step.js';

/** Settings of the ground that take longer than a peg. */
const SETTING: Readonly<Partial<Record<string, HandTime>>> = { buried: 'buried', weight: 'brought' };

/** Builds a list of steps, each after those that it names. */
export class Steps {
  readonly all: Step[] = [];

  add<C extends StepCode>(
    id: string,
    code: C,
    facts: StepFacts[C],
    made: readonly HandTime[],
    more: {
      readonly lines?: readonly string[];
      readonly hands?: 1 | 2;
      readonly after?: readonly (string | null)[];
    } = {},
  ): string {
    const step: StepOf<C> = {
      id,
      code,
      facts,
      lines: more.lines ?? [],
      hands: more.hands ?? 1,
      after: (more.after ?? []).filter((x) => x !== null),
      made,
    };
    this.all.push(step as unknown as Step);
    return id;
  }
}

/** How a rig's line is brought to its tension, in what hands are told. */
export function hauledBy({ tensioning: t }: RidgeRig): Hauled {
  switch (t.how) {
    case 'tension':
      return { how: 'tension', tension: t.tension };
    case 'sag':
      return { how: 'sag', sag: t.sag };
    case 'dip':
      return { how: 'dip', ...t.dip };
    case 'passes':
      return { how: 'passes', ...t.passes };
    case 'pulley':
      return { how: 'pulley', pull: t.pulley.pull, loopOut: t.pulley.loopOut };
  }
}

/** The steps in which a rig is pitched, in an order that one person can keep to. */
export function pitchingOf(rig: RidgeRig, context: RigContext, report: RigReport): Step[] {
  const work = rig.work ?? USUAL_WORK;
  const steps = new Steps();
  const layout = rig.pitch === undefined ? null : layoutOf(rig, context);
  const look = lookUp(steps, rig);
  const laid = layOut(steps, rig, report, look);
  const out = standPoles(steps, rig, layout, laid);
  const bedNow = rig.bed !== undefined && !work.rain;
  const ridged = layout === null || layout.plan.ridge !== null;
  const roofUp = (): string | null => {
    const line = ridged ? ridgeSteps(steps, rig, context, report, layout, out) : null;
    return layout === null ? line : roofSteps(steps, rig, context, report, layout, line ?? out);
  };
  // a bed needs its trees and nothing of the roof; in rain it is kept dry until there is one
  const roof = roofUp();
  const bed = rig.bed === undefined ? null : bedSteps(steps, rig, report, bedNow ? out : (roof ?? out));
  const drips = drip(steps, rig, report, [roof, bed]);
  const marked = markSteps(steps, rig, report, [roof ?? bed]);
  const { terminations } = terminationsOf(rig);
  const kept = [...new Set(terminations.filter((t) => isPinned(rig, t)))];
  const pinned =
    kept.length > 0
      ? steps.add('pin', 'pin', { ends: kept.map(({ name, keeper }) => ({ name, keeper })) }, ['pin'], {
          after: [roof ?? bed],
          lines: ['ridge'],
        })
      : null;
  steps.add(
    'check',
    'check',
    { slack: (report.roof?.slack ?? 0) > 0.1, pool: (report.roof?.standing ?? 0) / 1000 },
    ['check'],
    {
      after: [roof, bed, drips, marked, pinned],
    },
  );
  haulAgain(steps, report);
  return steps.all;
}

const terminationsOf = (rig: RidgeRig): { readonly terminations: readonly [Termination, Termination] } => ({
  terminations: [findTermination(rig.ends[0].termination)!, findTermination(rig.ends[1].termination)!],
});

function lookUp(steps: Steps, rig: RidgeRig): string {
  const trees = trunksUsed(rig).flatMap((i) => (isStem(rig.trunks[i]) ? [rig.trunks[i].name] : []));
  const stems = rig.bed?.ends.flatMap((e) => (e.anchor.kind === 'stem' ? [e.anchor.name] : [])) ?? [];
  return steps.add('look-up', 'look-up', { trees: [...new Set([...trees, ...stems])] }, ['look']);
}

/** Pegs and toggles of a rig, as they are counted out and in. */
export const countOf = (rig: RidgeRig, report: RigReport): { readonly pegs: number; readonly toggles: number } => ({
  pegs: [...pegsWanted(report).values()].reduce((a, b) => a + b, 0),
  toggles: togglesOf(rig).length,
});

function layOut(steps: Steps, rig: RidgeRig, report: RigReport, look: string): string {
  const laid = steps.add(
    'lay-out',
    'lay-out',
    { ...countOf(rig, report), sleepers: (rig.under ?? []).length > 0 },
    ['lay'],
    { after: [look] },
  );
  const count = (report.roof?.pegs ?? []).reduce((sum, p) => sum + Math.max(0, p.wanted - p.have), 0);
  return count === 0
    ? laid
    : steps.add(
        'cut-pegs',
        'cut-pegs',
        { count },
        Array.from({ length: count }, () => 'peg-cut' as const),
        { after: [laid] },
      );
}

/** Poles that the ridgeline is tied to stand by their stays before it is hauled. */
function standPoles(steps: Steps, rig: RidgeRig, layout: PitchLayout | null, after: string): string {
  let from = after;
  for (const end of [0, 1] as const) {
    if (rig.trunks[end].stand?.kind !== 'pole') continue;
    const stays = layout?.reaches.filter((r) => isStay(r) && r.end === end) ?? [];
    from = steps.add(`line-pole${end}`, 'pole', { of: 'line', at: end, dug: 0.1, lean: 0, stays: 2 }, ['pole'], {
      after: [from],
      lines: [`pole${end}`, ...stays.map((r) => `guy ${r.key.id}`)],
      hands: 2,
    });
  }
  return from;
}

/** The ridgeline: fixed end, tension end; bare, or low with the cloth on it and then raised. */
function ridgeSteps(
  steps: Steps,
  rig: RidgeRig,
  context: RigContext,
  report: RigReport,
  layout: PitchLayout | null,
  after: string,
): string {
  const { terminations } = terminationsOf(rig);
  const work = rig.work ?? USUAL_WORK;
  // the end that is hauled comes last
  const last = terminations[1].hauls || !terminations[0].hauls ? 1 : 0;
  const first = last === 1 ? 0 : 1;
  const end = (i: 0 | 1) => ({
    tree: rig.trunks[i].name,
    hitch: terminations[i].name,
    wraps: rig.ends[i].wraps,
    height: rig.trunks[i].tieHeight,
    high: rig.trunks[i].branch === undefined && rig.trunks[i].tieHeight > context.body.reach,
    branch: rig.trunks[i].branch !== undefined,
  });
  // bare it has what it is hauled to, with the cloth on it what both come to
  const tension =
    work.hauls === 'bare' || layout === null
      ? ridgeModel(rig, context, { ranges: false }).pretension.value
      : (report.rows.find((r) => r.role === 'ridge')?.pitched ?? 0);
  const lines = ['ridge'];
  const fixed = steps.add(
    'fixed-end',
    'fixed-end',
    { ...end(first), release: terminations[first].release },
    ['ridge-tie'],
    {
      after: [after],
      lines,
    },
  );
  const tied = { ...end(last), hauled: hauledBy(rig), tension };
  const hitches = (on: string): string => (layout === null ? on : hitchSteps(steps, rig, context, layout, on));
  if (work.hauls === 'bare' || layout === null) {
    const hauled = steps.add('tension-end', 'tension-end', tied, ['ridge-tie', 'ridge-haul'], {
      after: [fixed],
      lines,
    });
    return hitches(hauled);
  }
  const low = steps.add('low-end', 'low-end', { tree: rig.trunks[last].name }, ['knot'], { after: [fixed], lines });
  const hung = hitches(low);
  const bare = { ...rig, work: { ...work, hauls: 'bare' as const } };
  const lifts =
    ridgeModel(bare, context, { ranges: false }).pretension.value -
    ridgeModel(rig, context, { ranges: false }).pretension.value;
  return steps.add('raise-end', 'raise-end', { ...tied, lifts }, ['raise', 'ridge-tie', 'ridge-haul'], {
    after: [hung],
    lines,
    // a heavy roof is hauled by body weight while somebody minds the cloth
    hands: (layout.roof.length * layout.roof.width > BIG_ROOF ? 2 : 1) as 1 | 2,
  });
}

/** A roof that one alone does not raise with its cloth on, m². Judgement: 12 to 20. */
const BIG_ROOF = 15;

/** Hitches on the line, the cloth on them, drawn out. */
function hitchSteps(steps: Steps, rig: RidgeRig, context: RigContext, layout: PitchLayout, on: string): string {
  const pitch = rig.pitch!;
  const keys = layout.plan.keys.filter((k) => k.role.to === 'hitch');
  const tied = keys.flatMap((k): string[] => {
    if (k.role.to !== 'hitch') return [];
    const { end } = k.role;
    const set = pitch.hitches[end];
    const cord = context.kit.find((c) => c.id === set.cord)?.name ?? '';
    const at = k.at[0] + (end === 0 ? -set.loop : set.loop);
    return [
      steps.add(
        `hitch${end}`,
        'hitch',
        {
          end,
          type: findHitch(set.type)?.name ?? set.type,
          wraps: set.wraps,
          cord,
          loop: set.loop,
          at,
          tail: set.tail ?? 0,
        },
        ['knot'],
        { after: [on], lines: [`loop${end}`] },
      ),
    ];
  });
  const hung = steps.add(
    'hang',
    'hang',
    {
      roof: layout.roof.name,
      line: pitch.line,
      toggles: pitch.hitches.filter((h) => h.toggle !== undefined).length,
      laid: PITCH_TRAITS[pitch.form].laid,
      gathered: layout.gathered,
    },
    ['cloth'],
    { after: [on, ...tied], lines: ['cloth', ...keys.map((k) => (k.role.to === 'hitch' ? `loop${k.role.end}` : ''))] },
  );
  return keys.length === 0
    ? hung
    : steps.add('draw-out', 'draw-out', { pull: pitch.spread }, ['spread'], {
        after: [hung],
        lines: ['loop0', 'loop1'],
      });
}

/** Guys and pegs in the order of the rig, props where they belong, then all hauled tight in turn. */
function roofSteps(
  steps: Steps,
  rig: RidgeRig,
  context: RigContext,
  report: RigReport,
  layout: PitchLayout,
  after: string,
): string {
  const pitch = rig.pitch!;
  const { terminations } = terminationsOf(rig);
  const ties = layout.reaches.filter((r) => r.kind === 'tie');
  let from =
    layout.plan.ridge === null
      ? steps.add(
          'lay-cloth',
          'lay-cloth',
          { roof: layout.roof.name, laid: PITCH_TRAITS[pitch.form].laid, gathered: layout.gathered },
          ['cloth'],
          { after: [after], lines: ['cloth'] },
        )
      : after;
  for (const r of ties)
    from = steps.add(
      `tie ${r.key.id}`,
      'tie-end',
      {
        end: r.end,
        tree: rig.trunks[r.end].name,
        height: rig.trunks[r.end].tieHeight,
        hitch: terminations[r.end].name,
        haul: report.rows.find((x) => x.id === `tie ${r.key.id}`)?.pitched ?? 0,
      },
      ['ridge-tie', 'haul'],
      { after: [from], lines: [`tie ${r.key.id}`, 'cloth'] },
    );
  const guys = inHaulOrder(
    layout.reaches.filter((r) => r.kind !== 'tie' && !isStay(r)).map((reach) => ({ reach })),
    pitch.order,
  ).map((g) => g.reach);
  const props = layout.sticks.filter((s) => layout.plan.keys.some((k) => k.id === s.key.id && k.role.to === 'prop'));
  const [pegged, guyed] = [guys.filter((r) => r.kind === 'peg'), guys.filter((r) => r.kind === 'guy')];
  // what stands on a prop is pegged down at its back first, stood up, and held by its front
  const standing = props.length > 0 && layout.plan.ridge === null;
  const put = (list: readonly Reach[], on: string): string[] =>
    list.map((r) => guyStep(steps, rig, context, layout, report, r, on));
  const first = put(standing ? pegged : [], from);
  const prop =
    props.length === 0
      ? null
      : steps.add(
          'prop',
          'prop',
          {
            middle: false,
            props: pitch.props ?? USUAL_PROPS,
            sticks: props.length > 1 ? 2 : 1,
            thick: pitch.stick,
            height: Math.max(...props.map((s) => s.key.at[2] - s.foot[2])),
          },
          ['prop'],
          { after: [from, ...first], lines: props.map((s) => s.id) },
        );
  const guysOn = put(standing ? guyed : guys, prop ?? from);
  const under = layout.sticks.find((s) => s.key.role.to === 'up');
  const rest =
    under === undefined
      ? guysOn
      : [
          ...guysOn,
          steps.add(
            'prop-middle',
            'prop',
            {
              middle: true,
              props: pitch.props ?? USUAL_PROPS,
              sticks: 1,
              thick: pitch.stick,
              height: under.length ?? under.key.at[2] - under.foot[2],
            },
            ['prop'],
            { after: [from, ...first, ...guysOn], lines: [under.id] },
          ),
        ];
  const hauled = guyed.map((r) => r.guy.haul);
  return guyed.length === 0
    ? (rest.at(-1) ?? prop ?? from)
    : steps.add(
        'tighten',
        'tighten',
        { haul: Math.max(...hauled), names: guyed.map((r) => r.key.name) },
        guyed.map(() => 'haul'),
        { after: [...first, ...rest, prop], lines: guyed.map((r) => `guy ${r.key.id}`) },
      );
}

function guyStep(
  steps: Steps,
  rig: RidgeRig,
  context: RigContext,
  { reaches }: PitchLayout,
  report: RigReport,
  r: Reach,
  after: string,
): string {
  const { guy, key } = r;
  const { anchor } = guy;
  const support = supportOf(anchor);
  const called = support.called(anchor, {
    pegs: context.pegs,
    tree: (id) => treeOf(rig, id)?.name,
    line: (id) => reaches.find((x) => guyLine(x.key.id) === id)?.key.name,
  });
  const kept = report.roof?.kept.find((k) => k.id === `guy ${key.id}`);
  const set = SETTING[anchor.kind] ?? (anchor.kind === 'peg' ? 'foot' : null);
  return steps.add(
    `${r.kind} ${key.id}`,
    'guy',
    {
      name: key.name,
      kind: r.kind === 'peg' ? 'peg' : key.role.to === 'up' ? 'up' : 'guy',
      height: support.tieHeight(anchor),
      out: Math.hypot(r.foot[0] - key.at[0], r.foot[1] - key.at[1]),
      held: called,
      pegs: support.takes(anchor)?.count ?? 0,
      lean: anchor.kind === 'peg' ? anchor.lean : null,
      cord: context.kit.find((c) => c.id === guy.cord)?.name ?? '',
      hitch: guy.hitch,
      wraps: guy.wraps,
      stick: r.stick,
      over: Math.max(0, kept?.over ?? 0),
      secondLine: kept?.secondLine === true,
    },
    [...(set === null ? [] : [set]), 'knot', ...(r.kind === 'peg' ? [] : (['knot'] as const))],
    { after: [after], lines: [`${r.kind} ${key.id}`, ...(r.stick > 0 ? [`s${key.id}`] : [])] },
  );
}

/** Poles first, a strap at each end, the bed, somebody in it. */
function bedSteps(steps: Steps, rig: RidgeRig, report: RigReport, after: string): string {
  const bed = rig.bed!;
  const result = report.bed!;
  let from = after;
  for (const i of [0, 1] as const) {
    const { anchor } = bed.ends[i];
    if (anchor.kind !== 'pole') continue;
    from = steps.add(
      `pole${i}`,
      'pole',
      { of: 'bed', at: i, dug: anchor.dug, lean: anchor.lean, stays: anchor.stays },
      ['pole'],
      {
        after: [from],
        lines: [`pole${i}`, `stay${i}0`, `stay${i}1`],
        hands: 2,
      },
    );
  }
  const straps = ([0, 1] as const).map((i) => {
    const end = bed.ends[i];
    return steps.add(
      `strap${i}`,
      'strap',
      {
        end: i,
        tree: bedStem(rig, i).name,
        height: end.height,
        wraps: end.wraps,
        loop: end.loop > 0 ? end.loop : null,
        free: result.free[i],
      },
      ['strap'],
      { after: [from], lines: [`strap${i}`] },
    );
  });
  const hung = steps.add(
    'bed',
    'bed',
    {
      name: result.name,
      headUp: result.lying.headUp.value,
      height: result.lying.height.value,
      angle: result.lying.angles[0].value,
    },
    ['bed'],
    { after: straps, lines: ['bed', 'bed-ridge'] },
  );
  return steps.add('sit-in', 'sit-in', { comesDown: Math.max(0, result.settles) }, ['check'], {
    after: [hung],
    lines: ['bed', 'strap0', 'strap1'],
  });
}

/** Tails on every line that leads water in. */
function drip(steps: Steps, rig: RidgeRig, report: RigReport, after: readonly (string | null)[]): string | null {
  const straps =
    rig.bed?.ends.flatMap((e, i) => (e.drip === null ? [] : [i === 0 ? 'first strap' : 'second strap'])) ?? [];
  const leads = report.roof?.leads.filter((l) => l.breaks === 'drip').map((l) => l.name) ?? [];
  const where = [...leads, ...straps];
  if (where.length === 0 || report.roof === null) return null;
  return steps.add(
    'tail',
    'tail',
    { where },
    where.map(() => 'tail'),
    { after, lines: ['ridge', 'strap0', 'strap1'] },
  );
}

function markSteps(steps: Steps, rig: RidgeRig, report: RigReport, after: readonly (string | null)[]): string | null {
  const { bright, dull } = marksOf(rig, report);
  if (bright.length === 0) return null;
  return steps.add(
    'mark',
    'mark',
    { bright: bright.map((b) => b.name), dull: dull.map((d) => d.name) },
    bright.map(() => 'mark'),
    { after, lines: bright.map((b) => b.id) },
  );
}

/** Less than this is not hauled in, m. */
const LITTLE = 0.01;

/** When to haul in which line again. */
function haulAgain(steps: Steps, report: RigReport): void {
  const takeUps =
    report.roof?.takeUp.map((t) => ({ ...t, name: report.rows.find((r) => r.id === t.row)?.name ?? t.row })) ??
    report.line?.settling.map((s) => ({ caseId: s.caseId, name: 'ridgeline', by: s.takeUp, row: 'ridge' })) ??
    [];
  for (const { id: caseId, when } of CASES) {
    const lines = takeUps
      .filter((t) => t.caseId === caseId && t.by >= LITTLE)
      .map((t) => ({ name: t.name, by: t.by, row: t.row }));
    if (lines.length === 0) continue;
    steps.add(`haul ${when}`, 'haul', { when, lines: lines.map(({ name, by }) => ({ name, by })) }, [], {
      after: ['check'],
      lines: lines.map((l) => l.row),
    });
  }
}
/** Calm cases in which a line is hauled in again, and what each is called here. */
const CALLED: Readonly<Partial<Record<CaseKind, StepFacts['haul']['when']>>> = {
  settled: 'settled',
  evening: 'evening',
  wet: 'soaked',
};
const CASES = QUIET.flatMap(({ id, kind }) => {
  const when = CALLED[kind];
  return when === undefined ? [] : [{ id, when }];
});
