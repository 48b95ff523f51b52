import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ReactElement } from 'react';
import { evaluateRidge } from '@rough-bight/core/rig';
import { reportOf } from '@rough-bight/core/shelter';
import type { KitCord, RidgeRig } from '@rough-bight/core/rig';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { escape } from './press.js';
import { render } from './render.js';
import { rangeText } from '../src/parts/figure.js';
import { WorkingContext } from '../src/parts/units.js';
import { WorkingPanel } from '../src/parts/working.js';
import { FlatScene } from '../src/scene/flat/flat-scene.js';
import { casesTogether } from '../src/views/bench/cases-together.js';
import { Ledger } from '../src/views/bench/ledger.js';
import type { LineReport } from '../src/workers/report.js';
import { marksOf } from '../src/views/bench/steps.js';

afterEach(cleanup);

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
  person: { body: BodyMeasures };
  kit: KitCord[];
  rigs: { rig: RidgeRig }[];
};
const { body } = camp.person;
const units = { length: 'm', force: 'N' } as const;
const reportOn = (rig: RidgeRig): LineReport => {
  const line = evaluateRidge(rig, { kit: camp.kit, body, required: DEFAULT_REQUIRED });
  return { ...reportOf(rig, { kit: camp.kit, straps: [] }, true, { line, roof: null, bed: null }), line };
};
const [gable, bank, drying] = camp.rigs.map((r) => r.rig) as [RidgeRig, RidgeRig, RidgeRig];

describe('the ledger', () => {
  const report = reportOn(drying);
  const shown = (chosen: string | null, onOpen = jest.fn((_: Figure) => undefined), onChoose = jest.fn()) => (
    <WorkingContext.Provider value={onOpen}>
      <Ledger
        rows={report.rows}
        cases={casesTogether(report)}
        full
        rule="factor"
        onRule={jest.fn()}
        chosen={chosen}
        onChoose={onChoose}
      />
    </WorkingContext.Provider>
  );

  test('weakest first, each with its word and its strands', () => {
    const onChoose = jest.fn();
    render(shown(null, undefined, onChoose));
    const rows = screen.getAllByRole('listitem');
    expect(rows).toHaveLength(3);
    expect(rows[0]!.textContent).toMatch(/^Ridgeline.*pulley-style hitch at the split willow.*short$/);
    expect(within(rows[0]!).getByRole('img').getAttribute('aria-label')).toBe('3 of ten strands spare, short');
    expect(within(rows[2]!).getByRole('img').getAttribute('aria-label')).toBe('9 of ten strands spare, plenty');
    fireEvent.click(within(rows[0]!).getByRole('button', { name: /^Ridgeline/ }));
    expect(onChoose).toHaveBeenCalledWith('ridge');
  });

  test('a row opens to its reductions and the three schools; its numbers open their working', () => {
    const open = jest.fn((_: Figure) => undefined);
    render(shown('ridge', open));
    for (const school of ['factor of safety', 'working share', 'chance of failure'])
      expect(screen.getAllByRole('row', { name: new RegExp(school) })).toHaveLength(report.rows[0]!.links.length);
    fireEvent.click(screen.getByRole('button', { name: /^strength kept in a pulley-style hitch: 50 %/ }));
    expect(open.mock.calls[0]![0]).toMatchObject({ symbol: 'f_knot', range: [0.4, 0.6] });
  });
});

describe('a working', () => {
  test('unfolds down to the source, and closes with Escape', async () => {
    const close = jest.fn();
    const margin = reportOn(drying).line.ledger[0]!.link.margin;
    render(<WorkingPanel figure={margin} onClose={close} />);
    expect(screen.getByRole('heading').textContent).toBe('Margin of pulley-style hitch at the split willow');
    fireEvent.click(screen.getByRole('button', { name: /tension at the split willow/ }));
    expect(screen.getByText(/Irvine, Cable Structures, 1981/)).not.toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /span.*5\.40 m/ }));
    expect(screen.getByText('taped')).not.toBeNull();
    // not from elsewhere on the page
    await escape('Working', document.body);
    expect(close).not.toHaveBeenCalled();
    await escape('Working');
    expect(close).toHaveBeenCalledTimes(1);
  });
});

