import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { act, cleanup, fireEvent, render as bare, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ReactElement } from 'react';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import { rigProblems } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { tell } from '@rough-bight/core/quantity';
import { hangIt, judgeRig, proposeHang } from '@rough-bight/core/shelter';
import { verdictOf } from '@rough-bight/core/words';
import { sizeCords, sizeRig, strongestWind, takeChanges } from '@rough-bight/core/sizing';
import type { SizeAim } from '@rough-bight/core/sizing';
import type { StoredRig } from '../src/data/types.js';
import { system } from '../src/app/theme/index.js';
import type { Answer } from '../src/workers/answer.js';
import type { RoofReport } from '../src/workers/report.js';
import type { Question, RigQuestion } from '../src/workers/rig.worker.js';
import { escape, press } from './press.js';

const UNITS = { length: 'm', force: 'N' } as const;

/** Work begun by a panel, ended by the test: the worker's place is taken by the computation itself. */
interface Begun {
  readonly what: string;
  readonly end: () => void;
  readonly fail: (message: string) => void;
  readonly progress: (done: number) => void;
  stopped: boolean;
}
let begun: Begun[] = [];
function begin<T>(
  what: string,
  work: () => T,
  done: (answer: Answer<T>) => void,
  progress: (done: number) => void = () => undefined,
): () => void {
  const one: Begun = {
    what,
    end: () => act(() => done({ ok: true, value: work() })),
    fail: (message) => act(() => done({ ok: false, field: '', message })),
    progress: (share) => act(() => progress(share)),
    stopped: false,
  };
  begun.push(one);
  return () => {
    one.stopped = true;
  };
}
type Done<T> = (answer: Answer<T>) => void;
type Progress = (done: number) => void;
jest.unstable_mockModule('../src/workers/use-judge.js', () => ({
  startSizingRig: (q: RigQuestion, aim: SizeAim, progress: Progress, done: Done<unknown>) =>
    begin(`rig ${aim}`, () => sizeRig(q.rig, q.context, aim, q.units), done, progress),
  startStrongestWind: (q: RigQuestion, done: Done<unknown>) =>
    begin('wind', () => strongestWind(q.rig, q.context), done),
  startSizing: (q: Question, progress: Progress, done: Done<unknown>) =>
    begin('cords', () => sizeCords(q.rig, q.context, q.units), done, progress),
  startHanging: (q: RigQuestion, straps: Done<unknown>, done: Done<unknown>) => {
    straps({ ok: true, value: hangIt(q.rig, q.context, q.units) });
    return begin('hang', () => proposeHang(q.rig, q.context, q.units), done);
  },
}));
const { PitchSize } = await import('../src/views/bench/pitch-size.js');
const { SizePanel } = await import('../src/views/bench/size-panel.js');
const { HangAnswers, useHanging } = await import('../src/views/bench/hang-it.js');
const { PitchCompare } = await import('../src/views/bench/pitch-compare.js');

beforeEach(() => {
  begun = [];
});
afterEach(cleanup);

const render = (shown: ReactElement): void => void bare(<ChakraProvider value={system}>{shown}</ChakraProvider>);
const load = (name: string): RigQuestion => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file), units: UNITS };
};
const fly = load('river-bed-under-the-fly');
const gable = load('gravel-spit-gable');
const judge = ({ rig, context }: RigQuestion): RoofReport =>
  judgeRig(rig, context, { full: true, spreads: false }).report as RoofReport;

