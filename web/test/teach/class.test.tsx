import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { lessonOf, standingOf, troubleOf } from '@rough-bight/core/teach';
import type { LogEntry } from '@rough-bight/core/log';
import { DRILL_NAMES } from '@rough-bight/core/words';
import { guessesOf, learnersOf, pitchesOf } from '../../src/data/learnt.js';
import { device, keptHere } from '../device.js';
import { press } from '../press.js';
import { CAMP, LEARNERS, SPRING, serving, settle, show } from './served.js';

jest.unstable_mockModule('../../src/data/kept.js', keptHere);
/** What was saved as a file, by its name. */
const files = new Map<string, string>();
jest.unstable_mockModule('../../src/parts/save-text.js', () => ({
  saveText: (name: string, _type: string, text: string) => files.set(name, text),
  saveBlob: () => undefined,
}));
const { default: ClassView } = await import('../../src/views/class/class.js');

const open = (): Promise<void> => show(<ClassView />, '/camps/:campId/class', '/camps/c/class');
const full = { ...CAMP, learners: LEARNERS };
const standings = LEARNERS.map((l) =>
  standingOf({ ...l, guesses: guessesOf(SPRING, l.id), pitches: pitchesOf(SPRING, l.id) }),
);

beforeEach(() => {
  device.clear();
  files.clear();
});
afterEach(cleanup);

describe('what a log says of somebody', () => {
  const entry = (by: string, what: LogEntry['what']): LogEntry => ({
    id: crypto.randomUUID(),
    at: '2026-04-01T18:00:00Z',
    by,
    rig: null,
    what,
  });
  test('their guesses and pitches alone, in its order, without anything else', () => {
    const log: LogEntry[] = [
      entry('sedge', { kind: 'note', words: 'rain' }),
      entry('sedge', { kind: 'guess', drill: 'sag', seed: 4, error: 0.2, near: true, grade: 3, sure: 0.7 }),
      entry('rush', { kind: 'guess', drill: 'sag', seed: 5, error: 0.9, near: false, grade: 1, sure: 0.9 }),
      entry('sedge', { kind: 'pitch', of: 'roof', total: 200, splits: [], faults: ['slack-ridge'] }),
    ];
    expect(guessesOf(log, 'sedge')).toEqual([
      { kind: 'sag', at: '2026-04-01T18:00:00Z', error: 0.2, near: true, grade: 3, sure: 0.7 },
    ]);
    expect(pitchesOf(log, 'sedge')).toMatchObject([{ of: 'roof', total: 200, faults: ['slack-ridge'] }]);
    expect(guessesOf(log, 'nobody')).toEqual([]);
  });
  test('every guess of the demo class belongs to one of it', () => {
    const count = LEARNERS.reduce((sum, l) => sum + guessesOf(SPRING, l.id).length + pitchesOf(SPRING, l.id).length, 0);
    expect(count).toBe(SPRING.length);
  });
  test('a camp that was kept before learners were has nobody, and the same nobody each time', () => {
    expect(learnersOf({})).toEqual([]);
    expect(learnersOf({})).toBe(learnersOf({}));
  });
});

