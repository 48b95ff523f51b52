import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, fireEvent, render as bare, screen, within } from '@testing-library/react';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freeAt } from '@rough-bight/core/bed';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import { BED_LIMITS, bedProblems, bedStem, rigProblems } from '@rough-bight/core/rig';
import type { BedPole, RigContext, RidgeRig } from '@rough-bight/core/rig';
import { judgeRig } from '@rough-bight/core/shelter';
import type { BedResult } from '@rough-bight/core/shelter';
import { system } from '../src/app/theme/index.js';
import { movedBed, withBedEnd } from '../src/scene/bed-moves.js';
import { BedStep } from '../src/views/bench/bed-controls.js';
import { press } from './press.js';

afterEach(cleanup);

const load = (name: string): { readonly rig: RidgeRig; readonly context: RigContext } => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
const fly = load('river-bed-under-the-fly');
const one = load('bed-on-one-alder');
const judge = ({ rig, context }: typeof fly): BedResult =>
  judgeRig(rig, context, { full: true, spreads: false }).report.bed!;
const flyBed = judge(fly);

/** Everything of the step, not its first numbers only. */
const openAll = (): boolean => fireEvent.click(screen.getByRole('button', { name: 'More of Bed' }));

function shown({ rig, context }: typeof fly, bed: BedResult | null = null) {
  const edit = jest.fn((next: RidgeRig): string | null => rigProblems(next, context)[0]?.message ?? null);
  const onShow = jest.fn();
  bare(
    <ChakraProvider value={system}>
      <BedStep
        said={null}
        rig={rig}
        context={context}
        bed={bed}
        shown="lying"
        onShow={onShow}
        edit={edit}
        put={jest.fn()}
      />
    </ChakraProvider>,
  );
  openAll();
  return { edit, onShow, last: () => edit.mock.calls.at(-1)![0] };
}
function type(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}
const group = (title: RegExp): ReturnType<typeof within> =>
  within(screen.getByRole('heading', { level: 3, name: title }).parentElement!);
const poleOf = (rig: RidgeRig): BedPole => rig.bed!.ends[1].anchor as BedPole;

describe('a bed on one tree', () => {
  test('a pole stands where the second trunk is, and can be judged as it first stands', () => {
    const { last } = shown(fly);
    fireEvent.change(group(/^Second end/).getByLabelText('Hung from'), { target: { value: 'pole' } });
    const pole = poleOf(last());
    expect(pole).toMatchObject({ kind: 'pole', stays: 2, foot: [5.4, 0] });
    expect(rigProblems(last(), fly.context)).toEqual([]);
    expect(judge({ ...fly, rig: last() }).poles).toHaveLength(1);
  });
  test.each([
    ['Thick', '0.12', { thickness: 0.12 }],
    ['Foot dug in', '0.4', { dug: 0.4 }],
    ['Lines off centre', '0.03', { offCentre: 0.03 }],
    ['Held', '2.6', { out: 2.6 }],
    ['Spread', '1.1', { spread: 1.1 }],
    ['Foot along the span', '4.2', { foot: [4.2, 0] }],
  ])('of its numbers %s is set by itself', (label, text, part) => {
    const { last } = shown(one);
    type(group(/^Second end/).getByLabelText(label), text);
    const before = poleOf(one.rig);
    expect(poleOf(last())).toEqual({ ...before, ...part, ...('foot' in part ? { foot: [4.2, before.foot[1]] } : {}) });
  });
  test('one stay or two, each by one of its own or both by one; a log is told by its mass', async () => {
    const { last } = shown(one);
    await press(group(/^Second end/).getByLabelText('both to one'));
    expect(poleOf(last()).together).toBe(true);
    await press(group(/^Second end/).getByLabelText('both to one'));
    type(group(/^Second end/).getByLabelText('Mass'), '450');
    expect(poleOf(last()).anchor).toEqual({ ...poleOf(one.rig).anchor, mass: 450 });
    await press(group(/^Second end/).getByLabelText('One'));
    expect(poleOf(last()).stays).toBe(1);
    cleanup();
    shown({ ...one, rig: last() });
    expect(group(/^Second end/).queryByLabelText('both to one')).toBeNull();
    expect(group(/^Second end/).queryByLabelText('Spread')).toBeNull();
  });
  test('stays on a tree of the rig go where it stands: how far and how spread is not asked then', () => {
    const { last } = shown(one);
    fireEvent.change(group(/^Second end/).getByLabelText('To'), { target: { value: 'tree' } });
    // the nearest to the pole's foot is offered first
    expect(poleOf(last()).anchor).toMatchObject({ kind: 'tree', tree: 'trunk1' });
    cleanup();
    shown({ ...one, rig: last() });
    const second = group(/^Second end/);
    expect(second.queryByLabelText('Held')).toBeNull();
    expect(second.queryByLabelText('Spread')).toBeNull();
    const names = [...(second.getByLabelText('Tree') as HTMLSelectElement).options].map((o) => o.text);
    expect(names).toEqual(one.rig.trunks.map((t) => t.name));
  });
  test('two stays on one line are refused at the field, as typed', () => {
    shown(one);
    const spread = group(/^Second end/).getByLabelText('Spread') as HTMLInputElement;
    type(spread, '0.05');
    expect(screen.getByText(/Two stays must stand apart/)).toBeTruthy();
    expect(spread.value).toBe('0.05');
  });
  test('the pole has its own caution, a tree another', () => {
    shown(one);
    expect(group(/^Second end/).getByText(/No one stands behind the stays/)).toBeTruthy();
    expect(group(/^First end/).getByText(/Look up, knock, push/)).toBeTruthy();
  });
});

