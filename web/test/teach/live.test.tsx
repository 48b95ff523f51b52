import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { drillOf } from '@rough-bight/core/drill';
import type { Drill } from '@rough-bight/core/drill';
import type { LearnerView, LiveDrill, RoomView } from '@rough-bight/core/teach';
import { source } from '../../../core/test/drill/helper.js';
import { device, keptHere } from '../device.js';
import { press } from '../press.js';
import { serving, settle, show } from './served.js';

jest.unstable_mockModule('../../src/data/kept.js', keptHere);
/** The drill that is made when one is asked for: the test’s own. */
let next: () => Promise<Omit<LiveDrill, 'camp'> | null> = () => Promise.resolve(null);
jest.unstable_mockModule('../../src/workers/use-drill.js', () => ({
  liveDrill: () => next(),
  useDrill: () => null,
  drillsOf: () => null,
}));
const { default: LiveView } = await import('../../src/views/class/live.js');
const { default: JoinView } = await import('../../src/views/class/join.js');

/** What a page listens to; the test speaks into it. */
class Wire extends EventTarget {
  static readonly CLOSED = 2;
  static all: Wire[] = [];
  onmessage: ((e: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  readyState = 1;
  constructor(readonly address: string) {
    super();
    Wire.all.push(this);
  }
  close(): void {
    this.readyState = Wire.CLOSED;
  }
}
const wire = (): Wire => Wire.all.at(-1)!;
const says = (view: unknown): Promise<void> =>
  act(async () => {
    wire().onmessage!({ data: JSON.stringify(view) });
    await Promise.resolve();
  });

const made = drillOf('pull', source('gravel-spit-gable'), 3, 0.2)!.drill as Drill & {
  readonly asked: { readonly form: 'number'; readonly truth: number };
};
const drill: LiveDrill = {
  camp: 'c',
  rig: 'landing-gable',
  name: 'Landing gable',
  kind: made.kind,
  seed: made.seed,
  facts: made.facts,
  truths: made.truths,
  asked: made.asked,
  shown: made.shown,
  after: null,
};
const ROOM: RoomView = {
  on: true,
  phase: 'waiting',
  addresses: ['http://192.0.2.7:4788'],
  code: '4821',
  passphrase: 'otter reed willow sand',
  learners: [],
  drill: null,
  guesses: [],
  rigs: [],
  round: 0,
} as unknown as RoomView;
const LEARNER: LearnerView = {
  name: 'Plover',
  camp: 'Sallow Ait',
  phase: 'waiting',
  question: null,
  mine: null,
  truth: null,
  rigs: [],
} as unknown as LearnerView;
const { truth: _, ...openly } = drill.asked as typeof made.asked;
void _;
const ASKED: LearnerView = {
  ...LEARNER,
  phase: 'asked',
  question: {
    round: 1,
    name: drill.name,
    kind: drill.kind,
    seed: drill.seed,
    facts: drill.facts,
    shown: drill.shown,
    asked: openly,
  },
} as unknown as LearnerView;

beforeEach(() => {
  device.clear();
  Wire.all = [];
  (globalThis as { EventSource?: unknown }).EventSource = Wire;
});
afterEach(cleanup);

describe('what an instructor sees of a class', () => {
  const open = (answers: Readonly<Record<string, unknown>> = { '/api/class': ROOM }) => {
    const sent = serving({ answers });
    return { sent, shown: show(<LiveView />, '/camps/:campId/live', '/camps/c/live') };
  };
  test('where none is open it says how one is opened, and listens to nothing', async () => {
    await open({ '/api/class': { on: false } }).shown;
    expect(screen.getByText('npm start -- --class')).toBeTruthy();
    expect(Wire.all).toEqual([]);
  });
  test('how phones get in stands large, to be read and to be pointed a camera at', async () => {
    await open().shown;
    await says(ROOM);
    const way = screen.getByRole('region', { name: 'How phones get in' });
    for (const words of ['http://192.0.2.7:4788/class', '4821', 'otter reed willow sand'])
      expect(way.textContent).toContain(words);
    expect(within(way).getByRole('img').getAttribute('aria-label')).toContain('/class?code=4821');
    // the passphrase is said aloud, never in the code that a camera reads
    expect(within(way).getByRole('img').getAttribute('aria-label')).not.toContain('otter');
  });
  test('who is here is named, and who has said it is marked while it is asked', async () => {
    await open().shown;
    await says(ROOM);
    expect(screen.getByText(/Nobody is here yet/)).toBeTruthy();
    const learners = [
      { id: 'a', name: 'Plover', here: true, said: true },
      { id: 'b', name: 'Dunlin', here: true, said: false },
      { id: 'd', name: 'Gone', here: false, said: false },
    ];
    await says({ ...ROOM, phase: 'asked', drill, learners, guesses: [{ learner: 'a', said: 120, sure: 0.7 }] });
    expect(screen.getByText(/Plover ✓/)).toBeTruthy();
    expect(screen.queryByText(/Dunlin ✓/)).toBeNull();
    expect(screen.queryByText(/Gone/)).toBeNull();
    expect(screen.getByText('1 of 2 have said it')).toBeTruthy();
  });
  test('the spread is there before the truth, and the truth only once it is shown', async () => {
    const { sent, shown } = open();
    await shown;
    const guesses = [
      { learner: 'a', said: 120, sure: 0.7 },
      { learner: 'b', said: 400, sure: 0.9 },
    ];
    const learners = [{ id: 'a', name: 'Plover', here: true, said: true }];
    await says({ ...ROOM, phase: 'asked', drill, learners, guesses });
    const spread = (): string => screen.getByRole('img', { name: /guesses from/ }).getAttribute('aria-label')!;
    expect(spread()).not.toContain('it is');
    expect(screen.queryByText('Who said it')).toBeNull();
    await press(screen.getByRole('button', { name: 'Show what is true' }));
    expect(sent.at(-1)).toMatchObject({ method: 'POST', path: '/api/class/show' });
    await says({ ...ROOM, phase: 'shown', drill, learners, guesses });
    expect(spread()).toContain('it is');
    expect(screen.getByText(/Plover, 70 % sure/)).toBeTruthy();
    expect(screen.getByText(/someone who left, 90 % sure/)).toBeTruthy();
  });
  test('a question is made here and sent as it was made; where no rig has one that is said', async () => {
    const { sent, shown } = open();
    await shown;
    await says(ROOM);
    const { camp: __, ...bare } = drill;
    void __;
    next = () => Promise.resolve(bare);
    await press(screen.getByRole('button', { name: 'Ask' }));
    await settle();
    expect(sent.at(-1)).toMatchObject({ path: '/api/class/ask', body: { drill: { camp: 'c', kind: 'pull' } } });
    next = () => Promise.resolve(null);
    await press(screen.getByRole('button', { name: 'Ask' }));
    await settle();
    expect(screen.getByRole('alert').textContent).toContain('Choose another kind');
  });
  test('a line that broke is said, and a class that is over is left', async () => {
    await open().shown;
    await says(ROOM);
    await act(async () => {
      wire().onerror!();
      await Promise.resolve();
    });
    expect(screen.getByRole('status').textContent).toContain('tried again');
    await act(async () => {
      wire().dispatchEvent(new Event('over'));
      await Promise.resolve();
    });
    expect(wire().readyState).toBe(Wire.CLOSED);
    expect(screen.getByText('npm start -- --class')).toBeTruthy();
  });
});

describe('a learner’s phone', () => {
  const out = (method: string, path: string) =>
    method === 'GET' && path === '/api/join/state' ? { status: 401, message: 'Come in first.' } : null;
  const join = (refuses = out, at = '/class') => {
    const sent = serving({ refuses });
    return { sent, shown: show(<JoinView />, '/class', at) };
  };
  const type = (name: string, value: string): void => {
    fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
  };
  test('asks for code, words and a name, each missing one at its place, and sends nothing till then', async () => {
    const { sent, shown } = join();
    await shown;
    await press(screen.getByRole('button', { name: 'Come in' }));
    await settle();
    for (const words of ['The code has four figures.', 'Four words, as they are said.'])
      expect(screen.getByText(words)).toBeTruthy();
    expect(sent).toEqual([]);
    type('Code', '4821');
    type('Passphrase', 'otter reed willow sand');
    type('My name', 'Plover');
    await press(screen.getByRole('button', { name: 'Come in' }));
    await settle();
    expect(sent[0]).toMatchObject({ method: 'POST', body: { code: '4821', name: 'Plover' } });
    expect(wire().address).toBe('/api/join/events');
  });
  test('a code that came with the address stands there already', async () => {
    await join(out, '/class?code=4821').shown;
    expect((screen.getByRole('textbox', { name: 'Code' }) as HTMLInputElement).value).toBe('4821');
  });
  test('words that are wrong are told, and what was typed is still there', async () => {
    await join((method, path) =>
      method === 'POST' ? { status: 403, message: 'Code or passphrase is not right.' } : out(method, path),
    ).shown;
    type('Code', '1');
    type('Passphrase', 'no');
    type('My name', 'Plover');
    await press(screen.getByRole('button', { name: 'Come in' }));
    await settle();
    expect(screen.getByRole('alert').textContent).toContain('not right');
    expect((screen.getByRole('textbox', { name: 'My name' }) as HTMLInputElement).value).toBe('Plover');
  });
  test('who came in before is in still, waits, guesses, and can think again until the truth is shown', async () => {
    const { sent, shown } = join(() => null);
    await shown;
    await says(LEARNER);
    expect(screen.getByText(/The first question comes by itself/)).toBeTruthy();
    await says(ASKED);
    await press(screen.getByRole('button', { name: 'That is my guess' }));
    expect(screen.getByRole('alert').textContent).toContain('a guess is no shame');
    expect(sent).toEqual([]);
    const field = screen.getByRole('textbox', { name: /My guess/ });
    fireEvent.change(field, { target: { value: '250' } });
    fireEvent.blur(field);
    await settle();
    await press(screen.getByRole('button', { name: 'That is my guess' }));
    await settle();
    expect(sent.at(-1)).toMatchObject({ path: '/api/join/guess', body: { round: 1, said: 250, sure: 0.7 } });
    expect(screen.getByRole('button', { name: 'Rather this' })).toBeTruthy();
    await says({ ...ASKED, phase: 'shown', mine: { said: 250, sure: 0.7 }, truth: { drill, all: [250, 90] } });
    expect(screen.queryByRole('button', { name: 'Rather this' })).toBeNull();
    expect(screen.getByText(/You said 250 N, 70 % sure/)).toBeTruthy();
  });
  test('who said nothing is told so, not that they were wrong', async () => {
    await join(() => null).shown;
    await says({ ...ASKED, phase: 'shown', mine: null, truth: { drill, all: [90] } });
    expect(screen.getByText('You said nothing this time.')).toBeTruthy();
  });
  test('the next question begins anew: nothing of the last guess stands in it', async () => {
    await join(() => null).shown;
    await says(ASKED);
    const field = (): HTMLInputElement => screen.getByRole('textbox', { name: /My guess/ });
    fireEvent.change(field(), { target: { value: '250' } });
    fireEvent.blur(field());
    await settle();
    await says({ ...ASKED, question: { ...ASKED.question!, round: 2 } });
    expect(field().value).toBe('');
  });
  test('a guess that does not arrive is said so and can be sent again', async () => {
    await join((method) => (method === 'POST' ? { status: 409, message: 'That question is over.' } : null)).shown;
    await says(ASKED);
    const field = screen.getByRole('textbox', { name: /My guess/ });
    fireEvent.change(field, { target: { value: '250' } });
    fireEvent.blur(field);
    await settle();
    await press(screen.getByRole('button', { name: 'That is my guess' }));
    await settle();
    expect(screen.getByRole('alert').textContent).toContain('That question is over.');
    expect(screen.getByRole('button', { name: 'That is my guess' })).toBeTruthy();
  });
  test('units are the phone’s own choice', async () => {
    await join(() => null).shown;
    await says({ ...ASKED, phase: 'shown', mine: { said: 250, sure: 0.7 }, truth: { drill, all: [250] } });
    fireEvent.click(screen.getByRole('radio', { name: 'm, kgf' }));
    await settle();
    expect(screen.getByText(/You said 2[56] kgf/)).toBeTruthy();
  });
  test('one leaves: told to the class, and the way in stands there again', async () => {
    const { sent, shown } = join(() => null);
    await shown;
    await says(LEARNER);
    await press(screen.getByRole('button', { name: 'Leave the class' }));
    await settle();
    expect(sent.at(-1)).toMatchObject({ method: 'POST', path: '/api/join/leave' });
    expect(screen.getByRole('button', { name: 'Come in' })).toBeTruthy();
  });
  test('rigs that are shared are links to their cards; none are offered where none are', async () => {
    await join(() => null).shown;
    await says(LEARNER);
    expect(screen.queryByText('Rigs to look at')).toBeNull();
    await says({ ...LEARNER, rigs: [{ id: 'a b', name: 'Mess roof' }] });
    expect(screen.getByRole('link', { name: 'Mess roof' }).getAttribute('href')).toBe('/api/join/rigs/a%20b');
  });
});