describe('a whole rig sized', () => {
  const shown = (question: RigQuestion) => {
    const [onTake, onClose] = [jest.fn<(stages: readonly RidgeRig[]) => void>(), jest.fn()];
    const onBring = jest.fn<(rig: RidgeRig) => void>();
    render(<PitchSize question={question} onTake={onTake} onBring={onBring} onClose={onClose} />);
    return { onTake, onClose, onBring };
  };
  test('what was left at home is not taken from, and it is worked out anew', async () => {
    const spare = { ...gable.context.kit[0]!, id: 'spare', name: 'spare cord' };
    const { onBring } = shown({ ...gable, context: { ...gable.context, kit: [...gable.context.kit, spare] } });
    expect(begun).toHaveLength(1);
    // what is tied into the rig cannot have been left
    const own = screen.getAllByRole('checkbox', { name: /on this rig/, hidden: true })[0];
    expect((own as HTMLInputElement).disabled).toBe(true);
    await press(screen.getByRole('checkbox', { name: 'spare cord', hidden: true }));
    expect(onBring.mock.calls[0]![0].home).toEqual(['spare']);
    expect(begun).toHaveLength(2);
    expect(begun[0]!.stopped).toBe(true);
  });
  test('shows how far it is, and can be stopped with nothing changed', () => {
    const { onTake } = shown(gable);
    const [work] = begun;
    work!.progress(0.5);
    expect(screen.getByRole('progressbar', { name: 'Size it', hidden: true }).getAttribute('aria-valuenow')).toBe('50');
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(work!.stopped).toBe(true);
    expect(screen.getByText('Stopped. Nothing was changed.')).toBeTruthy();
    // wished for after all, it is begun anew
    const before = begun.length;
    fireEvent.click(screen.getByRole('button', { name: 'Start again' }));
    expect(begun).toHaveLength(before + 1);
    expect(screen.queryByText('Stopped. Nothing was changed.')).toBeNull();
    expect(onTake).not.toHaveBeenCalled();
  });
  test('changes are taken all together, or some of them', async () => {
    const { onTake } = shown(gable);
    begun[0]!.end();
    const sized = sizeRig(gable.rig, gable.context, 'cut', UNITS)!;
    const boxes = within(screen.getByRole('dialog', { name: 'Size it' })).getAllByRole('checkbox');
    expect(boxes).toHaveLength(sized.changes.length);
    expect(boxes.length).toBeGreaterThan(1);
    fireEvent.click(screen.getByRole('button', { name: `Take all ${sized.changes.length} changes` }));
    expect(onTake.mock.calls[0]![0].at(-1)).toEqual(
      takeChanges(
        gable.rig,
        sized.rig,
        sized.changes.flatMap((c) => c.parts),
      ),
    );
    // each is a step of its own, to be undone alone, and each step is a whole rig
    const stages = onTake.mock.calls[0]![0];
    expect(stages.length).toBeGreaterThan(1);
    expect(new Set(stages).size).toBe(stages.length);
    for (const stage of stages) expect(rigProblems(stage, gable.context)).toEqual([]);
    await press(boxes[0]!);
    fireEvent.click(screen.getByRole('button', { name: `Take ${boxes.length - 1} of ${boxes.length}` }));
    expect(onTake.mock.calls[1]![0].at(-1)).toEqual(
      takeChanges(
        gable.rig,
        sized.rig,
        sized.changes.slice(1).flatMap((c) => c.parts),
      ),
    );
    for (const box of boxes.slice(1)) await press(box);
    expect((screen.getByRole('button', { name: /^Take 0 of/ }) as HTMLButtonElement).disabled).toBe(true);
  });
  test('what it takes is told beside what it took', () => {
    shown(gable);
    begun[0]!.end();
    const { before, after } = sizeRig(gable.rig, gable.context, 'cut', UNITS)!;
    const row = screen.getByRole('row', { name: /^Cord/ });
    expect(
      within(row)
        .getAllByRole('cell')
        .map((c) => c.textContent),
    ).toEqual([`${before.cut.toFixed(1)} m`, `${after.cut.toFixed(1)} m`]);
  });
  test('another aim begins anew and stops the first', async () => {
    shown(gable);
    await press(screen.getByLabelText('Fewest things'));
    expect(begun.map((b) => b.what)).toEqual(['rig cut', 'rig items']);
    expect(begun[0]!.stopped).toBe(true);
  });
  test('what fails says why; Escape closes', async () => {
    const { onClose } = shown(gable);
    begun[0]!.fail('This cord is no longer in the kit. Choose another.');
    expect(screen.getByRole('alert').textContent).toMatch(/no longer in the kit/);
    await escape('Size it');
    expect(onClose).toHaveBeenCalledTimes(1);
  });
  test('a bed that is short under it is not passed: what hangs it deeper is offered, and the wind waits for that', () => {
    const { bed } = fly.rig;
    const wish = { ...bed!.wish, angle: 0.3, height: 0.5 };
    const flat = hangIt({ ...fly.rig, bed: { ...bed!, mass: 80, drop: 0.1, wish } }, fly.context, UNITS).offers[0]!.rig;
    const { onTake } = shown({ ...fly, rig: flat });
    begun[0]!.end();
    expect(screen.getByText(/^This kit cannot meet everything/)).toBeTruthy();
    const unmet = screen.getByRole('region', { name: 'What cannot be met' });
    expect(unmet.textContent).toMatch(/The (first strap|foot of) .* is short .*Hung deeper it bears it/);
    begun.find((b) => b.what === 'wind')!.end();
    expect(unmet.textContent).toMatch(/short even in still air/);
    fireEvent.click(within(unmet).getByRole('button', { name: /^Do that/ }));
    const hung = onTake.mock.calls[0]![0].at(-1)!;
    expect(judge({ ...fly, rig: hung }).bed!.rows.every((r) => r.links[0]!.judgement.ratio >= 1)).toBe(true);
  });
});

