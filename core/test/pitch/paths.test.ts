import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { findTermination } from '../../src/catalogue/index.js';
import { allChecks, evaluatePitch, isStay, leftIn, pitchModel, readingOf, tieOff } from '../../src/pitch/index.js';
import type { Member, PitchModel } from '../../src/pitch/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';
import { tiedTo, treeOf } from '../../src/rig/index.js';
import { PITCH_FORMS, PITCH_TRAITS } from '../../src/roof/index.js';
import { holdsOnGround, isGuyTree, keyOfLine } from '../../src/support/index.js';
import { demo } from '../shelter/helper.js';
import { contextFor, rigOf, roofFor } from './helper.js';

/** One place of a load's way to the ground: a check that can let go there, or the finding that says why there is none. */
type Place = { readonly check: string } | { readonly said: string };
const check = (id: string): Place => ({ check: id });

/** What holds a trunk that a line is tied to. */
function atTrunk(model: PitchModel, m: Member, i: 0 | 1): Place[] {
  const { rig } = model;
  const trunk = rig.trunks[i];
  const end = rig.ends[i];
  const t = findTermination(end.termination)!;
  const out: Place[] = [check(`${m.id}:end${i}`)];
  if (t.fitting !== undefined) out.push(check(`${m.id}:fitting${i}`));
  else if (t.toggled) out.push(check(`${m.id}:toggle${i}`));
  if (trunk.branch !== undefined) out.push(check(`${m.id}:branch-${i}`));
  if (trunk.stand?.kind === 'lump') out.push(check(`${m.id}:slides${i}`), check(`${m.id}:tips${i}`));
  else if (trunk.stand?.kind === 'pole')
    out.push(check(`pole${i}`), check(`pole${i}:foot`), check(`guy stay${i}l:fast`), check(`guy stay${i}r:fast`));
  else if (trunk.standsOnWord === true) out.push({ said: 'no-stem' });
  else out.push(check(`trunk${i}`));
  return out;
}

/** What holds a guy's far end. */
function atFoot(model: PitchModel, m: Member): Place[] {
  const { anchor } = m.reach!.guy;
  const tied = tiedTo(anchor, m.reach!.key.id);
  if (tied !== null && treeOf(model.rig, tied.tree)!.standsOnWord) return [{ said: 'no-stem' }];
  // a tree that this guy has for itself is judged with it
  if (tied !== null) return [check(isGuyTree(tied.tree) ? `${m.id}:anchor` : tied.tree)];
  if (anchor.kind === 'same') {
    const key = keyOfLine(anchor.line);
    return key === null ? [] : [check(`hold ${anchor.line}`)];
  }
  expect(holdsOnGround(anchor.kind)).toBe(true);
  return model.holds.some((h) => h === `hold guy ${m.reach!.key.id}`)
    ? [check(`hold guy ${m.reach!.key.id}`)]
    : [check(`${m.id}:anchor`)];
}

/** Every place of a line's load on its way from the cloth to the ground, in order. */
function wayOf(model: PitchModel, m: Member): Place[] {
  const { rig } = model;
  switch (m.role) {
    case 'ridge': {
      const grips = model.hitches.map((h) => check(`ridge:grip${h.end}`));
      const on =
        model.ridge.extension === null ? [] : [check('ridge:line-on'), check('ridge:bend0'), check('ridge:bend1')];
      return [check('ridge:line'), ...grips, ...on, ...atTrunk(model, m, 0), ...atTrunk(model, m, 1)];
    }
    case 'loop': {
      const { toggle, tab } = rig.pitch!.hitches[m.end];
      return [
        check(`${m.id}:tie-out`),
        ...(toggle === undefined ? [] : [check(`${m.id}:toggle`)]),
        ...(toggle === undefined && tab === 'connector' ? [check(`${m.id}:connector`)] : []),
        check(`${m.id}:join`),
        check(`${m.id}:slip`),
      ];
    }
    case 'tie':
      return [check(`${m.id}:tie-out`), check(`${m.id}:cloth`), ...atTrunk(model, m, m.end)];
    case 'peg':
      return [check(`${m.id}:tie-out`), check(`${m.id}:cloth`), ...atFoot(model, m)];
    case 'guy': {
      const { hitch, tab } = m.reach!.guy;
      return [
        ...(isStay(m.reach!) ? [] : [check(`${m.id}:tie-out`)]),
        ...(tab === 'connector' ? [check(`${m.id}:connector`)] : []),
        check(`${m.id}:cloth`),
        check(`${m.id}:fast`),
        ...(hitch === 'adjustable' || hitch === 'elastic' ? [check(`${m.id}:slip`)] : []),
        ...atFoot(model, m),
      ];
    }
  }
}

