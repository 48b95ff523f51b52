import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, fireEvent, render as bare, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MemoryRouter } from 'react-router';
import type { ReactElement } from 'react';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import type { RigFile } from '@rough-bight/core/formats';
import { findTermination } from '@rough-bight/core/catalogue';
import { BOTH_ENDS, bothEnds, measuredSpan, rigProblems } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { gustSpeed } from '@rough-bight/core/rig';
import { judgeRig } from '@rough-bight/core/shelter';
import { sayEnd } from '@rough-bight/core/words';
import { system } from '../src/app/theme/index.js';
import type { Camp } from '../src/data/types.js';
import { GroundControls, GroundQuick } from '../src/views/bench/ground-controls.js';
import { GuyAlone, GuyControls, GuyQuick } from '../src/views/bench/guy-controls.js';
import { HangControls } from '../src/views/bench/hang-controls.js';
import { casesTogether } from '../src/views/bench/cases-together.js';
import { Ledger } from '../src/views/bench/ledger.js';
import { PitchRoof } from '../src/views/bench/pitch-roof.js';
import { PitchWeather } from '../src/views/bench/pitch-weather.js';
import { RidgeControls, RidgeQuick } from '../src/views/bench/ridge-controls.js';
import { RoofControls, RoofQuick } from '../src/views/bench/roof-controls.js';
import { withoutRoof } from '../src/views/bench/without-roof.js';
import { marksOf } from '../src/views/bench/steps.js';
import { StrongWind, WeatherControls, WeatherQuick } from '../src/views/bench/weather-controls.js';
import type { LineReport, RoofReport } from '../src/workers/report.js';
import { choose } from './choose.js';
import { press } from './press.js';

afterEach(cleanup);

const UNITS = { length: 'm', force: 'N' } as const;
const render = (shown: ReactElement): void =>
  void bare(
    <ChakraProvider value={system}>
      <MemoryRouter>{shown}</MemoryRouter>
    </ChakraProvider>,
  );
const read = (name: string): RigFile =>
  readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
const file = read('gravel-spit-gable');
const context = contextOf(file);
/** Judged in a gust from one bearing, or (null) from all sixteen. */
const judge = (rig: RidgeRig, around_ = context, from: number | null = 0): RoofReport => {
  const wind = { speed: gustSpeed(rig), from };
  return judgeRig(rig, around_, { full: true, spreads: false, wind }).report as RoofReport;
};
const judgement = judge(file.rig);
const bareRig = withoutRoof(file.rig);
const lineReport = judgeRig(bareRig, context, { full: true }).report as LineReport;

/** What a control edits, as the bench does: refused where it does not fit together. */
function editor(rig: RidgeRig) {
  const edit = jest.fn((next: RidgeRig): string | null => rigProblems(next, context)[0]?.message ?? null);
  return {
    edit,
    editing: { rig, kit: context.kit, pegs: context.pegs, body: context.body, edit },
    last: () => edit.mock.calls.at(-1)![0],
  };
}
function type(field: HTMLElement, text: string): void {
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}

