import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './server.js';
import { more, tick } from './press.js';

const saved = (page: Page): Promise<void> => expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');
const verdict = (page: Page): Locator =>
  page.getByRole('region', { name: 'Verdict' }).getByRole('heading', { level: 1 });
const thing = (page: Page, name: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^${name}, .* north`) });
const place = (page: Page): Locator => page.getByRole('textbox', { name: 'East', exact: true });

/** A place of the test's own, copied from the landing, at a step. */
async function ownPlace(page: Page, step = 'Look'): Promise<void> {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('button', { name: 'Copy The landing', exact: true }).click();
  await expect(page).toHaveURL(/\/places\/[0-9a-f-]{36}\/look/);
  await expect(verdict(page)).toHaveText(/^Best: /);
  if (step !== 'Look') await page.getByRole('link', { name: new RegExp(`^${step}`) }).click();
}

async function fill(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(value);
  await field.press('Enter');
}

test('the demo place is ranked, its best opens into reasons, and nothing is wrong in the console', async ({ page }) => {
  const problems: string[] = [];
  page.on('pageerror', (e) => problems.push(e.message));
  page.on('console', (m) => m.type() === 'error' && problems.push(m.text()));
  await page.goto('/');
  await page.getByRole('link', { name: 'The landing' }).click();
  await expect(verdict(page)).toHaveText('Best: Upstream alder to downstream alder, 6.79 m.');
  await page.getByRole('button', { name: 'Show why' }).click();
  await expect(page).toHaveURL(/span=upstream-alder/);
  await expect(page.getByText('Level enough to lie on, dry and clear as far as drawn.', { exact: true })).toBeVisible();
  await expect(page.getByText(/wind from the south-west takes smoke and sparks away/)).toBeVisible();
  await expect(page.getByText(/Local fire rules and the land manager come first/)).toBeVisible();
  await page.getByText('Numbers').first().click();
  await page.getByRole('button', { name: /^clear span, Upstream alder to downstream alder: 6\.79 m/ }).click();
  await expect(page.getByText('from the plan, half of both stems taken off')).toBeVisible();
  await page.getByRole('button', { name: 'Close the working' }).click();
  // the address holds what is open
  await page.reload();
  await expect(page.getByText('Level enough to lie on, dry and clear as far as drawn.', { exact: true })).toBeVisible();
  expect(problems).toEqual([]);
});

test('a tree is put down, named, measured round, ruled out by a sign, and brought back by undo', async ({ page }) => {
  await ownPlace(page);
  await page.getByRole('button', { name: 'Tree', exact: true }).click();
  await expect(page.getByText(/Touch the plan wherever a tree is/)).toBeVisible();
  const plan = (await page.getByRole('application').boundingBox())!;
  await page.mouse.click(plan.x + plan.width * 0.86, plan.y + plan.height * 0.55);
  const name = page.getByRole('textbox', { name: 'Tree', exact: true });
  await name.fill('Ford alder');
  await name.press('Enter');
  await page.getByLabel('Wood', { exact: true }).selectOption('alder');
  await fill(page, 'Girth', '0.72');
  await expect(thing(page, 'Ford alder')).toBeVisible();
  await page.getByText(/^Look up, knock, push/).click();
  await tick(page.getByLabel('sounds hollow'));
  await expect(page.getByRole('button', { name: /^Ford alder, tree, .*ruled out/ })).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: /^Ford alder, tree, .*ruled out/ })).toHaveCount(0);
  await page.reload();
  await expect(thing(page, 'Ford alder')).toBeVisible();
});

test('dragging, arrows and the table move the same thing', async ({ page }) => {
  await ownPlace(page);
  const alder = thing(page, 'spit willow');
  const box = (await alder.locator('[data-part=reach]').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y + 12, { steps: 6 });
  await page.mouse.move(x + 60, y, { steps: 6 });
  await page.mouse.up();
  await alder.press('Enter');
  const dragged = Number(await place(page).inputValue());
  expect(dragged).toBeGreaterThan(15);
  await alder.press('ArrowRight');
  await expect(place(page)).toHaveValue(String(Math.round((dragged + 0.1) * 100) / 100));
  await more(page, 'Look');
  const cell = page.getByRole('textbox', { name: 'spit willow, north' });
  await cell.fill('-2.5');
  await cell.press('Enter');
  await expect(page.getByRole('button', { name: /^spit willow, tree, .* -2\.50 m north/ })).toBeVisible();
  await saved(page);
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: /^spit willow, tree, 13\.4 m east, 1\.40 m north/ })).toBeVisible();
});

test('a dead stem takes spans out as it is dragged near', async ({ page }) => {
  await ownPlace(page);
  await expect(verdict(page)).toHaveText(/Upstream alder to downstream alder/);
  await thing(page, 'dead willow stub').press('Enter');
  await fill(page, 'East', '-3');
  await fill(page, 'North', '2');
  await expect(verdict(page)).not.toHaveText(/Upstream alder/);
  await page.getByRole('button', { name: /^\d+ ruled out$/ }).click();
  await expect(page.getByText(/Dead willow stub can reach .* Nobody sleeps there/).first()).toBeVisible();
});

test('measures: the impossible one is named, put right, and the marks are moved', async ({ page }) => {
  await ownPlace(page, 'Measure');
  await more(page, 'Measure');
  await expect(page.getByText(/Ferry alder to path alder is 1\.\d+ m longer than .* allow/)).toBeVisible();
  await fill(page, 'ferry alder to path alder, paces', '11.5');
  await expect(page.getByText(/allow\. It is left out/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Move the marks to where the measures put them' }).click();
  await saved(page);
  await page.getByLabel('From', { exact: true }).selectOption({ label: 'smooth poplar' });
  await page.getByLabel('To', { exact: true }).selectOption({ label: 'back alder' });
  const before = await page.getByRole('region', { name: 'Measures' }).getByRole('row').count();
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('region', { name: 'Measures' }).getByRole('row')).toHaveCount(before + 1);
  // the stand-in reads or misses; tried often enough it reads
  for (let i = 0; i < 6; i++) {
    await page.getByRole('button', { name: 'Simulated rangefinder' }).click();
    await expect(page.getByRole('main').getByRole('status').first()).toHaveText(/^(Missed|\d)/);
  }
  await expect(page.getByRole('region', { name: 'Measures' }).getByText('back alder').first()).toBeVisible();
});

test('wind by its signs, from the station and for the storm', async ({ page }) => {
  await ownPlace(page, 'Wind');
  await more(page, 'Wind');
  await tick(page.getByRole('radio', { name: /^6 strong breeze/ }));
  await expect(page.getByRole('link', { name: /^Wind/ })).toContainText('strong breeze');
  await fill(page, 'Comes from', '90');
  await expect(page.getByRole('link', { name: /^Wind/ })).toContainText('east');
  await expect(page.getByText('Landing mast, simulated:')).toBeVisible();
  await page.getByRole('button', { name: 'Choose for the worst' }).click();
  await expect(page.getByText(/A storm is coming/)).toBeVisible();
  await expect(page.getByRole('link', { name: /^Wind/ })).toContainText('gale');
  await saved(page);
});

test('what is wanted decides, and a rig is started and another moved there', async ({ page }) => {
  await ownPlace(page, 'Choose');
  await more(page, 'Choose');
  await page.getByLabel('Bed', { exact: true }).selectOption('hammock');
  await expect(page.getByRole('button', { name: /^longest span at which I still reach/ })).toBeVisible();
  await expect(verdict(page)).not.toHaveText(/6\.79/);
  await page.getByLabel('Bed', { exact: true }).selectOption('ground');
  await expect(verdict(page)).toHaveText(/6\.79 m/);
  await page.getByRole('button', { name: 'Show why' }).click();
  await page.getByRole('combobox', { name: 'Or move' }).selectOption({ label: 'Drying line, twine' });
  await page.getByRole('button', { name: 'here', exact: true }).click();
  await expect(
    page.getByText('Drying line, twine now stands between upstream alder and downstream alder.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText(/now stands between/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Start a rig here' }).click();
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\/ridge/);
  await page.getByRole('link', { name: /^Ground/ }).click();
  await more(page, 'Ground');
  await expect(page.getByRole('textbox', { name: 'Between the trunks' })).toHaveValue('6.79');
  await expect(page.getByRole('textbox', { name: 'Name' }).first()).toHaveValue('the upstream alder');
  await page.getByRole('link', { name: 'See the plan and its other spans' }).click();
  await expect(verdict(page)).toHaveText(/^Best: /);
});

test('a place goes out as GeoJSON and comes in again; a bad file leaves it as it was', async ({ page }) => {
  await ownPlace(page);
  await more(page, 'Look');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as GeoJSON' }).click(),
  ]);
  const path = await download.path();
  expect(download.suggestedFilename()).toMatch(/^the-landing-again(-\d+)?\.geojson$/);
  const input = page.locator('input[type=file]');
  await input.setInputFiles({
    name: 'broken.geojson',
    mimeType: 'application/geo+json',
    buffer: Buffer.from('{"type":"FeatureCollection","features":[{"type":"Feature","geometry":null}]}'),
  });
  await expect(page.getByRole('alert')).toHaveText(
    /broken\.geojson was not taken\. Feature 1: has no geometry.*The place is as it was\./,
  );
  await expect(verdict(page)).toHaveText(/6\.79 m/);
  await input.setInputFiles({
    name: 'points.gpx',
    mimeType: 'application/gpx+xml',
    buffer: Buffer.from('<gpx><wpt lat="51.5" lon="-1.2"><name>Ford stone</name><type>boulder</type></wpt></gpx>'),
  });
  await expect(page.getByText('points.gpx: 1 waypoint was added.')).toBeVisible();
  await expect(thing(page, 'Ford stone')).toBeVisible();
  await input.setInputFiles({
    name: 'again.geojson',
    mimeType: 'application/geo+json',
    buffer: readFileSync(path),
  });
  await expect(page.getByText(/things replaced what was drawn/)).toBeVisible();
  await expect(thing(page, 'Ford stone')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(thing(page, 'Ford stone')).toBeVisible();
  // the waypoint brought an origin: files go out in degrees, and it can be put elsewhere
  await page.getByText(/^Its zero lies at 51\.50000, -1\.20000/).click();
  await fill(page, 'Latitude', '51.6');
  const [there] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as GeoJSON' }).click(),
  ]);
  const file = JSON.parse(readFileSync(await there.path(), 'utf8')) as {
    features: { geometry: { coordinates: [number, number] } }[];
  };
  expect(file.features[0]!.geometry.coordinates[1]).toBeCloseTo(51.6, 3);
  await page.getByRole('link', { name: /^Measure/ }).click();
  await more(page, 'Measure');
  await expect(page.getByRole('button', { name: 'Note it' })).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'd.csv', mimeType: 'text/csv', buffer: Buffer.from('from,to,value\nspit willow,elm,5') });
  await expect(page.getByRole('alert').first()).toHaveText(
    /d\.csv was not taken\. Row 2: to “elm” is not a thing of this place/,
  );
});

test('an empty place says what to do, and its first two trees are a span', async ({ page }) => {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('button', { name: 'New place' }).click();
  await expect(verdict(page)).toHaveText('Nothing to tie to yet.');
  // one kind in the hand for as many as there are
  await page.getByRole('button', { name: 'Tree', exact: true }).click();
  for (const x of [0.2, 0.5]) {
    const plan = (await page.getByRole('application').boundingBox())!;
    await page.mouse.click(plan.x + plan.width * x, plan.y + plan.height * 0.5);
  }
  await expect(verdict(page)).toHaveText(/^Best: Tree 1/);
});

test('two windows on one place: nothing is lost, a person chooses', async ({ page, context }) => {
  await ownPlace(page, 'Wind');
  await more(page, 'Wind');
  const other = await context.newPage();
  await other.goto(page.url());
  await more(other, 'Wind');
  await tick(other.getByRole('radio', { name: /^7 near gale/ }));
  await saved(other);
  await tick(page.getByRole('radio', { name: /^1 light air/ }));
  await expect(
    page.getByText('This place was changed in another window. Take that one, or keep yours as a copy.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(page.getByRole('radio', { name: /^7 near gale/ })).toBeChecked();
});

test('the plan is wheeled about the pointer, dragged by what is bare, and shown whole again', async ({ page }) => {
  await page.goto('/places/the-landing/look');
  const mark = (name: RegExp) => page.getByRole('button', { name });
  const at = async (name: RegExp): Promise<readonly [number, number]> => {
    // the mark itself: its name lies now on one side, now on the other
    const box = (await mark(name).locator('[data-part=reach]').boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2];
  };
  const LEFT = /^smooth poplar, /;
  const RIGHT = /^twin alder, /;
  await expect(mark(LEFT)).toBeVisible();
  const apart = async (): Promise<number> => (await at(RIGHT))[0] - (await at(LEFT))[0];
  const first = [await at(LEFT), await apart()] as const;
  // bare ground between the two
  const [x, y] = [(await at(LEFT))[0] + 60, (await at(LEFT))[1] - 60];
  await page.mouse.move(x, y);
  await page.mouse.wheel(0, -300);
  await expect.poll(apart).toBeGreaterThan(first[1] * 1.2);
  // what is under the pointer stays there
  const grown = (await apart()) / first[1];
  const left = await at(LEFT);
  expect(left[0]).toBeCloseTo(x + (first[0][0] - x) * grown, -1);
  expect(left[1]).toBeCloseTo(y + (first[0][1] - y) * grown, -1);
  await page.getByRole('button', { name: 'Show everything' }).click();
  await expect.poll(apart).toBeCloseTo(first[1], 0);
  // dragged: all of it goes along, nothing is moved on the ground
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 50, y + 20, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await at(LEFT))[0]).toBeCloseTo(first[0][0] + 50, -1);
  expect(await apart()).toBeCloseTo(first[1], 0);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  const before = await apart();
  await page.getByRole('button', { name: 'Farther' }).click();
  await expect.poll(apart).toBeLessThan(before * 0.9);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});
