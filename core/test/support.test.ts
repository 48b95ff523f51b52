import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { SOILS, findSoil } from '../src/catalogue/index.js';
import { misfit } from '../src/document/index.js';
import { KINDS, freshThing, kindOf } from '../src/ground/index.js';
import { tell } from '../src/quantity/index.js';
import type { GuyAnchor, SupportKind } from '../src/support/index.js';
import {
  SUPPORTS,
  SUPPORT_KINDS,
  freshSupport,
  guyAnchorDocument,
  guyTree,
  holdOf,
  supportOf,
  withKitIds,
} from '../src/support/index.js';

const pegs = [{ id: 'mine', name: 'my pegs', shape: 'stout-wood', count: 6 }];
const fresh = (kind: SupportKind): GuyAnchor => freshSupport(kind, pegs, { tree: 'trunk1', line: 'guy right' });

describe.each(SUPPORT_KINDS)('what holds a guy: %s', (kind) => {
  test('as one finds it, it fits its own description, and the kit', () => {
    const found = fresh(kind);
    expect(misfit(guyAnchorDocument, found)).toBeNull();
    expect(supportOf(found).problems(found, pegs)).toEqual([]);
    expect(Object.keys(found).sort()).toEqual(['kind', ...Object.keys(SUPPORTS[kind].fields)].sort());
  });
  test('rubbish in any field is refused by its name', () => {
    for (const field of Object.keys(SUPPORTS[kind].fields))
      expect(misfit(guyAnchorDocument, { ...fresh(kind), [field]: { rubbish: true } })).toMatchObject({ field });
  });
  test('either it is a tree, or told with another line, or it tells what it holds: the figure and the number agree, and a wet night helps nothing', () => {
    const found = fresh(kind);
    const tree = supportOf(found).tree(found, 'left');
    if (tree !== null) {
      expect(holdOf(found, { soil: findSoil('turf')!, pulls: [] }, pegs, 'here')).toBeNull();
      expect(tree).toBe(kind === 'tree' ? 'trunk1' : guyTree('left'));
      return;
    }
    if (found.kind === 'same') {
      expect(found.line).toBe('guy right');
      expect(holdOf(found, { soil: findSoil('turf')!, pulls: [] }, pegs, 'here')).toBeNull();
      return;
    }
    fc.assert(
      fc.property(fc.constantFrom(...SOILS), fc.double({ min: 0, max: 1.2, noNaN: true }), (soil, rise) => {
        const hold = holdOf(found, { soil, pulls: [] }, pegs, 'here')!;
        for (const wet of [false, true]) {
          const [figure, number] = [hold.holds(rise, wet), hold.held(rise, wet)];
          if (number === null) expect(figure).toBeNull();
          else {
            expect(figure!.value).toBeCloseTo(number, 6);
            expect(number).toBeGreaterThan(0);
          }
        }
        expect(hold.held(rise, true) ?? 0).toBeLessThanOrEqual((hold.held(rise, false) ?? 0) + 1e-9);
      }),
    );
  });
  test('it is drawn from above, from the side and in space, or by whatever else of the rig it is', () => {
    const { mark, solid } = supportOf(fresh(kind));
    const drawn = [mark.above(8, 20), mark.side(8, 20)];
    if (kind === 'tree' || kind === 'same') {
      expect(drawn).toEqual(['', '']);
      expect(solid(fresh(kind))).toBeNull();
      return;
    }
    for (const path of drawn) expect(path).toMatch(/^M[-\d.]/);
    const { below, above, thick } = solid(fresh(kind))!;
    expect(below + above).toBeGreaterThan(0);
    expect(thick).toBeGreaterThan(0);
  });
  test('it has a name in a sentence, in feet as in metres', () => {
    const said = supportOf(fresh(kind)).called(fresh(kind), {
      pegs,
      tree: () => 'the alder',
      line: () => 'the right guy',
    });
    for (const units of [{ length: 'm', force: 'N' } as const, { length: 'ft', force: 'lbf' } as const])
      expect(tell(said, units)).toMatch(/^[a-z].* .*[a-z°]$/);
  });
});

test('what is taken of a kit changes its id with the kit, and nothing else does', () => {
  for (const kind of SUPPORT_KINDS) {
    const there = withKitIds(fresh(kind), (id) => `${id}-2`);
    expect(supportOf(there).takes(there)).toEqual(kind === 'peg' ? { pegs: 'mine-2', count: 1 } : null);
    expect(withKitIds(there, (id) => id.slice(0, -2))).toEqual(fresh(kind));
  }
});

test('pegs that are gone, or of no known shape, are named with what to do', () => {
  const gone = fresh('peg');
  expect(supportOf(gone).problems(gone, [])).toEqual([
    { field: 'pegs', message: 'These pegs are no longer in the kit. Choose others.' },
  ]);
  expect(supportOf(gone).problems(gone, [{ ...pegs[0]!, shape: 'lead' }])[0]!.message).toMatch(/no peg “lead”/);
});

describe('what stands and lies on the ground', () => {
  test.each(KINDS)('%s: as what holds a guy it fits the description of supports', (kind) => {
    const thing = freshThing(kind, 'x', 'the thing', [0, 0]);
    const { support, ends, bulk, may } = kindOf(thing);
    if (support !== null) {
      expect(misfit(guyAnchorDocument, support(thing))).toBeNull();
      expect(support(thing)).toMatchObject({ name: 'the thing' });
      // what holds a guy is in the way of what is laid out beside it
      expect(bulk).not.toBeNull();
    }
    if (ends) expect(may!.pull(thing, 'turf', 1.5)).toBeGreaterThan(0);
  });
  test('the pull that a thing may be asked for is that of its working', () => {
    for (const kind of KINDS) {
      const thing = freshThing(kind, 'x', 'the thing', [0, 0]);
      const { may } = kindOf(thing);
      if (may === null) continue;
      const at = { symbol: 'h', title: 'height', quantity: 'length', value: 1.3 } as const;
      const name = { symbol: 'H', title: 'pull', quantity: 'force' } as const;
      for (const soil of SOILS)
        expect(may.figure(thing, soil.id, at, name).value).toBeCloseTo(may.pull(thing, soil.id, 1.3), 6);
    }
  });
});
