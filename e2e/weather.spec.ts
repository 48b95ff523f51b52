import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { more } from './press.js';
import { scan } from './scan.js';
import { expect, test } from './server.js';

const panel = (page: Page, name: string): Locator => page.getByRole('dialog', { name });
/** Opens one of the panels in which a night is thought through. */
async function ahead(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Look ahead' }).click();
  await page.getByRole('menuitem', { name }).click();
}

test('the wind turned up: what gives first, rung by rung on the scene, from another side, and for snow', async ({
  page,
}) => {
  await page.goto('/rigs/gravel-spit-gable/weather');
  await ahead(page, 'Turn it up');
  const ladder = panel(page, 'Turn it up');
  await expect(ladder.getByText(/gives first, in .*m\/s at the roof/)).toBeVisible({ timeout: 60_000 });
  await expect(ladder.getByText('Leave long before the last rung.')).toBeVisible();
  await expect(ladder.getByRole('table', { name: 'Ladder' }).getByRole('rowheader').last()).toHaveText('Leave');
  const falls = ladder.getByRole('list', { name: 'What gives, in order' });
  await expect(falls.getByRole('listitem').first()).toContainText(/gives: .* hangs free/);
  // down to the calm by the keyboard: everything hangs on again
  const wind = ladder.getByRole('slider', { name: 'Wind' });
  const before = await wind.getAttribute('aria-valuetext');
  await wind.press('Home');
  await expect(wind).toHaveAttribute('aria-valuetext', '0 calm');
  expect(before).not.toBe('0 calm');
  await expect(ladder.getByText('Smoke rises straight; the river is a mirror.')).toBeVisible();
  // a rung of the table is drawn too
  await ladder.getByRole('table', { name: 'Ladder' }).getByRole('button', { name: '2 light breeze' }).click();
  await expect(wind).toHaveAttribute('aria-valuetext', '2 light breeze');
  await page.getByLabel('What is turned up').selectOption({ label: 'Snow' });
  await expect(ladder.getByText(/under .* of snow|Nothing gives, up to|without any snow/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(ladder.getByRole('slider', { name: 'Snow' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(ladder).toHaveCount(0);
});

test('rain and people are turned up too, and the table says each once', async ({ page }) => {
  await page.goto('/rigs/drum-tight-bed/weather');
  await ahead(page, 'Turn it up');
  const ladder = panel(page, 'Turn it up');
  await expect(ladder.getByRole('slider', { name: 'Wind' })).toBeVisible({ timeout: 60_000 });
  const what = page.getByLabel('What is turned up');
  await what.selectOption({ label: 'Rain' });
  await expect(ladder.getByText('Rain runs off it: nothing stands on it after 60 mm of rain.')).toBeVisible({
    timeout: 60_000,
  });
  await what.selectOption({ label: 'Who lies in the bed' });
  await expect(ladder.getByText(/gives first, with \d+ kg in the bed/)).toBeVisible({ timeout: 60_000 });
  await expect(ladder.getByText('Whoever lies in it falls.')).toBeVisible();
  await expect(ladder.getByText(/What holds .* there would do/)).toBeVisible({ timeout: 60_000 });
  const masses = ladder.getByRole('table', { name: 'Ladder' }).getByRole('rowheader');
  await expect(masses.first()).toHaveText('40 kg in the bed');
  // a bed without a roof has only who lies in it
  await page.goto('/rigs/bed-on-one-alder/weather');
  await ahead(page, 'Turn it up');
  await expect(panel(page, 'Turn it up').getByText(/Nothing gives, up to 220 kg/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByLabel('What is turned up').getByRole('option')).toHaveCount(1);
});

test('round it: brush keeps wind off, a fire belongs to leeward, and under the cloth it is refused', async ({
  page,
}) => {
  await page.goto('/rigs/mess-roof/weather?view=above');
  await more(page, 'Weather');
  await page.getByRole('tab', { name: 'Round it' }).click();
  const wind = page.getByText('Wind that comes in under it').locator('xpath=following-sibling::dd[1]');
  const before = parseInt(await wind.innerText(), 10);
  await page.getByRole('button', { name: 'Brush to windward' }).click();
  await expect(page.getByText(/wall of brush, \d\.\d\d m long/)).toBeVisible();
  await expect.poll(async () => parseInt(await wind.innerText(), 10)).toBeLessThan(before);
  await page.getByRole('button', { name: 'Fire to leeward' }).click();
  await expect(page.getByText(/Local fire rules and the land manager come first/)).toBeVisible();
  await page.getByRole('button', { name: 'Less of Weather' }).click();
  // moved by hand to where it must not be
  const fire = page.getByRole('slider', { name: 'Move the fire' });
  await fire.focus();
  await page.keyboard.press('Enter');
  const few = page.getByRole('dialog', { name: 'the fire' });
  await few.getByLabel('Along the span').fill('4.5');
  await few.getByLabel('To its left').fill('0');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The fire burns under the cloth.')).toBeVisible({ timeout: 60_000 });
  await few.getByRole('button', { name: 'No fire' }).click();
  await expect(page.getByText('The fire burns under the cloth.')).toHaveCount(0);
  await expect(fire).toHaveCount(0);
  // by the keyboard along its plan
  const wall = page.getByRole('slider', { name: 'Move the wall of brush' });
  const from = Number(await wall.getAttribute('aria-valuenow'));
  await wall.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await wall.getAttribute('aria-valuenow'))).toBeGreaterThan(from);
});

test('how sure: what gives how often, and what would be worth finding out; stopped, it says so', async ({ page }) => {
  await page.goto('/rigs/gravel-spit-gable/weather');
  await ahead(page, 'How sure');
  const sure = panel(page, 'How sure');
  await sure.getByRole('button', { name: 'Stop' }).click();
  await expect(sure.getByText('Stopped. Nothing was changed.')).toBeVisible();
  await sure.getByRole('button', { name: 'Start again' }).click();
  await expect(sure.getByText(/Of the rigs that this one may be, .* loses? something/)).toBeVisible({
    timeout: 150_000,
  });
  await expect(sure.getByText(/^Pull one peg and log what it took: .* less doubt$/)).toBeVisible();
  await expect(sure.getByRole('table', { name: 'What may give' }).getByRole('row').nth(1)).toContainText(/peg in/i);
  await expect(sure.getByRole('img', { name: /How many times over each place holds/ })).toBeVisible();
  await expect(sure.getByText('A chance that is small is no promise.')).toBeVisible();
});

test('how sure of a line and of a bed without a roof: nothing else of a night is asked of a line', async ({ page }) => {
  await page.goto('/rigs/bank-top-ridge-dip-tested/weather');
  await page.getByRole('button', { name: 'Look ahead' }).click();
  await expect(page.getByRole('menuitem')).toHaveCount(1);
  await page.getByRole('menuitem', { name: 'How sure' }).click();
  const sure = panel(page, 'How sure');
  await expect(sure.getByText(/Of the rigs that this one may be, .* loses? something/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(sure.getByRole('table', { name: 'Pulls' }).getByRole('rowheader')).toHaveText(['Ridgeline']);
  await page.goto('/rigs/bed-on-one-alder/weather');
  await ahead(page, 'How sure');
  await expect(sure.getByText(/What is nearest to giving holds .* times over/)).toBeVisible({ timeout: 60_000 });
  await expect(sure.getByRole('table', { name: 'Pulls' }).getByRole('rowheader', { name: /strap/i })).toHaveCount(2);
});

test('tonight: what is to be done when, hour by hour, and as alarms', async ({ page }) => {
  await page.goto('/rigs/mess-roof/weather');
  await ahead(page, 'Tonight');
  const tonight = panel(page, 'Tonight');
  await expect(tonight.getByText(/these 24 hours/)).toBeVisible({ timeout: 90_000 });
  await expect(tonight.getByText('River forecast, simulated')).toBeVisible();
  const tasks = tonight.getByRole('list', { name: 'What is to be done' }).getByRole('listitem');
  const count = await tasks.count();
  expect(count).toBeGreaterThan(0);
  await expect(tasks.first()).toContainText(/\d\d:\d\d/);
  await expect(tonight.getByRole('table', { name: 'Hours' }).getByRole('row')).toHaveCount(25);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    tonight.getByRole('button', { name: 'Save as alarms' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('mess-roof-tonight.ics');
  const text = await readFile((await file.path())!, 'utf8');
  expect(text.match(/^BEGIN:VALARM/gm)).toHaveLength(count);
  expect(text).toContain('SUMMARY:Mess roof: ');
});

test('gusts: a minute played, paused, scrubbed, eased, and with wind of one’s own', async ({ page }) => {
  await page.goto('/rigs/gravel-spit-gable/weather');
  await ahead(page, 'Gusts');
  const gusts = panel(page, 'Gusts');
  const moment = gusts.getByRole('slider', { name: 'Moment' });
  // whoever wishes for less that moves begins it themselves; it plays while the rest is worked out
  await gusts.getByRole('button', { name: 'Play' }).click();
  await expect(moment).toHaveAttribute('aria-valuetext', /^[1-9]\d?\.\d seconds$/, { timeout: 60_000 });
  await gusts.getByRole('button', { name: 'Pause' }).click();
  const stood = await moment.getAttribute('aria-valuetext');
  await expect(gusts.getByText(/gives in gusts up to|No cord, knot or anchor gives/)).toBeVisible({ timeout: 120_000 });
  await expect(moment).toHaveAttribute('aria-valuetext', stood!);
  await moment.press('Home');
  await expect(moment).toHaveAttribute('aria-valuetext', '0.0 seconds');
  await moment.press('End');
  await expect(moment).toHaveAttribute('aria-valuetext', /^(59|60)\.\d seconds$/);
  const rows = gusts.getByRole('table', { name: 'Peaks' }).getByRole('row');
  await expect(rows).toHaveCount(10);
  await gusts.getByText('How it was worked out').click();
  await expect(gusts.getByText(/Energy was never made from nothing/)).toBeVisible();
  // wind of one's own, wrong first: said at the place, and the play stays
  const file = gusts.locator('input[type=file]');
  const wind = (text: string) => ({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(wind('time,speed\n0,3\n9,fast\n'));
  await expect(gusts.getByRole('alert')).toContainText('row 3: speed “fast” is not a number');
  await file.setInputFiles(wind('time,speed\n0,3\n3,9\n6,3\n'));
  await expect(gusts.getByText('Wind of mine.csv')).toBeVisible();
  await expect(gusts.getByText(/in gusts up to 9\.0 m\/s/)).toBeVisible({ timeout: 60_000 });
  // eased, it stands beside the rig as it is
  await gusts.getByLabel('Ease it').selectOption({ label: 'Elastic in every guy' });
  await expect(gusts.getByRole('columnheader', { name: 'As it is' })).toBeVisible({ timeout: 60_000 });
  await gusts.getByRole('button', { name: 'Close the gusts' }).click();
  await expect(gusts).toHaveCount(0);
});

test('what the verdict counts can be left out, and then it does not say that it holds', async ({ page }) => {
  await page.goto('/rigs/hammock-fly/weather');
  await expect(page.getByText(/^Holds\./)).toBeVisible({ timeout: 60_000 });
  await more(page, 'Weather');
  await page.getByRole('tab', { name: 'What counts' }).click();
  await page.getByText('Gusts on the soaked rig', { exact: true }).click();
  await expect(
    page.getByText('Not judged for gusts on the soaked rig: nobody knows whether it holds then.'),
  ).toBeVisible({ timeout: 60_000 });
  await page.getByText('Gusts on the soaked rig', { exact: true }).click();
  await expect(page.getByText(/^Holds\./)).toBeVisible({ timeout: 60_000 });
  // a gust of one's own counts by its name, can be made weaker, and left out again
  await page.getByRole('button', { name: 'Add a gust' }).click();
  const squall = page.getByRole('group', { name: 'squall' });
  await squall.getByLabel('At the roof').fill('30');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/in “squall”/).first()).toBeVisible({ timeout: 60_000 });
  await squall.getByLabel('At the roof').fill('80');
  await page.keyboard.press('Enter');
  await expect(squall.getByText(/1 to 50 m\/s/)).toBeVisible();
  await squall.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText(/^Holds\./)).toBeVisible({ timeout: 60_000 });
});

test('dry ground: hour by hour who gets wet, what the pail gets, and where water runs in', async ({ page }) => {
  await page.goto('/rigs/river-bed-under-the-fly/weather');
  await ahead(page, 'Dry ground');
  const dry = panel(page, 'Dry ground');
  await expect(dry.getByText(/stays dry, if the forecast|gets wet: rain reaches|No rain is forecast/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(dry.getByRole('img', { name: /^Dry ground from above, \d/ })).toBeVisible();
  await expect(dry.getByRole('table', { name: 'Hours' }).getByRole('row')).toHaveCount(25);
  const hour = dry.getByRole('slider', { name: 'Hour' });
  await hour.press('Home');
  const first = await hour.getAttribute('aria-valuetext');
  await hour.press('ArrowRight');
  await expect(hour).not.toHaveAttribute('aria-valuetext', first!);
  await expect(dry.getByText(/m² stay dry\./).first()).toBeVisible();
  await expect(dry.getByRole('list', { name: 'Water along cords' }).getByRole('listitem').first()).toContainText(
    'Tie a drip line',
  );
});

for (const [theme, width, height] of [
  ['day', 1280, 800],
  ['ember', 390, 844],
] as const)
  test(`what a night is thought through with is for everybody: in ${theme}, ${width} wide`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await page.addInitScript((t) => localStorage.setItem('rough-bight-theme', t), theme);
    const ready = {
      ladder: 'Leave long before the last rung.',
      sure: 'A chance that is small is no promise.',
      night: 'A forecast is wrong somewhere every night.',
      gusts: 'One minute of many.',
      dry: 'Water in the pail is rain off cloth.',
    };
    for (const [name, said] of Object.entries(ready)) {
      await page.goto(`/rigs/gravel-spit-gable/weather?panel=${name}`);
      await expect(page.getByText(said)).toBeVisible({ timeout: 150_000 });
      await scan(page, name);
    }
    // and so are what stands round a rig and what counts
    await page.goto(`/rigs/${theme === 'day' ? 'prop-on-the-spit' : 'hammock-fly'}/weather`);
    await more(page, 'Weather');
    await page.getByRole('tab', { name: 'Round it' }).click();
    await page.getByRole('button', { name: 'A bank to windward' }).click();
    await page.getByRole('button', { name: 'Fire to leeward' }).click();
    await expect(page.getByText(/Local fire rules and the land manager come first/)).toBeVisible();
    await scan(page, 'round it');
    await page.getByRole('tab', { name: 'What counts' }).click();
    await page.getByRole('button', { name: 'Add a gust' }).click();
    await expect(page.getByRole('group', { name: 'squall' })).toBeVisible();
    await scan(page, 'what counts');
    // Escape closes what is drawn out, but not where it takes back what is typed
    const sheet = page.getByRole('dialog', { name: 'More of Weather' });
    const speed = sheet.getByLabel('At the roof');
    const before = await speed.inputValue();
    await speed.fill('33');
    await speed.press('Escape');
    await expect(speed).toHaveValue(before);
    await speed.press('Escape');
    await expect(sheet).toHaveCount(0);
  });