describe('another tree than the rig’s own', () => {
  test('stands beside it to begin with, is named, and its signs are kept', async () => {
    const { last } = shown(fly);
    fireEvent.change(group(/^First end/).getByLabelText('Hung from'), { target: { value: 'stem' } });
    const stem = last().bed!.ends[0].anchor;
    expect(stem).toMatchObject({ kind: 'stem', at: [0, 0.5], girth: fly.rig.trunks[0].girth });
    cleanup();
    const again = shown({ ...fly, rig: last() });
    await press(group(/^First end/).getByLabelText('hollow', { exact: false }));
    expect(again.last().bed!.ends[0].anchor).toEqual({ ...stem, signs: ['hollow'] });
    expect(judge({ ...fly, rig: again.last() }).findings.map((f) => f.code)).toContain('tree');
  });
});

describe('who lies in it, and what for', () => {
  test('every case with its force, its strap and its height; the one touched is drawn', () => {
    const { onShow } = shown(fly, flyBed);
    const rows = screen.getAllByRole('row').filter((r) => within(r).queryAllByRole('button').length === 1);
    for (const c of flyBed.cases) {
      const row = rows.find((r) => within(r).getByRole('button').textContent!.toLowerCase() === c.name.toLowerCase())!;
      expect(row.textContent).toContain(`${Math.max(...c.straps).toFixed(c.id === 'empty' ? 1 : 0)} N`);
    }
    fireEvent.click(screen.getByRole('button', { name: 'Dropping in' }));
    expect(onShow).toHaveBeenCalledWith('dropping');
  });
  test('a case that ends on the ground says so', () => {
    const low = judge({
      ...fly,
      rig: ([0, 1] as const).reduce((r, i) => withBedEnd(r, i, { height: r.bed!.ends[i].height - 0.45 }), fly.rig),
    });
    shown(fly, low);
    expect(screen.getAllByText('on the ground').length).toBeGreaterThan(0);
  });
  test('the end its head belongs at is told with the reason; what lies beneath is chosen', async () => {
    const { last } = shown(fly, flyBed);
    expect(screen.getByText(/The head belongs at the (first|second) end: /)).toBeTruthy();
    await press(screen.getByRole('radio', { name: 'Second end' }));
    expect(last().bed!.head).toBe(1);
    fireEvent.change(screen.getByLabelText('Beneath lies'), { target: { value: 'water' } });
    expect(judge({ ...fly, rig: last() }).findings[0]!.code).toBe('beneath-forbids');
  });
  test.each([
    ['Drops in by', '0.5', { drop: 0.5 }],
    ['Leans out by', '0.1', { reach: 0.1 }],
    ['Sits at', '40', { sitAt: 0.4 }],
    ['Weighs', '95', { mass: 95 }],
  ])('%s', (label, text, part) => {
    const { last } = shown(fly);
    type(screen.getByLabelText(label), text);
    expect(last().bed).toEqual({ ...fly.rig.bed!, ...part });
  });
  test('a side stay comes with a side, a peg and a pull, is held by what holds a guy, and goes again', async () => {
    const { last } = shown(fly);
    await press(screen.getByLabelText(/a side stay holds one side open/));
    const { sideStay } = last().bed!;
    expect(sideStay).toMatchObject({ side: 'left', haul: 20 });
    const held = { ...fly, rig: last() };
    expect(judge(held).cases.every((c) => c.converged)).toBe(true);
    cleanup();
    const again = shown(held);
    await press(screen.getByLabelText('Right'));
    expect(again.last().bed!.sideStay).toEqual({ ...sideStay, side: 'right' });
    fireEvent.change(screen.getByLabelText('To'), { target: { value: 'root' } });
    expect(again.last().bed!.sideStay!.anchor.kind).toBe('root');
    await press(screen.getByLabelText(/a side stay holds one side open/));
    expect(again.last().bed!.sideStay).toBeNull();
  });
  test('other straps, and another bed, are hung on loops they have and reach with', () => {
    const knotted = {
      ...fly.context.straps[0]!,
      id: 'knotted',
      name: 'knotted straps',
      count: 10,
      spacing: 0.25,
      first: 0.8,
    };
    const longer = { ...fly.context.beds[0]!, id: 'longer', name: 'longer bed', length: 3.3, ridgeLength: 2.7 };
    const context = {
      ...fly.context,
      straps: [...fly.context.straps, knotted],
      beds: [...fly.context.beds, longer],
    };
    const { edit, last } = shown({ ...fly, context });
    fireEvent.change(screen.getByLabelText('Straps'), { target: { value: 'knotted' } });
    expect(last().bed!.straps).toBe('knotted');
    expect(last().bed!.ends.every((e) => e.loop <= 10)).toBe(true);
    expect(rigProblems(last(), context)).toEqual([]);
    expect(judge({ rig: last(), context }).cases.every((c) => c.converged)).toBe(true);
    fireEvent.change(screen.getByLabelText('Bed'), { target: { value: 'longer' } });
    expect(last().bed).toMatchObject({ bed: 'longer', ridgeCord: true });
    expect(rigProblems(last(), context)).toEqual([]);
    expect(edit).toHaveBeenCalledTimes(2);
  });
  test('another bed takes its ridge-cord only where it has one', () => {
    const plain = { ...fly.context.beds[0]!, id: 'plain', name: 'plain bed', ridgeLength: 0 };
    const context = { ...fly.context, beds: [...fly.context.beds, plain] };
    const { last } = shown({ ...fly, context });
    fireEvent.change(screen.getByLabelText('Bed'), { target: { value: 'plain' } });
    expect(last().bed).toMatchObject({ bed: 'plain', ridgeCord: false });
  });
});