describe('every cord of the kit, ranked', () => {
  const { pitch, bed, ...line } = fly.rig;
  const question: Question = { rig: line, context: fly.context, units: UNITS };
  const shown = (rig: RidgeRig) => {
    const onTake = jest.fn<(rig: RidgeRig) => void>();
    render(
      <SizePanel
        question={{ ...question, rig }}
        current={rig.cord}
        onTake={onTake}
        onBring={jest.fn()}
        onClose={jest.fn()}
      />,
    );
    begun[0]!.end();
    return onTake;
  };
  test('one that fails is told why and cannot be taken; one that holds is taken with its haul', () => {
    const onTake = shown(line);
    const cords = sizeCords(line, fly.context, UNITS);
    const items = within(screen.getByRole('dialog', { name: 'Size it' })).getAllByRole('listitem');
    expect(items).toHaveLength(cords.length);
    for (const c of cords) {
      const item = items.find((li) => li.querySelector('b')!.textContent === c.kitCord.name)!;
      expect(within(item).queryAllByRole('button')).toHaveLength(c.holds ? 1 : 0);
      expect(item.textContent).toContain(c.reason);
    }
    const holds = cords.find((c) => c.holds)!;
    fireEvent.click(screen.getByRole('button', { name: `Take ${holds.kitCord.name}` }));
    expect(onTake.mock.calls[0]![0]).toEqual(holds.rig);
  });
  test('ranked by weight the lightest that holds is first', async () => {
    shown(line);
    await press(screen.getByLabelText('Lightest'));
    const holding = sizeCords(line, fly.context, UNITS).filter((c) => c.holds);
    const least = holding.reduce((a, b) => (b.mass < a.mass ? b : a));
    expect(screen.getAllByRole('listitem')[0]!.querySelector('b')!.textContent).toBe(least.kitCord.name);
  });
  test('with a bed on the same trunks it says where both stand', () => {
    shown(line);
    expect(screen.queryByText(/The bed is left out here/)).toBeNull();
    cleanup();
    begun = [];
    shown({ ...line, bed: bed! });
    expect(screen.getByText(/The bed is left out here/)).toBeTruthy();
    expect(pitch).toBeDefined();
  });
});