describe('the ground', () => {
  test('a paced span becomes the same span taped; a tape turned to paces keeps both numbers', async () => {
    const paced: RidgeRig = { ...bareRig, span: { how: 'paces', tape: 3, paces: 8 } };
    const { editing, last } = editor(paced);
    render(<GroundControls {...editing} />);
    await press(screen.getByLabelText('Taped'));
    expect(last().span).toEqual({
      how: 'tape',
      tape: Math.round(measuredSpan(paced, context.body) * 100) / 100,
      paces: 8,
      // it is known no better for being called taped
      sd: Math.round(1000 * measuredSpan(paced, context.body) * context.body.paceSpread) / 1000,
    });
    cleanup();
    const taped = editor(bareRig);
    render(<GroundControls {...taped.editing} />);
    await press(screen.getByLabelText('Paced'));
    expect(taped.last().span).toEqual({ ...bareRig.span, how: 'paces' });
  });
  test('paces say what they come to and how far that may be off', () => {
    render(<GroundQuick {...editor({ ...bareRig, span: { how: 'paces', tape: 3, paces: 8 } }).editing} />);
    const span = 8 * context.body.pace;
    expect(
      screen.getByText(`${span.toFixed(2)} m, within ${(context.body.paceSpread * span * 1.645).toFixed(2)} m`),
    ).toBeTruthy();
  });
  test('a sign found by looking up goes on that trunk, and off again', async () => {
    const { editing, last } = editor(bareRig);
    render(<GroundControls {...editing} />);
    await press(screen.getAllByLabelText('fungus on stem or foot')[1]!);
    expect(last().trunks.map((t) => t.signs)).toEqual([[], ['fungus']]);
    cleanup();
    const found = editor({
      ...bareRig,
      trunks: [{ ...bareRig.trunks[0], signs: ['fungus', 'hollow'] }, bareRig.trunks[1]],
    });
    render(<GroundControls {...found.editing} />);
    await press(screen.getAllByLabelText('fungus on stem or foot')[0]!);
    expect(found.last().trunks[0].signs).toEqual(['hollow']);
  });
  test('a girth beyond reason stays as typed with what is allowed; nothing is edited', () => {
    const { editing, edit } = editor(bareRig);
    render(<GroundControls {...editing} />);
    const girth = screen.getAllByLabelText('Girth')[0] as HTMLInputElement;
    type(girth, '99');
    expect(girth.value).toBe('99');
    expect(screen.getByRole('alert').textContent).toMatch(/^Girth can be from \d.* m\.$/);
    expect(edit).not.toHaveBeenCalled();
  });
  test('on a drawn place it leads back to the plan', () => {
    const site = { place: 'spit', from: 'a', to: 'b' };
    render(<GroundControls {...editor({ ...bareRig, site }).editing} />);
    expect(screen.getByRole('link', { name: /See the plan/ }).getAttribute('href')).toBe('/places/spit/choose');
  });
});

describe('the ridge', () => {
  const shown = (rig: RidgeRig, report: LineReport | RoofReport = lineReport) => {
    const e = editor(rig);
    render(
      <>
        <RidgeQuick editing={e.editing} />
        <RidgeControls editing={e.editing} report={report} question={null} />
      </>,
    );
    return e;
  };
  const how = (way: RidgeRig['tensioning']['how']): RidgeRig => ({
    ...bareRig,
    tensioning: { ...bareRig.tensioning, how: way },
  });
  test.each([
    ['tension', 'Tension at tying off', '150', { tension: 150 }],
    ['sag', 'Sag with everything on', '0.2', { sag: 0.2 }],
    ['dip', 'It drops by', '0.06', { dip: { ...bareRig.tensioning.dip, drop: 0.06 } }],
    ['dip', 'Test mass', '1.5', { dip: { ...bareRig.tensioning.dip, mass: 1.5 } }],
    ['passes', 'Passes round the trunk', '3', { passes: { ...bareRig.tensioning.passes, count: 3 } }],
    ['pulley', 'Lost on tying off', '0.03', { pulley: { ...bareRig.tensioning.pulley, setBack: 0.03 } }],
  ] as const)('made tight by %s: %s is set, every other way keeps its numbers', (way, label, text, set) => {
    const { last } = shown(how(way));
    type(screen.getByLabelText(label), text);
    expect(last().tensioning).toEqual({ ...bareRig.tensioning, how: way, ...set });
  });
  test('what it comes to: tension, sag and travel, each with its working', () => {
    shown(bareRig);
    for (const title of ['straight and bare', 'with its loads', 'sag', 'travel wanted'])
      expect(
        within(screen.getByText(title, { selector: 'dt' }).parentElement!).getAllByRole('button').length,
      ).toBeGreaterThan(0);
  });
  test('its cord and ends: a cord out of the kit is asked for; a mark of the body sets the tie', async () => {
    const { last } = shown({ ...bareRig, cord: 'gone' });
    await press(screen.getByRole('tab', { name: 'Cord and ends' }));
    const cord = screen.getByLabelText('From the kit') as HTMLSelectElement;
    expect(cord.selectedOptions[0]!.text).toBe('choose a cord');
    fireEvent.change(cord, { target: { value: context.kit[0]!.id } });
    expect(last().cord).toBe(context.kit[0]!.id);
    fireEvent.change(screen.getAllByLabelText('at')[1]!, { target: { value: 'chest' } });
    expect(last().trunks.map((t) => t.tieHeight)).toEqual([bareRig.trunks[0].tieHeight, context.body.chest]);
    type(screen.getAllByLabelText('Wraps')[0]!, '2.5');
    // the cord that is gone holds up every other change, and says so where each was tried
    expect(screen.getAllByRole('alert').map((a) => a.textContent)).toEqual([
      'Wraps is counted in whole ones, from 0 to 8.',
      'This cord is no longer in the kit. Choose another.',
    ]);
  });
  test('both ends at once: each choice says the heights that it gives, and gives them', async () => {
    const uneven = { ...bareRig, groundRise: 0.25 };
    for (const [k, to] of BOTH_ENDS.entries()) {
      cleanup();
      const { last } = shown(uneven);
      await choose('Both ends', k);
      expect(last().trunks.map((t) => t.tieHeight)).toEqual(bothEnds(uneven, context.body, to));
      expect(last()).toEqual({ ...uneven, trunks: last().trunks });
    }
  });
  test('an end says how it lets go, what it leaves and what keeps it', async () => {
    const { last } = shown({ ...bareRig, ends: [{ termination: 'cranked', wraps: 1 }, bareRig.ends[1]] });
    await press(screen.getByRole('tab', { name: 'Cord and ends' }));
    expect(screen.getByText(sayEnd(findTermination('cranked')!))).toBeTruthy();
    fireEvent.change(screen.getAllByLabelText('Hitch')[0]!, { target: { value: 'metal-hook' } });
    expect(last().ends[0].termination).toBe('metal-hook');
  });
  test('with a roof on it the line alone has no chart, and it is told how tight it is with the roof', () => {
    shown(file.rig, judgement);
    expect(screen.queryByRole('tab', { name: 'Tension and sag' })).toBeNull();
    const ridge = judgement.rows.find((r) => r.role === 'ridge')!;
    expect(screen.getByText(`${ridge.name}, as pitched`).nextSibling!.textContent).toBe(
      `${ridge.pitched.toFixed(0)} N`,
    );
    expect(screen.getByText('sag with the roof on').nextSibling!.textContent).toBe(
      `${judgement.roof.sag!.toFixed(2)} m`,
    );
  });
});