test('a range tells its unit where it is not the one of its value', () => {
  const sag = (value: number, range: [number, number]): Figure => ({
    symbol: 'f',
    title: 'sag',
    value,
    quantity: 'length',
    range,
  });
  const feet = { length: 'ft', force: 'lbf' } as const;
  expect(rangeText(sag(0.03, [-0.61, 0.61]), feet)).toBe('-2.00 ft to 2.00 ft');
  expect(rangeText(sag(0.2, [0.1, 0.61]), feet)).toBe('3.9 in to 2.00 ft');
  expect(rangeText(sag(0.05, [0.04, 0.06]), feet)).toBe('1.6 to 2.4');
  expect(rangeText(sag(0.05, [0.0501, 0.0502]), feet)).toBeNull();
});

describe('the scene', () => {
  const scene = (
    rig: RidgeRig,
    judged: RidgeRig | null,
    onNudge = jest.fn((_: RidgeRig) => undefined),
  ): ReactElement => (
    <FlatScene
      view="side"
      caseId="pitched"
      chosen={null}
      beside={null}
      onLine={jest.fn()}
      onGrip={jest.fn()}
      rig={rig}
      report={judged === null ? null : reportOn(judged)}
      kit={camp.kit}
      body={body}
      moving={false}
      onMove={jest.fn()}
      onMoveEnd={jest.fn()}
      bed={null}
      straps={null}
      onNudge={onNudge}
    />
  );

  test('everything that can be moved is a named handle', () => {
    render(scene(gable, gable));
    expect(screen.getAllByRole('slider').map((s) => s.getAttribute('aria-label'))).toEqual([
      'Move the upstream alder',
      'Move the downstream alder',
      'Tie height at the upstream alder',
      'Tie height at the downstream alder',
      'Move lantern',
      'Move one end of the roof',
      'Move the other end of the roof',
      'Haul or slacken the line',
    ]);
  });

  test('arrow keys move what is held, and nothing else', () => {
    const nudged = jest.fn((_: RidgeRig) => undefined);
    render(scene(gable, gable, nudged));
    const tie = screen.getByRole('slider', { name: 'Tie height at the upstream alder' });
    fireEvent.keyDown(tie, { key: 'ArrowUp' });
    expect(nudged.mock.calls[0]![0].trunks[0].tieHeight).toBeCloseTo(1.85, 9);
    fireEvent.keyDown(tie, { key: 'x' });
    expect(nudged).toHaveBeenCalledTimes(1);
  });

  test('a judgement a moment behind the hand does not break it', () => {
    const more = { ...gable, hung: [...gable.hung, { id: 'b', name: 'bag', mass: 1, wetMass: 1, area: 0, at: 2.5 }] };
    render(scene(more, gable));
    expect(screen.queryByRole('slider', { name: 'Move bag' })).toBeNull();
    cleanup();
    render(scene({ ...gable, hung: [] }, gable));
    cleanup();
    render(scene(gable, null));
    expect(screen.getAllByRole('slider')).toHaveLength(4);
  });
});

test('the tape marks each step by whether it holds', () => {
  const states = (rig: RidgeRig): Record<string, string> =>
    Object.fromEntries(marksOf(rig, reportOn(rig), body, units).map((m) => [m.id, m.state]));
  expect(states(gable)).toMatchObject({
    ground: 'holds',
    ridge: 'holds',
    hang: 'holds',
    // a roof lies on it, and nothing holds that
    guy: 'fails',
    weather: 'holds',
  });
  expect(states(bank)).toMatchObject({ ground: 'fails', ridge: 'fails', weather: 'fails' });
  expect(states(drying)).toMatchObject({ ground: 'holds', ridge: 'fails' });
});