describe('hang it for me', () => {
  const shown = (rig: RidgeRig) => {
    const onTake = jest.fn<(rig: RidgeRig) => void>();
    const Panel = ({ of }: { readonly of: RidgeRig }): ReactElement => {
      const hanging = useHanging(of, fly.context);
      return (
        <>
          <button onClick={hanging.find} disabled={hanging.working}>
            Hang it
          </button>
          <HangAnswers rig={of} context={fly.context} hanging={hanging} onTake={onTake} />
        </>
      );
    };
    const panel = (r: RidgeRig): ReactElement => (
      <ChakraProvider value={system}>
        <Panel of={r} />
      </ChakraProvider>
    );
    const { rerender } = bare(panel(rig));
    return { onTake, again: (r: RidgeRig) => rerender(panel(r)) };
  };
  test('names both trunks with height, wraps and loop, and how exact that is; the first is taken', () => {
    const { onTake } = shown(fly.rig);
    fireEvent.click(screen.getByRole('button', { name: 'Hang it' }));
    expect((screen.getByRole('button', { name: 'Hang it' }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getByText(/^Working out straps, ridge and cloth together/)).toBeTruthy();
    expect(screen.getAllByRole('listitem').length).toBeGreaterThan(1);
    begun[0]!.end();
    const { whole, tried } = proposeHang(fly.rig, fly.context, UNITS);
    const [first] = screen.getAllByRole('listitem');
    expect(first!.textContent).toContain(tell(verdictOf(whole!.report, fly.context.body).sentence));
    expect(first!.textContent).toMatch(/comes no nearer than 0\.\d\d m in any wind; 100 % of the bed stays dry/);
    for (const t of fly.rig.trunks) expect(first!.textContent).toContain(t.name);
    expect(first!.textContent).toMatch(/strap at \d\.\d\d m.*wraps?, loop \d+/);
    expect(first!.textContent).toMatch(/One loop more lowers it by 0\.\d\d m/);
    expect(screen.getByText(new RegExp(`^${tried} ways of setting both straps`))).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Hang it so' }));
    expect(onTake.mock.calls[0]![0]).toEqual(whole!.rig);
  });
  test('an answer to another wish is none', () => {
    const { again } = shown(fly.rig);
    fireEvent.click(screen.getByRole('button', { name: 'Hang it' }));
    begun[0]!.end();
    again({ ...fly.rig, bed: { ...fly.rig.bed!, wish: { ...fly.rig.bed!.wish, height: 0.6 } } });
    expect(screen.queryAllByRole('listitem')).toEqual([]);
    // its straps set by hand ask the same still
    again({ ...fly.rig, bed: { ...fly.rig.bed!, drop: 0.4 } });
    expect(screen.getAllByRole('listitem').length).toBeGreaterThan(0);
  });
  test('where nothing does it says what would', () => {
    shown({ ...fly.rig, span: { ...fly.rig.span, how: 'tape', tape: 14 } });
    fireEvent.click(screen.getByRole('button', { name: 'Hang it' }));
    begun[0]!.end();
    expect(screen.queryAllByRole('listitem')).toEqual([]);
    expect(screen.getByText(/longer|nearer/)).toBeTruthy();
  });
});

describe('beside another rig', () => {
  const stored = (id: string, { rig }: RigQuestion): StoredRig =>
    ({ id, name: id.replaceAll('-', ' '), document: rig }) as unknown as StoredRig;
  const mine = judge(fly);
  const theirs = judge(gable);
  const other = stored('gravel-spit-gable', gable);
  const shown = (props: Partial<Parameters<typeof PitchCompare>[0]>) => {
    const onChoose = jest.fn();
    render(
      <PitchCompare
        name="river bed"
        mine={mine}
        context={fly.context}
        others={[other]}
        chosen={other}
        other={{ rig: gable.rig, report: theirs, problem: '' }}
        shared
        onShared={jest.fn()}
        onChoose={onChoose}
        onClose={jest.fn()}
        {...props}
      />,
    );
    return onChoose;
  };
  test('what it takes to make one of the other is told between the same trees, and not between others', () => {
    shown({});
    expect(screen.queryByText(/To make the other of this one/)).toBeNull();
    cleanup();
    const pitch = gable.rig.pitch!;
    const turned: RidgeRig = { ...gable.rig, pitch: { ...pitch, form: 'diagonal', own: {}, order: [] } };
    const square = judge(gable);
    shown({
      mine: square,
      context: gable.context,
      other: { rig: turned, report: { ...square, rig: turned }, problem: '' },
    });
    expect(screen.getByText(/To make the other of this one/).textContent).toContain('turned on its middle');
  });
  test('totals first, then line by line; a line only one has is told as none', () => {
    shown({});
    const cells = (name: RegExp): (string | null)[] =>
      within(screen.getByRole('row', { name }))
        .getAllByRole('cell')
        .map((c) => c.textContent);
    expect(cells(/^Ground covered/)).toEqual([mine, theirs].map((j) => `${j.roof.cover.ground.toFixed(1)} m²`));
    // the fly's two guys go to what lies there
    expect(cells(/^Pegs/)).toEqual(['0', '6']);
    expect(cells(/^Left middle guy/)[0]).toBe('none');
    expect(cells(/^Bed, lowest place/)).toEqual([`${mine.bed!.lying.height.value.toFixed(2)} m`, 'none']);
  });
  test('a trunk under roof and bed is compared with what both come to', () => {
    shown({});
    const trunk = mine.bed!.rows.find((r) => r.id === 'trunk0')!;
    const row = screen.getAllByRole('row').find((r) => r.textContent!.toLowerCase().startsWith(trunk.name))!;
    expect(within(row).getAllByRole('cell')[0]!.textContent).toContain(`${trunk.demand.value.toFixed(0)} N`);
    expect(trunk.demand.value).toBeGreaterThan(2 * mine.roof.rows.find((r) => r.id === 'trunk0')!.demand.value);
  });
  test('both stand in the weather of this one, unless each is to have its own', async () => {
    const onShared = jest.fn();
    shown({ onShared });
    const both = screen.getByRole<HTMLInputElement>('checkbox', { name: 'Both in the weather of this one' });
    expect(both.checked).toBe(true);
    await press(both);
    expect(onShared).toHaveBeenCalledWith(false);
  });
  test('choosing, waiting, what cannot be judged, and no other rig at all', () => {
    const onChoose = shown({ chosen: undefined, other: null });
    fireEvent.change(screen.getByLabelText('The other'), { target: { value: other.id } });
    expect(onChoose).toHaveBeenCalledWith(other.id);
    cleanup();
    shown({ other: null });
    expect(screen.getByText(/the judgement of gravel spit gable/)).toBeTruthy();
    cleanup();
    shown({ other: { rig: gable.rig, report: null, problem: 'This roof is no longer in the kit.' } });
    expect(screen.getByRole('alert').textContent).toMatch(/cannot be judged: This roof is no longer in the kit/);
    cleanup();
    shown({ others: [], chosen: undefined, other: null });
    expect(screen.getByText(/No other rig of this camp has a roof/)).toBeTruthy();
  });
});