describe('what hangs on the line', () => {
  test('something is hung in the middle, named anew, and taken off', () => {
    const { editing, last } = editor({ ...bareRig, hung: [] });
    render(<HangControls {...editing} />);
    expect(screen.getByText(/A lantern, a drying coat/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Hang something' }));
    const [hung] = last().hung;
    expect(hung!.at).toBeCloseTo(measuredSpan(bareRig, context.body) / 2, 1);
    cleanup();
    const with_ = editor({ ...bareRig, hung: [{ id: 'x', name: 'lantern', mass: 0.5, wetMass: 0.5, area: 0, at: 2 }] });
    render(<HangControls {...with_.editing} />);
    type(screen.getByLabelText('What'), '  coat ');
    expect(with_.last().hung[0]!.name).toBe('coat');
    type(screen.getByLabelText('What'), ' ');
    expect(screen.getByRole('alert').textContent).toBe('What cannot be empty.');
    fireEvent.click(screen.getByRole('button', { name: 'Take lantern off the line' }));
    expect(with_.last().hung).toEqual([]);
  });
  test('cloth has an area and a soaked mass; what never soaks weighs the same wet', () => {
    const lamp = { id: 'x', name: 'lantern', mass: 0.5, wetMass: 0.5, area: 0, at: 2 };
    const { editing, last } = editor({ ...bareRig, hung: [lamp] });
    render(<HangControls {...editing} />);
    type(screen.getByLabelText('Cloth'), '5');
    expect(last().hung[0]!.area).toBe(5);
    type(screen.getByLabelText('Mass'), '0.7');
    expect(last().hung[0]).toMatchObject({ mass: 0.7, wetMass: 0.7 });
    cleanup();
    const soaked = editor({ ...bareRig, hung: [{ ...lamp, wetMass: 1.2 }] });
    render(<HangControls {...soaked.editing} />);
    type(screen.getByLabelText('Mass'), '0.9');
    expect(soaked.last().hung[0]).toMatchObject({ mass: 0.9, wetMass: 1.2 });
  });
});

describe('the roof', () => {
  test('each kit roof that fits the span can be pitched, and what comes of it can be judged', async () => {
    const camp = { kit: context.kit, roofs: context.roofs, pegs: context.pegs } as unknown as Camp;
    const onPitch = jest.fn();
    render(<PitchRoof rig={bareRig} camp={camp} body={context.body} onPitch={onPitch} />);
    await choose('Pitch a roof');
    const pitched = onPitch.mock.calls[0]![0] as RidgeRig;
    expect(rigProblems(pitched, context)).toEqual([]);
    expect(judge(pitched).roof.cases.length).toBeGreaterThan(3);
    cleanup();
    render(<PitchRoof rig={bareRig} camp={{ ...camp, pegs: [] }} body={context.body} onPitch={onPitch} />);
    expect(screen.getByRole('link', { name: 'the kit' }).getAttribute('href')).toBe('/kit');
    cleanup();
    const near = { ...bareRig, span: { ...bareRig.span, tape: 1.5 } };
    render(<PitchRoof rig={near} camp={camp} body={context.body} onPitch={onPitch} />);
    expect(screen.getByText(/longer than this span/)).toBeTruthy();
  });
  test('another form comes in its usual shape, and asks only what it reads', () => {
    const { editing, last } = editor(file.rig);
    render(
      <>
        <RoofQuick editing={editing} />
        <RoofControls editing={editing} roofs={context.roofs} report={judgement} />
      </>,
    );
    expect(screen.getByLabelText('Left edge')).toBeTruthy();
    expect(screen.queryByLabelText('Prop')).toBeNull();
    expect(screen.getByText(/^Covers \d/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Form'), { target: { value: 'leanto' } });
    expect(last().pitch!.form).toBe('leanto');
    expect(judge(last()).roof.guys.length).toBeGreaterThan(2);
    type(screen.getByLabelText('Right edge'), '0');
    expect(last().pitch!.shape.edges).toEqual([file.rig.pitch!.shape.edges[0], 0]);
  });
  test('a hitch: type, cord and wraps by themselves; its grip dry and wet, with what is against it', async () => {
    const { editing, last } = editor(file.rig);
    render(<RoofControls editing={editing} roofs={context.roofs} report={judgement} />);
    await press(screen.getByRole('tab', { name: 'Hitches' }));
    const second = within(screen.getByText('Second hitch').parentElement!);
    type(second.getByLabelText('Wraps'), '4');
    expect(last().pitch!.hitches.map((h) => h.wraps)).toEqual([file.rig.pitch!.hitches[0].wraps, 4]);
    await press(second.getByRole('checkbox', { name: 'A turn crosses another' }));
    expect(last().pitch!.hitches[1].crossed).toBe(true);
    expect(second.getByText(/^Grip ratio/).textContent).toMatch(/dry, .* wet\. It is pulled with \d+ N/);
  });
});

describe('guys', () => {
  const shown = (rig: RidgeRig, chosen: string | null = null, place?: Parameters<typeof GuyControls>[0]['place']) => {
    const e = editor(rig);
    const onTouch = jest.fn();
    const report = judge(rig);
    const guy = report.roof.guys.find((g) => g.id === chosen);
    const shared = { editing: e.editing, pegs: context.pegs, report };
    render(
      guy === undefined ? (
        <>
          <GuyQuick editing={e.editing} />
          <GuyControls {...shared} place={place} chosen={chosen} onTouch={onTouch} />
        </>
      ) : (
        <GuyAlone {...shared} guy={guy} />
      ),
    );
    return { ...e, onTouch };
  };
  test('all alike or one alone: what is set goes there', () => {
    const all = shown(file.rig);
    type(screen.getByLabelText('Hauled with'), '55');
    expect(all.last().pitch!.guy.haul).toBe(55);
    // for all of them no one tree can be chosen
    expect([...(screen.getByLabelText('To') as HTMLSelectElement).options].map((o) => o.value)).not.toContain('tree');
    fireEvent.click(screen.getByRole('button', { name: 'left middle guy' }));
    expect(all.onTouch.mock.calls[0]![0]).toMatchObject({ id: 'guy 01' });
    cleanup();
    const one = shown(file.rig, 'guy 01');
    type(screen.getByLabelText('Hauled with'), '55');
    expect(one.last().pitch!.own['01']).toEqual({ ...file.rig.pitch!.own['01'], haul: 55 });
    fireEvent.click(screen.getByRole('button', { name: 'Haul it first' }));
    expect(one.last().pitch!.order[0]).toBe('01');
  });
  test('given to a tree of the rig: the nearest first, any other by name, its own never', () => {
    const sapling = { kind: 'stem', name: 'the sapling', wood: 'willow', girth: 0.3, height: 0.2, signs: [] } as const;
    const own = { '02': { anchor: sapling, foot: [6.2, 2.2] as const } };
    const rig = { ...file.rig, pitch: { ...file.rig.pitch!, own } };
    const one = shown(rig, 'guy 01');
    fireEvent.change(screen.getByLabelText('To'), { target: { value: 'tree' } });
    expect(one.last().pitch!.own['01']!.anchor).toMatchObject({ kind: 'tree', height: 0.3 });
    cleanup();
    const tied = one.last();
    const two = shown(tied, 'guy 01');
    const trees = [...(screen.getByLabelText('Tree') as HTMLSelectElement).options].map((o) => o.text);
    expect(trees).toEqual([rig.trunks[0].name, rig.trunks[1].name, 'the sapling of second left corner guy']);
    fireEvent.change(screen.getByLabelText('Tree'), { target: { value: 'guy-tree 02' } });
    expect(two.last().pitch!.own['01']!.anchor).toMatchObject({ tree: 'guy-tree 02' });
    cleanup();
    shown(two.last());
    expect(screen.getByRole('row', { name: /^left middle guy/ }).textContent).toMatch(/on the sapling$/);
    cleanup();
    shown(two.last(), 'guy 02');
    // whose tree it is cannot be taken out from under the other, by a choice or by a button
    fireEvent.change(screen.getByLabelText('To'), { target: { value: 'root' } });
    expect(screen.getByRole('alert').textContent).toMatch(
      /^A guy is tied to the tree of another guy, which is not there/,
    );
    fireEvent.blur(screen.getByLabelText('To'));
    fireEvent.click(screen.getByRole('button', { name: 'Leave it off' }));
    expect(screen.getByRole('alert').textContent).toMatch(/Choose another tree for it, or what else holds it/);
  });
  test('one left off can be put back; a spare tie-out can take one', () => {
    const off = { ...file.rig, pitch: { ...file.rig.pitch!, own: { '11': { off: true } } } };
    const { last } = shown(off);
    expect(screen.getByText(/One is left off/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Put right middle back' }));
    expect(last().pitch!.own['11']).toEqual({ off: false });
  });
  test('all live on the cloth at a length, one at its own; what is over of it is told beside it', () => {
    const all = shown(file.rig);
    type(screen.getByLabelText('Length on the cloth'), '5');
    expect(all.last().pitch!.guy.kept).toBe(5);
    cleanup();
    const one = shown(all.last(), 'guy 01');
    expect(screen.getByText(/over: hank it and hang it in a fork/)).toBeTruthy();
    type(screen.getByLabelText('Length on the cloth'), '0');
    expect(one.last().pitch!.own['01']!.kept).toBe(0);
    cleanup();
    // too short it says so where it is touched
    const short = { ...one.last(), pitch: { ...one.last().pitch!, own: { '01': { kept: 1 } } } };
    shown(short, 'guy 01');
    expect(screen.getByRole('alert').textContent).toMatch(/as it lives on the cloth is .* too short here/);
    cleanup();
    // cut to need, nothing is said of what is over
    shown(one.last(), 'guy 01');
    expect(screen.queryByText(/hank it and hang it/)).toBeNull();
  });
  test('as all the others again; following the cloth again', () => {
    const own = { '01': { haul: 70, foot: [3.5, 3] as const } };
    const { last } = shown({ ...file.rig, pitch: { ...file.rig.pitch!, own } }, 'guy 01');
    fireEvent.click(screen.getByRole('button', { name: 'Follow the cloth' }));
    expect(last().pitch!.own['01']).toEqual({ haul: 70, foot: null });
    fireEvent.click(screen.getByRole('button', { name: 'As all the others' }));
    expect(last().pitch!.own).toEqual({});
  });
});

describe('the weather', () => {
  test('every case with what it does; touching one asks for its picture', () => {
    const onCase = jest.fn();
    const { editing } = editor(file.rig);
    const all = judge(file.rig, context, null);
    render(<PitchWeather editing={editing} report={all} caseId="pitched" onCase={onCase} />);
    const [table, takeUp] = screen.getAllByRole('table');
    const rows = within(table!).getAllByRole('row').slice(1);
    // the quiet cases and, of each gust, the hardest; the others by their spokes
    const { cases, rose, worst } = all.roof;
    const shown = cases.filter((c) => c.wind === null || worst[c.group] === c.id);
    expect(rows).toHaveLength(shown.length);
    shown.forEach((c, i) => expect(rows[i]!.textContent).toContain(`${c.tension.toFixed(0)} N`));
    fireEvent.click(within(rows.at(-1)!).getByRole('button'));
    expect(onCase).toHaveBeenCalledWith(worst['wet-gust']);
    // what to take in again, line by line, where it is worth a hand's while
    const lines = within(takeUp!).getAllByRole('row').slice(1);
    const slackens = (row: string): boolean => all.roof.takeUp.some((t) => t.row === row && t.by >= 0.005);
    expect(lines.map((l) => within(l).getByRole('rowheader').textContent!.toLowerCase())).toEqual(
      all.roof.rows.filter((r) => slackens(r.id)).map((r) => r.name.toLowerCase()),
    );
    expect(lines[0]!.textContent).toMatch(/\d cm/);
    const dry = screen.getByRole('group', { name: 'Gusts on the dry rig, by bearing' });
    const spokes = within(dry).getAllByRole('button');
    expect(spokes).toHaveLength(16);
    expect(within(dry).getByRole('button', { name: /, the worst$/ })).toBeTruthy();
    fireEvent.keyDown(spokes[3]!, { key: 'Enter' });
    expect(onCase).toHaveBeenLastCalledWith(rose.filter((r) => r.group === 'gust')[3]!.caseId);
  });
  test('wind by its signs; in a gale it says to leave the trees', () => {
    const { editing, last } = editor(bareRig);
    render(
      <>
        <WeatherQuick editing={editing} />
        <WeatherControls editing={editing} report={lineReport} />
      </>,
    );
    fireEvent.change(screen.getByLabelText('Wind by its signs'), { target: { value: '7' } });
    expect(last().wind.beaufort).toBe(7);
    expect(screen.queryByText(/leave the trees/)).toBeNull();
    cleanup();
    render(
      <>
        <StrongWind rig={last()} />
        <WeatherControls editing={editor(last()).editing} report={lineReport} />
      </>,
    );
    expect(screen.getByText(/Lower the roof and leave the trees/)).toBeTruthy();
    expect(screen.getAllByRole('row').length).toBe(lineReport.line.cases.length + 1);
  });
});

describe('the ledger of a line', () => {
  test('weakest first; one opened tells what it holds and what each school says', async () => {
    const onRule = jest.fn();
    const { rows } = lineReport;
    const shown = (chosen: string | null) => (
      <Ledger
        rows={rows}
        cases={casesTogether(lineReport)}
        full
        rule="factor"
        onRule={onRule}
        chosen={chosen}
        onChoose={jest.fn()}
      />
    );
    render(shown(rows[0]!.id));
    const items = screen.getAllByRole('list')[0]!.querySelectorAll(':scope > li');
    const names = [...items].map((li) => li.querySelector('b')!.textContent!.toLowerCase());
    expect(names).toEqual(rows.map((row) => row.name.toLowerCase()));
    expect(within(items[0] as HTMLElement).getAllByRole('row')).toHaveLength(3 * rows[0]!.links.length);
    fireEvent.change(screen.getByLabelText('Judged by'), { target: { value: 'chance' } });
    expect(onRule).toHaveBeenCalledWith('chance');
  });
});

describe('the tape of steps', () => {
  test('a trunk short under roof and bed together fails the ground and the bed', () => {
    const fly = read('river-bed-under-the-fly');
    const with_ = contextOf(fly);
    const state = (rig: RidgeRig): Record<string, string> =>
      Object.fromEntries(marksOf(rig, judge(rig, with_), with_.body, UNITS).map((m) => [m.id, m.state]));
    expect(state(fly.rig)).toMatchObject({ ground: 'holds', bed: 'holds', ridge: 'holds' });
    const thin = {
      ...fly.rig,
      trunks: [{ ...fly.rig.trunks[0], wood: 'willow', girth: 0.52 }, fly.rig.trunks[1]],
    } as const;
    const marks = state(thin);
    expect(judge(thin, with_).roof.rows.find((r) => r.id === 'trunk0')!.links[0]!.judgement.ratio).toBeGreaterThan(1);
    expect(marks).toMatchObject({ ground: 'fails', bed: 'fails' });
  });
  test('of a bare line: what it is, what hangs on it, and that nothing is known before it is judged', () => {
    const texts = Object.fromEntries(marksOf(bareRig, lineReport, context.body, UNITS).map((m) => [m.id, m.text]));
    expect(texts['ground']).toMatch(/^span \d\.\d\d m$/);
    expect(texts['ridge']).toMatch(/^\d+ N, sag (under )?\d\.\d\d m$/);
    expect(marksOf(bareRig, null, context.body, UNITS).every((m) => m.state === 'none')).toBe(true);
  });
});

describe('what else can be told of a rig that stands', () => {
  const fitting = read('prop-on-the-spit');
  test('an end is a stem, a pole between two stays, a boulder, or something on one’s word; a stem’s line may go over a branch', async () => {
    const { editing, last } = editor(bareRig);
    render(<GroundControls {...editing} />);
    const [is] = screen.getAllByLabelText('It is');
    fireEvent.change(is!, { target: { value: 'pole' } });
    expect(last().trunks[0].stand).toMatchObject({ kind: 'pole', cord: bareRig.pitch?.guy.cord ?? bareRig.cord });
    fireEvent.change(is!, { target: { value: 'lump' } });
    expect(last().trunks[0].stand).toEqual({ kind: 'lump', mass: 300 });
    fireEvent.change(is!, { target: { value: 'word' } });
    expect(last().trunks[0].standsOnWord).toBe(true);
    await press(screen.getAllByLabelText('The line goes over a branch of it')[0]!);
    expect(last().trunks[0].branch).toEqual({ thickness: 0.12, out: 0.5 });
  });
  test('a window is opened in either flank', () => {
    const river = read('window-to-the-river');
    const { editing, last } = editor(river.rig);
    render(<RoofControls editing={editing} roofs={contextOf(river).roofs} report={null} />);
    fireEvent.change(screen.getByLabelText('Its window'), { target: { value: 'some' } });
    expect(last().pitch!.shape.side).toBe(1);
  });
  test('a pole’s stays are told beside it, and their anchor changed', () => {
    const first = editor(bareRig);
    render(<GroundControls {...first.editing} />);
    fireEvent.change(screen.getAllByLabelText('It is')[1]!, { target: { value: 'pole' } });
    cleanup();
    const poled = editor(first.last());
    render(<GroundControls {...poled.editing} />);
    type(screen.getByLabelText('Stays reach out'), '2.5');
    expect(poled.last().trunks[1].stand).toMatchObject({ out: 2.5, spread: 1.2 });
    fireEvent.change(screen.getByLabelText('To'), { target: { value: 'weight' } });
    expect(poled.last().trunks[1].stand).toMatchObject({ anchor: { kind: 'weight' } });
    expect(screen.queryAllByLabelText('The line goes over a branch of it')).toHaveLength(1);
  });
  test('a hitch’s join, elastic and hold on the cloth, and no ridgeline at all', async () => {
    const { editing, last } = editor(file.rig);
    render(<RoofControls editing={editing} roofs={context.roofs} report={judgement} />);
    fireEvent.change(screen.getByLabelText('Ridgeline'), { target: { value: 'none' } });
    expect(last().pitch!.line).toBe('none');
    await press(screen.getByRole('tab', { name: 'Hitches' }));
    fireEvent.change(screen.getAllByLabelText('Its join')[0]!, { target: { value: 'turns' } });
    expect(last().pitch!.hitches[0].join).toBe('turns');
    await press(screen.getAllByLabelText('Elastic between hitch and cloth')[1]!);
    expect(last().pitch!.hitches[1].elastic).toEqual({ draw: 0.12, pull: 50 });
  });
  test('the middle of a cloth drawn up or propped, and how its sticks stand', async () => {
    const { editing, last } = editor(fitting.rig);
    const of = contextOf(fitting);
    render(<RoofControls editing={editing} roofs={of.roofs} report={judge(fitting.rig, of)} />);
    fireEvent.change(screen.getByLabelText('Its middle'), { target: { value: 'stick' } });
    expect(last().pitch!.own['up']).toMatchObject({ off: false });
    expect(last().pitch!.own['up']!.stick).toBeGreaterThan(0.5);
    fireEvent.change(screen.getByLabelText('Its middle'), { target: { value: 'cord' } });
    expect(last().pitch!.own['up']!.anchor!.kind).toBe('branch');
    fireEvent.change(screen.getByLabelText('Their feet'), { target: { value: 'stone' } });
    expect(last().pitch!.props).toEqual({ foot: 'stone', rake: 0, padded: true });
    await press(screen.getByLabelText('Heads under the cloth are padded'));
    expect(last().pitch!.props!.padded).toBe(false);
  });
});
