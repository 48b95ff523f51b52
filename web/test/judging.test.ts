import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';
import type { Candidate, Looked, Ready, Wanted } from '@rough-bight/core/start';
import type { GroundQuestion } from '../src/workers/ground.worker.js';
import type { RigQuestion } from '../src/workers/rig.worker.js';

/** Something a worker was asked, and its answer when the test gives it. */
interface Asked {
  readonly by: number;
  readonly what: string;
  readonly args: readonly unknown[];
  readonly answer: (value: unknown) => Promise<void>;
  readonly fail: () => Promise<void>;
}
let asked: Asked[] = [];
let stopped: number[] = [];
let threads = 0;
/** Workers that answer when they are told to. */
const standIn = (by: number): unknown =>
  new Proxy(
    {},
    {
      get:
        (_, what: string) =>
        (...args: unknown[]) =>
          new Promise((resolve, reject) => {
            const settled = async (go: () => void): Promise<void> => {
              await act(async () => {
                go();
                await new Promise((r) => setTimeout(r));
              });
            };
            asked.push({
              by,
              what,
              args,
              answer: (value) => settled(() => resolve(value)),
              fail: () => settled(() => reject(new Error('out of memory'))),
            });
          }),
    },
  );
let kept = 0;
jest.unstable_mockModule('../src/workers/thread.js', () => ({
  Kept: class {
    private readonly by = kept++;
    readonly service = standIn(this.by);
    stop(): void {
      stopped.push(this.by);
    }
  },
  startThread: () => {
    const by = 100 + threads++;
    return { service: standIn(by), stop: () => stopped.push(by) };
  },
  inOwnThread: () => () => undefined,
  failure: (error: unknown, after: string) => ({ ok: false, field: '', message: `${String(error)}. ${after}` }),
}));
const { Judge } = await import('../src/workers/judge.js');
const { GroundJudge } = await import('../src/workers/ground-judge.js');
const { useStart } = await import('../src/workers/use-start.js');

beforeEach(() => {
  asked = [];
  stopped = [];
  threads = 0;
});

const open = (what: string): Asked[] => asked.filter((a) => a.what === what);
const tick = (): Promise<void> =>
  act(async () => {
    await new Promise((r) => setTimeout(r));
  });
const question = (name: string, pitched = true): RigQuestion =>
  ({ rig: { name, ...(pitched ? { pitch: {} } : {}) }, context: {}, units: {} }) as unknown as RigQuestion;
const report = (name: string, full: boolean): RigReport => ({ name, full }) as unknown as RigReport;
const good = (value: unknown): unknown => ({ ok: true, value });
const bad = (message: string): unknown => ({ ok: false, field: 'span', message });