/** Walks every load from the cloth to the ground: each place of its way has a strength, or a finding says why it has none. */
function walk(rig: RidgeRig, context: RigContext): void {
  const model = pitchModel(rig, context);
  const tied = tieOff(model);
  const reading = readingOf(tied, tied.pitched, null);
  const checks = new Map(allChecks(model).map((c) => [c.id, c]));
  const found = evaluatePitch(rig, context, { full: false }).result.findings;
  const places: Place[] = [check('cloth')];
  for (const m of model.members) places.push(...wayOf(model, m));
  for (const s of model.layout.sticks) {
    const { role } = s.key;
    places.push(check(s.id), check(`${s.id}:foot`));
    if (role.to === 'prop' || role.to === 'up') places.push(check(`${s.id}:head`));
    if (role.to === 'prop' && role.sticks === 2) places.push(check(`${s.id}:loop`), check(`${s.id}:twist`));
  }
  for (const p of places) {
    if ('said' in p) {
      expect(found.map((f) => f.code)).toContain(p.said);
      continue;
    }
    const c = checks.get(p.check);
    if (c === undefined) throw new Error(`no check ${p.check}; there are ${[...checks.keys()].join(', ')}`);
    // a strength that is known, and no more than a line can have
    const left = leftIn(c, reading);
    expect({ at: p.check, known: left !== null && left > 0 }).toEqual({ at: p.check, known: true });
  }
  // and the other way round: nothing of the net pulls or pushes that is on none of these ways
  const members = new Set(model.members.map((m) => m.id));
  for (const l of model.net.lines ?? []) if (!members.has(l.id)) expect(checks.has(`cloth:${l.id}`)).toBe(true);
  for (const s of model.net.struts ?? []) expect(checks.has(s.id)).toBe(true);
}

describe('every load finds its way from the cloth to the ground', () => {
  test.each(PITCH_FORMS)('in the form %s, on its line, through its loops and tied by its ends', (form) => {
    const roof = roofFor(form);
    const context = contextFor(roof);
    const rig = rigOf(form, roof);
    walk(rig, context);
    if (PITCH_TRAITS[form].hangs !== 'ridge') return;
    for (const line of ['over', 'through', 'none'] as const) walk({ ...rig, pitch: { ...rig.pitch!, line } }, context);
  });
  test('with a boulder, a pole, a branch, another cord, connectors, elastic, roots and a word', () => {
    const roof = roofFor('gable');
    const context = contextFor(roof);
    const rig = rigOf('gable', roof);
    const [a, b] = rig.trunks;
    const other = context.kit.find((k) => k.id !== rig.cord && k.id !== 'guy')!;
    const ends: readonly RidgeRig['trunks'][] = [
      [{ ...a, stand: { kind: 'lump', mass: 400 } }, b],
      [a, { ...b, stand: { kind: 'pole', out: 2, spread: 1, cord: 'guy', anchor: rig.pitch!.guy.anchor } }],
      [{ ...a, branch: { thickness: 0.12, out: 0.5 } }, b],
      [{ ...a, standsOnWord: true }, b],
    ];
    for (const trunks of ends) walk({ ...rig, trunks }, context);
    walk({ ...rig, joined: { cord: other.id, bend: 'double-sheet', at: 3.5 } }, context);
    const [h, k] = rig.pitch!.hitches;
    walk(
      {
        ...rig,
        pitch: {
          ...rig.pitch!,
          hitches: [
            { ...h, tab: 'connector' },
            { ...k, elastic: { draw: 0.1, pull: 60 } },
          ],
          guy: { ...rig.pitch!.guy, hitch: 'elastic', tab: 'connector' },
          own: {
            '01': { anchor: { kind: 'root', name: 'the root', thickness: 0.03, free: 0.3 } },
            '11': { anchor: { kind: 'same', line: 'guy 10' } },
            '02': { anchor: { kind: 'tree', tree: 'trunk1', height: 0.3 } },
          },
        },
      },
      context,
    );
  });
  const names = readdirSync(join(process.cwd(), 'examples/rigs'))
    .filter((f) => f.endsWith('.rig.json'))
    .map((f) => f.slice(0, -'.rig.json'.length));
  test.each(names)('in the demo rig %s', (name) => {
    const { rig, context } = demo(name);
    expect(rig.pitch ?? rig.bed).toBeDefined();
    if (rig.pitch !== undefined) walk(rig, context);
  });
});
