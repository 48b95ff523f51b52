import { describe, expect, test } from '@jest/globals';
import { TERMINATIONS, acrossOf, findTermination } from '../src/catalogue/index.js';
import type { Termination } from '../src/catalogue/index.js';
import { cordOf } from '../src/cordage/index.js';
import { pitchingOf, strikingOf } from '../src/order/index.js';
import type { Step, StepFacts } from '../src/order/index.js';
import type { RidgeRig } from '../src/rig/index.js';
import { judgeRig } from '../src/shelter/index.js';
import { USUAL_TOGGLE, fittingOf } from '../src/strength/index.js';
import { sayEnd, sayKeeping, sayUnkeeping, stepWords } from '../src/words/index.js';
import { UNITS, demo } from './shelter/helper.js';

const { rig, context } = demo('gravel-spit-gable');
const FIXED = TERMINATIONS.filter((t) => !t.hauls);
const endedBy = (id: string, nights = 1): RidgeRig => ({
  ...rig,
  ends: [{ ...rig.ends[0], termination: id }, rig.ends[1]],
  work: { hands: 'alone', hauls: 'bare', rain: false, nights },
});
const ridge = (id: string) =>
  judgeRig(endedBy(id), context, { full: false }).report.rows.find((r) => r.id === 'ridge')!;
const facts = <C extends keyof StepFacts>(steps: readonly Step[], code: C): StepFacts[C] =>
  steps.find((s) => s.code === code)!.facts as StepFacts[C];

describe('ends of a line', () => {
  test('there is one for each way of holding it: hooked, cranked, jammed, through its own loop, pinned and tied', () => {
    for (const id of ['metal-hook', 'cranked', 'jammed', 'kept-loop', 'overhand-loop', 'bowline', 'slipped-timber'])
      expect(findTermination(id)).toMatchObject({ hauls: false });
    for (const id of ['pulley', 'passes', 'loop-toggle', 'hook', 'cleat'])
      expect(findTermination(id)).toMatchObject({ hauls: true });
  });
  test('each says how it lets go, what it leaves, and what keeps it where anything does', () => {
    const said = new Map(TERMINATIONS.map((t) => [t.id, sayEnd(t)]));
    expect(said.get('jammed')).toBe(
      'It lets go under load; leaves nothing in the cord; for a stay of days a stick through its bight.',
    );
    expect(said.get('figure-eight')).toBe('It comes off only slack; leaves a knot to be picked out.');
    expect(said.get('metal-hook')).toBe(
      'It comes off only slack; its loop stays in the cord; for a stay of days its mouth is tied shut.',
    );
    for (const t of TERMINATIONS) expect(said.get(t.id)!.includes('stay of days')).toBe(t.keeper !== 'none');
  });
  test('what lets go under load can shake loose, and is kept by something; what comes off only slack is no quick release', () => {
    for (const t of TERMINATIONS) if (t.release === 'loaded') expect(t.keeper).not.toBe('none');
    // a stick that is drawn, or a bight, is what a stick or a bight keeps
    for (const t of TERMINATIONS.filter((x) => x.keeper === 'stick')) expect(t.toggled).toBe(true);
  });
  test('every number of them is a range with its middle in it, and says that it is judgement', () => {
    for (const { efficiency, fitting } of TERMINATIONS)
      for (const c of fitting === undefined ? [efficiency] : [efficiency, fitting]) {
        expect(c.low).toBeLessThan(c.typical);
        expect(c.typical).toBeLessThan(c.high);
        expect(c.citation).toMatch(/^Judgement/);
      }
  });
});

describe('an end in a rig', () => {
  test.each(FIXED.map((t) => t.id))('%s: the line’s end keeps the catalogue’s share, and it is in the chain', (id) => {
    const row = ridge(id);
    const at = row.links.find((l) => l.link.id === 'ridge:end0')!;
    const t = findTermination(id)!;
    // the same cord in another knot: what is left goes as the knots’ own shares
    const other = ridge('round-turn').links.find((l) => l.link.id === 'ridge:end0')!;
    expect(at.link.available.value / other.link.available.value).toBeCloseTo(
      t.efficiency.typical / findTermination('round-turn')!.efficiency.typical,
      9,
    );
    expect(at.link.name).toContain(t.name);
  });
  test('a metal hook is a link of its own: its hold over the line’s pull at it', () => {
    const row = ridge('metal-hook');
    const { link } = row.links.find((l) => l.link.id === 'ridge:fitting0')!;
    expect(link.available.value).toBe(1000);
    expect(link.margin.value).toBeCloseTo(1000 / link.demand.value, 9);
  });
  test('a cranked loop bears on its stick: π f d³ / 8 w, with the cords four thicknesses apart', () => {
    const cord = cordOf(context.kit.find((k) => k.id === rig.cord)!)!;
    const { holds } = fittingOf(findTermination('cranked')!, { wood: 'alder', thickness: 0.025 }, cord)!;
    const [f] = holds.inputs!.map((i) => i.value);
    expect(holds.value).toBeCloseTo((Math.PI * f! * 0.025 ** 3) / (8 * 4 * acrossOf(cord)), 9);
    expect(fittingOf(findTermination('cranked')!, undefined, cord)!.holds.value).toBe(
      fittingOf(findTermination('cranked')!, USUAL_TOGGLE, cord)!.holds.value,
    );
  });
  test('takes as much more cord as its knot does', () => {
    const cord = cordOf(context.kit.find((k) => k.id === rig.cord)!)!;
    const cut = (id: string): number => ridge(id).cut!.knots;
    const knots = (id: string): number => findTermination(id)!.cordInDiameters;
    for (const id of ['kept-loop', 'cranked', 'metal-hook'])
      expect(cut(id) - cut('clove')).toBeCloseTo((knots(id) - knots('clove')) * acrossOf(cord), 9);
  });
  test.each(FIXED.map((t) => t.id))(
    '%s: the work says how it lets go, how it is kept, and how it is taken off',
    (id) => {
      const t = findTermination(id) as Termination & { readonly keeper: Termination['keeper'] };
      const days = endedBy(id, 4);
      const { report } = judgeRig(days, context, { full: false });
      const [up, down] = [pitchingOf(days, context, report), strikingOf(days, context, report)];
      expect(facts(up, 'fixed-end').release).toBe(t.release);
      const kept = facts(up, 'pin').ends.find((e) => e.name === t.name);
      expect(kept?.keeper ?? 'none').toBe(t.keeper);
      const off = down.find((s) => s.code === 'slip-end' && (s.facts as StepFacts['slip-end']).hitch === t.name)!;
      expect((off.facts as StepFacts['slip-end']).keeper).toBe(t.keeper);
      const told = stepWords(
        up.find((s) => s.code === 'pin')!,
        { body: context.body, units: UNITS },
      );
      if (t.keeper !== 'none') expect(told.how.toLowerCase()).toContain(sayKeeping(t.name, t.keeper));
      expect(sayUnkeeping(t.keeper) === '').toBe(t.keeper === 'none');
    },
  );
  test('for one night in little wind nothing is tied in', () => {
    const { report } = judgeRig(endedBy('jammed'), context, { full: false });
    expect(pitchingOf(endedBy('jammed'), context, report).some((s) => s.code === 'pin')).toBe(false);
  });
});