describe('a rig judged as it changes', () => {
  const first = question('first');
  test('quickly while the hand moves, and in full only when it rests', async () => {
    const judge = new Judge(first);
    const told: boolean[] = [];
    judge.subscribe(() => told.push(judge.read().moving));
    const moved = question('moved');
    judge.ask(moved, true);
    // what it is about is known at once, what it comes to later
    expect(judge.read()).toMatchObject({ question: moved, moving: true, report: null });
    await open('judge')[0]!.answer(good(report('moved', false)));
    expect(judge.read().report).toEqual(report('moved', false));
    expect(open('judge')).toHaveLength(1);
    judge.ask(moved, false);
    await open('judge')[1]!.answer(good(report('moved', false)));
    expect(open('judge')[2]!.args).toEqual([moved, true]);
    await open('judge')[2]!.answer(good(report('moved', true)));
    expect(judge.read()).toMatchObject({ moving: false, report: report('moved', true), problem: null });
    expect(told).toContain(true);
    expect(told.at(-1)).toBe(false);
  });
  test('of all that come meanwhile only the newest is worked on', async () => {
    const judge = new Judge(first);
    for (const name of ['a', 'b', 'c', 'd']) judge.ask(question(name), true);
    await open('judge')[0]!.answer(good(report('a', false)));
    expect(open('judge').map((a) => (a.args[0] as { rig: { name: string } }).rig.name)).toEqual(['a', 'd']);
  });
  test('full judgement of a rig that has changed is stopped, and nothing of it shown', async () => {
    const judge = new Judge(first);
    judge.ask(question('old'), false);
    await open('judge')[0]!.answer(good(report('old', false)));
    const full = open('judge')[1]!;
    judge.ask(question('new'), false);
    await tick();
    expect(stopped).toEqual([full.by]);
    await full.answer(good(report('old', true)));
    expect(judge.read().report).toEqual(report('old', false));
    await open('judge')[2]!.answer(good(report('new', false)));
    expect(judge.read().report).toEqual(report('new', false));
  });
  test('one that cannot be worked out says so over the last picture, and the next that can mends it', async () => {
    const judge = new Judge(first);
    judge.ask(question('fine'), true);
    await open('judge')[0]!.answer(good(report('fine', false)));
    judge.ask(question('not'), false);
    await open('judge')[1]!.answer(bad('The span is too short.'));
    expect(judge.read()).toMatchObject({
      report: report('fine', false),
      problem: { message: 'The span is too short.' },
    });
    expect(open('judge')).toHaveLength(2);
    judge.ask(question('mended'), true);
    await open('judge')[2]!.answer(good(report('mended', false)));
    expect(judge.read().problem).toBeNull();
  });
  test('a worker that dies is told, with what to do', async () => {
    const judge = new Judge(first);
    judge.ask(first, false);
    await open('judge')[0]!.fail();
    expect(judge.read().problem?.message).toMatch(/out of memory.*Undo the last change/);
  });
  test('a line without a roof is advised; advice goes when it can no longer be worked out', async () => {
    const judge = new Judge(first);
    const line = question('line', false);
    judge.ask(line, false);
    await open('judge')[0]!.answer(good(report('line', false)));
    await open('judge')[1]!.answer(good(report('line', true)));
    await open('advise')[0]!.answer(good([{ id: 'slacker' }]));
    expect(judge.read().advice).toEqual([{ id: 'slacker' }]);
    judge.ask(question('broken', false), false);
    await open('judge')[2]!.answer(bad('No.'));
    expect(judge.read().advice).toEqual([]);
  });
});

describe('a place judged as it changes', () => {
  const place = (name: string): GroundQuestion => ({ place: { name } }) as unknown as GroundQuestion;
  test('its spans are ranked, the open one explained, and a failure leaves the last ranking', async () => {
    const judge = new GroundJudge();
    judge.ask(place('landing'), false, 'a|b');
    await open('judge')[0]!.answer(good({ good: [1] }));
    expect(judge.read().judgement).toBeNull();
    await open('explain')[0]!.answer({ title: 'a to b' });
    expect(judge.read()).toMatchObject({ judgement: { good: [1] }, explained: { title: 'a to b' } });
    judge.ask(place('landing'), true, null);
    expect(judge.read().moving).toBe(true);
    await open('judge')[1]!.answer(bad('The cord is gone.'));
    expect(judge.read()).toMatchObject({
      judgement: { good: [1] },
      problem: { message: 'The cord is gone.' },
      explained: null,
    });
    judge.ask(place('landing'), false, null);
    await open('judge')[2]!.fail();
    expect(judge.read().problem?.message).toMatch(/out of memory/);
  });
});

