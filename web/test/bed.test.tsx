import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, fireEvent, render as bare, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MemoryRouter } from 'react-router';
import type { ReactElement } from 'react';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import type { RidgeRig } from '@rough-bight/core/rig';
import { judgeRig } from '@rough-bight/core/shelter';
import type { Drip, RoofAdvice } from '@rough-bight/core/shelter';
import { system } from '../src/app/theme/index.js';
import { BedStep, DripLine } from '../src/views/bench/bed-controls.js';
import { BedReport } from '../src/views/bench/bed-report.js';
import { casesTogether } from '../src/views/bench/cases-together.js';
import { Ledger } from '../src/views/bench/ledger.js';
import { choose } from './choose.js';

afterEach(cleanup);

const render = (shown: ReactElement): void =>
  void bare(
    <ChakraProvider value={system}>
      <MemoryRouter>{shown}</MemoryRouter>
    </ChakraProvider>,
  );

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/river-bed-under-the-fly.rig.json'), 'utf8'));
const context = contextOf(file);
const { report } = judgeRig(file.rig, context, { full: true, spreads: false });
const { bed } = report;

describe('water on a line', () => {
  const drip: Drip = {
    id: 'strap0',
    of: 'strap',
    name: 'first strap',
    edge: 0.6,
    at: [0.6, 0, 1.6],
    slope: -0.4,
    runsIn: true,
    breaks: null,
    tailAt: 0.7,
    wets: true,
  };
  test('runs in: says how steeply, where a tail belongs, and ties it there', () => {
    const onTie = jest.fn();
    render(<DripLine drip={drip} tail={null} onTie={onTie} />);
    expect(screen.getByText(/Water runs in, 23° down, and into the bed/).textContent).toContain('0.70 m');
    fireEvent.click(screen.getByRole('button', { name: 'Tie a tail there' }));
    expect(onTie).toHaveBeenCalledWith(0.7);
  });
  test('with a tail it drips off, and the tail can be taken off again', () => {
    const onTie = jest.fn();
    render(<DripLine drip={{ ...drip, breaks: 'tail', wets: false }} tail={0.7} onTie={onTie} />);
    expect(screen.getByText(/drips off its tail/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take the tail off' }));
    expect(onTie).toHaveBeenCalledWith(null);
  });
  test.each([
    [{ runsIn: false, wets: false, slope: 0.1 }, /rises inward/],
    [{ breaks: 'connector' as const, wets: false }, /drips off the metal hook/],
    [{ wets: false }, /not onto the bed/],
  ])('%j', (part, words) => {
    render(<DripLine drip={{ ...drip, ...part }} tail={null} onTie={jest.fn()} />);
    expect(screen.getByText(words)).toBeTruthy();
  });
  test('on the ridgeline the other way out is said too', () => {
    render(<DripLine drip={{ ...drip, id: 'ridge0' }} tail={null} onTie={jest.fn()} />);
    expect(screen.getByText(/or run the line over the cloth/)).toBeTruthy();
  });
});

describe('the report of a bed', () => {
  const advice: RoofAdvice[] = [{ id: 'lower', text: 'Lower the ridge by 0.10 m.', effect: 'all dry', rig: file.rig }];
  test('tells its height, both ends and the roof over it; advice is taken by a button', () => {
    const onTake = jest.fn();
    render(<BedReport rig={file.rig} bed={bed!} body={context.body} advice={advice} onTake={onTake} />);
    const region = screen.getByRole('region', { name: 'The bed' });
    expect(within(region).getByRole('button', { name: /^lowest place over the ground, lying: 0\.45 m/ })).toBeTruthy();
    const strap = within(region).getByRole('row', { name: /^Strap/ });
    expect(within(strap).getAllByRole('button')).toHaveLength(2);
    expect(region.textContent).toMatch(/suits this weather/);
    fireEvent.click(within(region).getByRole('button', { name: 'Do that' }));
    expect(onTake).toHaveBeenCalledWith(file.rig);
  });
  test('while advice is worked out it says so', () => {
    render(<BedReport rig={file.rig} bed={bed!} body={context.body} advice={null} onTake={jest.fn()} />);
    expect(screen.getByText(/is being tried/)).toBeTruthy();
  });
  test('the ledger holds roof and bed, each trunk once, and names every case', () => {
    const { rows } = report;
    expect(rows.filter((r) => r.id === 'trunk0')).toHaveLength(1);
    const ledger = (chosen: string | null): ReactElement => (
      <Ledger
        rows={rows}
        cases={casesTogether(report)}
        full
        rule="factor"
        onRule={jest.fn()}
        chosen={chosen}
        onChoose={jest.fn()}
      />
    );
    render(ledger(null));
    expect(screen.getAllByRole('listitem')).toHaveLength(rows.length);
    const opened = (name: string): string => {
      cleanup();
      render(ledger(rows.find((r) => r.name === name)!.id));
      return screen.getByRole('listitem', { name: new RegExp(`^${name}$`, 'i') }).textContent!;
    };
    expect(opened('first strap')).toMatch(/dropping in/);
    expect(opened('the upstream alder')).toMatch(/as pitched, dropping in/);
  });
});

describe('hanging a bed', () => {
  const shown = (rig: RidgeRig, edit = jest.fn((_: RidgeRig): string | null => null), put = jest.fn()) => {
    render(
      <BedStep
        said={null}
        rig={rig}
        context={context}
        bed={bed}
        shown="lying"
        onShow={jest.fn()}
        edit={edit}
        put={put}
      />,
    );
    if (rig.bed !== undefined) fireEvent.click(screen.getByRole('button', { name: 'More of Bed' }));
    return { edit, put };
  };
  test('a rig without one offers those of the kit, with straps that reach', async () => {
    const { bed: gone, ...without } = file.rig;
    expect(gone).toBeDefined();
    const { put } = shown(without);
    expect(screen.getByText(/No higher than you are willing to fall/)).toBeTruthy();
    await choose('Hang a bed');
    const hung = put.mock.calls[0]![0] as RidgeRig;
    expect(hung.bed!.bed).toBe('river-bed');
    expect(() => judgeRig(hung, context, { full: false })).not.toThrow();
  });
  test('a strap goes to a mark of one’s own body', () => {
    const { edit } = shown(file.rig);
    fireEvent.change(screen.getAllByLabelText('at')[0]!, { target: { value: 'shoulder' } });
    expect(edit.mock.calls[0]![0].bed!.ends[0].height).toBe(context.body.shoulder);
  });
  test('what does not fit together is said at the field, as typed', () => {
    shown(
      file.rig,
      jest.fn((_: RidgeRig) => 'Made for one.'),
    );
    const people = screen.getByLabelText('People');
    fireEvent.change(people, { target: { value: '2' } });
    fireEvent.keyDown(people, { key: 'Enter' });
    expect(screen.getByText('Made for one.')).toBeTruthy();
    expect((people as HTMLInputElement).value).toBe('2');
  });
  test('it is taken down again', () => {
    const { put } = shown(file.rig);
    fireEvent.click(screen.getByRole('button', { name: 'Take the bed down' }));
    expect((put.mock.calls[0]![0] as RidgeRig).bed).toBeUndefined();
  });
});