describe('a choice that does not fit', () => {
  test('is not taken, and says why at its place, until the field is left', () => {
    const short = { ...fly.context.beds[0]!, id: 'short', name: 'short bed', length: 2.2, ridgeLength: 0 };
    const context = { ...fly.context, beds: [...fly.context.beds, short] };
    const edit = jest.fn((next: RidgeRig): string | null => rigProblems(next, context)[0]?.message ?? null);
    bare(
      <ChakraProvider value={system}>
        <BedStep
          said={null}
          rig={fly.rig}
          context={context}
          bed={null}
          shown="lying"
          onShow={jest.fn()}
          edit={edit}
          put={jest.fn()}
        />
      </ChakraProvider>,
    );
    openAll();
    const field = screen.getByLabelText('Bed') as HTMLSelectElement;
    fireEvent.change(field, { target: { value: 'short' } });
    expect(screen.getByRole('alert').textContent).toMatch(/^short bed is 2\.20 m long: too short for someone/);
    expect(field.value).toBe(fly.rig.bed!.bed);
    expect(field.getAttribute('aria-invalid')).toBe('true');
    fireEvent.blur(field);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  test('one of a few says so too', async () => {
    const put = jest.fn((_: RidgeRig) => 'Straps and bed do not reach. Let out a strap.');
    bare(
      <ChakraProvider value={system}>
        <BedStep
          said={null}
          rig={fly.rig}
          context={fly.context}
          bed={null}
          shown="lying"
          onShow={jest.fn()}
          edit={put}
          put={jest.fn()}
        />
      </ChakraProvider>,
    );
    openAll();
    await press(screen.getByRole('radio', { name: 'Second end' }));
    expect(screen.getByRole('alert').textContent).toBe('Straps and bed do not reach. Let out a strap.');
    expect((screen.getByRole('radio', { name: 'First end' }) as HTMLInputElement).checked).toBe(true);
  });
});

describe('taking hold of a bed', () => {
  const straps = fly.context.straps[0]!;
  test('a strap goes to the centimetre within its limits, whatever the hand does', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), fc.constantFrom(0 as const, 1 as const), (dz, index) => {
        const next = movedBed(fly.rig, straps, { kind: 'strap', index }, 0.3, dz);
        const { height } = next.bed!.ends[index];
        expect(height).toBeGreaterThanOrEqual(BED_LIMITS.height.min);
        expect(height).toBeLessThanOrEqual(BED_LIMITS.height.max);
        expect(Math.abs(height * 100 - Math.round(height * 100))).toBeLessThan(1e-9);
        expect(next.bed!.ends[1 - index]).toEqual(fly.rig.bed!.ends[1 - index]);
      }),
    );
  });
  test('a loop goes to the nearest there is with these wraps, and the bed still fits its straps', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.4, max: 0.4, noNaN: true }), (dx) => {
        const next = movedBed(fly.rig, straps, { kind: 'loop', index: 0 }, dx, 0);
        const end = next.bed!.ends[0];
        expect(end.wraps).toBe(fly.rig.bed!.ends[0].wraps);
        const { girth } = bedStem(fly.rig, 0);
        const free = (loop: number): number => freeAt(straps, end.wraps, loop, girth);
        const wanted = free(fly.rig.bed!.ends[0].loop) + dx;
        for (let loop = 1; loop <= straps.count; loop++)
          if (free(loop) > 0.05)
            expect(Math.abs(free(end.loop) - wanted)).toBeLessThanOrEqual(Math.abs(free(loop) - wanted) + 1e-9);
        expect(bedProblems(next, fly.context).every((p) => !/covers?|loops/.test(p.message))).toBe(true);
      }),
    );
  });
});
