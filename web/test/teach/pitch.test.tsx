import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import type { LogEntry } from '@rough-bight/core/log';
import { PITCHES, PITCH_FAULTS, SPLITS, faultsSeen, splitsOf, timesOf } from '@rough-bight/core/teach';
import { capital } from '@rough-bight/core/quantity';
import { timesWords } from '@rough-bight/core/words';
import type { BandRow } from '../../src/parts/band-chart.js';
import { pitchesOf } from '../../src/data/learnt.js';
import { device, keptHere } from '../device.js';
import { press } from '../press.js';
import { CAMP, LEARNERS, SPRING, serving, settle, show } from './served.js';

jest.unstable_mockModule('../../src/data/kept.js', keptHere);
/** A chart as its rows in words: jsdom draws none. */
jest.unstable_mockModule('../../src/parts/band-chart.js', () => ({
  BandChart: ({ label, rows }: { label: string; rows: readonly BandRow[] }) => (
    <ul aria-label={label}>
      {rows.map((r) => (
        <li key={r.name}>{`${r.low.toFixed(3)} ${r.mid.toFixed(3)} ${r.high.toFixed(3)}`}</li>
      ))}
    </ul>
  ),
}));
const { default: PitchView } = await import('../../src/views/class/pitch.js');

const open = (who = ''): Promise<void> => show(<PitchView />, '/camps/:campId/pitch', `/camps/c/pitch${who}`);
/** A clock that goes on when it is told to. */
let clock = 0;
const real = Date.now;
beforeEach(() => {
  device.clear();
  clock = Date.UTC(2026, 3, 1);
  Date.now = () => clock;
});
afterEach(() => {
  Date.now = real;
  cleanup();
});

/** Starts, and presses each split so many seconds after the one before. */
async function run(took: readonly number[]): Promise<void> {
  await press(screen.getByRole('button', { name: 'Start' }));
  for (const s of took) {
    clock += 1000 * s;
    await press(screen.getAllByRole('button').find((b) => b.textContent !== 'Give up')!);
  }
}

describe('a pitch against the watch', () => {
  test('each press is a split of its own, in the order of the work, and the last one stops it', async () => {
    const sent = serving();
    await open();
    const took = splitsOf('roof').map((_, k) => 20 + 7 * k);
    await run(took);
    const wrong = screen.getByRole('region', { name: 'What was wrong' });
    for (const s of splitsOf('roof')) expect(wrong.textContent).toContain(capital(SPLITS[s]));
    await press(within(wrong).getByRole('button', { name: 'Keep it' }));
    await settle();
    const { entries } = sent[0]!.body as { entries: LogEntry[] };
    expect(entries).toHaveLength(1);
    expect(entries[0]).toMatchObject({
      by: 'me',
      what: {
        kind: 'pitch',
        of: 'roof',
        total: took.reduce((a, b) => a + b, 0),
        splits: splitsOf('roof').map((of, k) => ({ of, took: took[k] })),
        faults: [],
      },
    });
  });
  test('the key says what it stops, and the last says that it stops', async () => {
    serving();
    await open();
    await press(screen.getByRole('button', { name: 'Start' }));
    const splits = splitsOf('roof');
    for (const [k, s] of splits.entries()) {
      const key = screen.getByRole('button', { name: new RegExp(capital(SPLITS[s])) });
      expect(key.textContent!.endsWith(': stop')).toBe(k === splits.length - 1);
      clock += 5000;
      await press(key);
    }
    expect(screen.queryByRole('timer')).toBeNull();
  });
  test('faults that were seen are kept, those taken back are not; a roof is not asked about its bed', async () => {
    const sent = serving();
    await open();
    await run(splitsOf('roof').map(() => 30));
    const check = (name: string): HTMLElement => screen.getByRole('checkbox', { name: capital(name) });
    expect(screen.queryByRole('checkbox', { name: capital(PITCH_FAULTS['bed-taut'].name) })).toBeNull();
    const all = screen.getAllByRole('checkbox');
    await press(all[0]!);
    await press(all[2]!);
    await press(all[0]!);
    expect(check(all[2]!.parentElement!.textContent)).toBeTruthy();
    await press(screen.getByRole('button', { name: 'Keep it' }));
    await settle();
    const { faults } = (sent[0]!.body as { entries: { what: { faults: string[] } }[] }).entries[0]!.what;
    expect(faults).toHaveLength(1);
    expect(Object.keys(PITCH_FAULTS)).toContain(faults[0]);
  });
  test('roof and bed asks about both, and has more splits', async () => {
    serving();
    await open();
    fireEvent.change(screen.getByRole('combobox', { name: 'What' }), { target: { value: 'both' } });
    expect(splitsOf('both').length).toBeGreaterThan(splitsOf('roof').length);
    await run(splitsOf('both').map(() => 60));
    expect(screen.getByRole('checkbox', { name: capital(PITCH_FAULTS['bed-taut'].name) })).toBeTruthy();
  });
  test('given up, or left out, nothing is kept', async () => {
    const sent = serving();
    await open();
    await press(screen.getByRole('button', { name: 'Start' }));
    await press(screen.getByRole('button', { name: 'Give up' }));
    await run(splitsOf('roof').map(() => 10));
    await press(screen.getByRole('button', { name: 'Leave it out' }));
    await settle();
    expect(sent).toEqual([]);
    expect(screen.getByRole('button', { name: 'Start' })).toBeTruthy();
  });
  test('it is kept under whoever is chosen', async () => {
    const sent = serving({ camp: { ...CAMP, learners: LEARNERS } });
    await open('?who=sedge');
    await run(splitsOf('roof').map(() => 12));
    await press(screen.getByRole('button', { name: 'Keep it' }));
    await settle();
    expect((sent[0]!.body as { entries: LogEntry[] }).entries[0]!.by).toBe('sedge');
  });
});

describe('what came of it', () => {
  test('best and spread, faults counted, weeks in order: as the core has them', async () => {
    serving({ camp: { ...CAMP, learners: LEARNERS }, log: SPRING });
    const [who] = LEARNERS.filter((l) => pitchesOf(SPRING, l.id).filter((p) => p.of === 'roof').length > 2);
    await open(`?who=${who!.id}`);
    const pitches = pitchesOf(SPRING, who!.id);
    const times = timesOf(pitches.filter((p) => p.of === 'roof'))!;
    expect(screen.getByText(`${capital(PITCHES.roof)}: ${timesWords(times)}.`)).toBeTruthy();
    const listed = within(screen.getByRole('list', { name: 'What was wrong' })).queryAllByRole('listitem');
    expect(listed.map((li) => li.textContent)).toEqual(
      faultsSeen(pitches).map((f) => `${capital(PITCH_FAULTS[f.fault].name)}${f.count} of ${pitches.length}`),
    );
    const bars = within(screen.getByRole('list', { name: /week by week/ }))
      .getAllByRole('listitem')
      .map((li) => li.textContent.split(' ').map(Number));
    for (const [low, mid, high] of bars) {
      expect(low).toBeLessThanOrEqual(mid!);
      expect(mid).toBeLessThanOrEqual(high!);
    }
    expect(Math.min(...bars.map((b) => 60 * b[0]!))).toBeCloseTo(times.best, 0);
  });
  test('who has pitched nothing is told so', async () => {
    serving();
    await open();
    expect(screen.getByText(/has pitched nothing against the watch yet/)).toBeTruthy();
  });
});