describe('a class', () => {
  test('each learner stands there with what the core says of them, and a way to their drills', async () => {
    serving({ camp: full, log: SPRING });
    await open();
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows).toHaveLength(LEARNERS.length);
    for (const s of standings) {
      const row = rows.find((r) => within(r).queryByRole('link', { name: s.name }) !== null)!;
      expect(within(row).getByRole('link', { name: s.name }).getAttribute('href')).toBe(`/camps/c/drills?who=${s.id}`);
      expect(row.textContent).toContain(String(s.count));
      if (s.off !== null) expect(row.textContent).toContain(s.off.times.toFixed(1));
      for (const kind of s.stuck) expect(row.textContent).toContain(DRILL_NAMES[kind].toLowerCase());
      if (s.stuck.length === 0) expect(row.textContent).toContain('nothing');
    }
  });
  test('who is stuck on what the class finds hardest is named first', async () => {
    serving({ camp: full, log: SPRING });
    await open();
    const [worst] = troubleOf(standings);
    const said = screen.getByRole('region', { name: 'Trouble' }).textContent!;
    expect(said).toContain(DRILL_NAMES[worst!.kind].toLowerCase());
    for (const name of worst!.stuck) expect(said).toContain(name);
  });
  test('the evening is the core’s, fits the minutes there are, and is made anew for fewer', async () => {
    serving({ camp: full, log: SPRING });
    await open();
    const lesson = (): HTMLElement => screen.getByRole('region', { name: 'Lesson' });
    const minutes = (): number[] =>
      within(lesson())
        .getAllByRole('listitem')
        .map((li) => Number(/(\d+) min/.exec(li.textContent)![1]));
    const pitches = LEARNERS.flatMap((l) => pitchesOf(SPRING, l.id));
    expect(minutes()).toEqual(lessonOf(standings, pitches, 90).map((p) => p.minutes));
    const field = within(lesson()).getByRole('textbox', { name: /Minutes there are/ });
    fireEvent.change(field, { target: { value: '45' } });
    fireEvent.blur(field);
    await settle();
    expect(minutes()).toEqual(lessonOf(standings, pitches, 45).map((p) => p.minutes));
    expect(minutes().reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(45);
  });
  test('an evening that cannot be is refused at its field', async () => {
    serving({ camp: full, log: SPRING });
    await open();
    const field = screen.getByRole('textbox', { name: /Minutes there are/ });
    fireEvent.change(field, { target: { value: '5' } });
    fireEvent.blur(field);
    await settle();
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(screen.getAllByText(/20/).length).toBeGreaterThan(0);
  });
  test('a learner is added, named and taken out; each time all names are sent', async () => {
    const sent = serving();
    await open();
    expect(screen.getByText(/Nobody learns here yet/)).toBeTruthy();
    await press(screen.getByRole('button', { name: 'A learner' }));
    await settle();
    const names = (k: number): string[] =>
      (sent[k]!.body as { learners: { name: string }[] }).learners.map((l) => l.name);
    expect(sent[0]).toMatchObject({ method: 'PUT', path: '/api/camps/c' });
    expect(names(0)).toEqual(['learner 1']);
    await press(screen.getByText('One learner: names'));
    const field = screen.getByLabelText('Name');
    fireEvent.change(field, { target: { value: 'Plover' } });
    fireEvent.blur(field);
    await settle();
    expect(names(1)).toEqual(['Plover']);
    await press(screen.getByLabelText('Take Plover out of the class'));
    await settle();
    expect(names(2)).toEqual([]);
  });
  test('what the server refuses is said on the page, and the name is not shown as kept', async () => {
    serving({
      refuses: (method, path) =>
        method === 'PUT' && path === '/api/camps/c' ? { status: 400, message: 'At most 60 learners fit.' } : null,
    });
    await open();
    await press(screen.getByRole('button', { name: 'A learner' }));
    await settle();
    expect(screen.getByRole('alert').textContent).toContain('At most 60 learners fit.');
  });
  test('progress goes out as JSON and CSV: every guess and pitch of the log in it', async () => {
    serving({ camp: full, log: SPRING });
    await open();
    for (const name of ['Progress as JSON', 'Guesses as CSV', 'Pitches as CSV'])
      await press(screen.getByRole('button', { name }));
    const guesses = SPRING.filter((e) => e.what.kind === 'guess').length;
    const lines = (name: string): number => files.get(name)!.trim().split('\n').length - 1;
    expect(lines('sallow-ait-guesses.csv')).toBe(guesses);
    expect(lines('sallow-ait-pitches.csv')).toBe(SPRING.length - guesses);
    expect(JSON.stringify(JSON.parse(files.get('sallow-ait-progress.json')!))).toContain('Teasel');
  });
  test('a camp that is not there says so', async () => {
    serving({
      refuses: (_, path) => (path === '/api/camps/c' ? { status: 404, message: 'There is no such camp.' } : null),
    });
    await open();
    expect(screen.getByText(/There is no such camp/)).toBeTruthy();
  });
});