describe('whole rigs for a wish', () => {
  const context = {} as RigContext;
  const UNITS = { length: 'm', force: 'N' } as const;
  const wanted = (people: number): Wanted => ({ who: { kind: 'ground', people } }) as unknown as Wanted;
  const candidate = (form: string, score: number): Candidate => ({ serves: { form }, score }) as unknown as Candidate;
  const seen = (form: string, score: number): Looked =>
    ({ rig: {} as RidgeRig, serves: { form }, score }) as unknown as Looked;
  const made = (form: string, score: number, holds: boolean): Ready =>
    ({ ...seen(form, score), holds }) as unknown as Ready;
  const forms = (rigs: readonly Looked[]): string[] => rigs.map((r) => r.serves.form);
  const begin = async () => {
    const hook = renderHook(() => useStart(context, UNITS));
    act(() => hook.result.current.ask(wanted(2)));
    await tick();
    return hook.result;
  };

  test('each is seen first and judged after, two at a time; in the end what holds comes first', async () => {
    const result = await begin();
    await open('shortlist')[0]!.answer(good([candidate('gable', 3), candidate('wedge', 2), candidate('lean', 1)]));
    expect(open('look')).toHaveLength(2);
    await open('look')[1]!.answer(good(seen('wedge', 2)));
    await open('look')[0]!.answer(good(seen('gable', 3)));
    expect(forms(result.current.rigs)).toEqual(['gable', 'wedge']);
    expect(open('ready')).toHaveLength(0);
    await open('look')[2]!.answer(good(seen('lean', 1)));
    expect(open('ready')).toHaveLength(2);
    await open('ready')[0]!.answer(good(made('gable', 3, false)));
    // what is not known yet stands before what is known to fail
    expect(forms(result.current.rigs)).toEqual(['wedge', 'lean', 'gable']);
    await open('ready')[1]!.answer(good(made('wedge', 2, true)));
    await open('ready')[2]!.answer(good(made('lean', 1, true)));
    expect(forms(result.current.rigs)).toEqual(['wedge', 'lean', 'gable']);
    expect(result.current).toMatchObject({ done: 1, problem: null });
  });
  test('what was seen and cannot be made ready is taken out, and where nothing can it is said', async () => {
    const result = await begin();
    await open('shortlist')[0]!.answer(good([candidate('gable', 3)]));
    await open('look')[0]!.answer(good(seen('gable', 3)));
    await open('ready')[0]!.answer(bad('It folds.'));
    expect(result.current).toMatchObject({ rigs: [], done: 1 });
    expect(result.current.problem).toMatch(/Change the span or the roof/);
  });
  test('stopped, it keeps what is judged and lets go of what is only seen', async () => {
    const result = await begin();
    await open('shortlist')[0]!.answer(good([candidate('gable', 3), candidate('wedge', 2)]));
    await open('look')[0]!.answer(good(seen('gable', 3)));
    await open('look')[1]!.answer(good(seen('wedge', 2)));
    await open('ready')[0]!.answer(good(made('gable', 3, true)));
    act(() => result.current.halt());
    expect(forms(result.current.rigs)).toEqual(['gable']);
    expect(result.current.done).toBe(1);
    expect(stopped).toEqual([100, 101]);
  });
  test('asked again, what was begun is given up and nothing of it comes after', async () => {
    const result = await begin();
    const old = open('shortlist')[0]!;
    act(() => result.current.ask(wanted(5)));
    await old.answer(good([candidate('gable', 3)]));
    expect(open('look')).toEqual([]);
    await open('shortlist')[1]!.answer(good([]));
    expect(result.current.problem).toMatch(/No roof of the kit fits/);
  });
  test('gone through beforehand, it is left off as soon as it is asked in earnest', async () => {
    const { result } = renderHook(() => useStart(context, UNITS));
    act(() => void result.current.rehearse(wanted(2)));
    expect(open('rehearse').map((a) => a.by)).toEqual([100, 101]);
    act(() => result.current.ask(wanted(2)));
    for (const a of open('rehearse')) await a.answer(good(null));
    expect(open('rehearse')).toHaveLength(2);
    expect(open('shortlist')[0]!.by).toBe(100);
  });
  test('a worker that dies is told, and the next wish has new ones', async () => {
    const result = await begin();
    await open('shortlist')[0]!.fail();
    expect(result.current.problem).toMatch(/out of memory.*Ask again/);
    act(() => result.current.ask(wanted(2)));
    expect(open('shortlist')[1]!.by).toBe(102);
  });
});
