import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { scan } from './scan.js';
import { expect, test } from './server.js';

const panel = (page: Page, name: string): Locator => page.getByRole('region', { name });

test('the wind turned up: what gives first, rung by rung on the scene, from another side, and for snow', async ({
  page,
}) => {
  await page.goto('/rigs/gravel-spit-gable/weather');
  await page.getByRole('button', { name: 'Turn it up' }).click();
  const ladder = panel(page, 'Turn it up');
  await expect(ladder.getByText(/gives first, in .*m\/s at the roof/)).toBeVisible({ timeout: 60_000 });
  await expect(ladder.getByText('Leave long before the last rung.')).toBeVisible();
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
  await page.getByText('Snow', { exact: true }).click();
  await expect(ladder.getByText(/under .* of snow|Nothing gives, up to|without any snow/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(ladder.getByRole('slider', { name: 'Snow' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(ladder).toHaveCount(0);
});

test('how sure: what gives how often, and what would be worth finding out; stopped, it says so', async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto('/rigs/gravel-spit-gable/weather');
  await page.getByRole('button', { name: 'How sure', exact: true }).click();
  const sure = panel(page, 'How sure');
  await sure.getByRole('button', { name: 'Stop' }).click();
  await expect(sure.getByText('Stopped. Nothing was changed.')).toBeVisible();
  await sure.getByRole('button', { name: 'Close how sure' }).click();
  await page.getByRole('button', { name: 'How sure', exact: true }).click();
  await expect(sure.getByText(/Of the rigs that this one may be, .* lose something/)).toBeVisible({ timeout: 150_000 });
  await expect(sure.getByText(/^Pull one peg and log what it took: .* less doubt$/)).toBeVisible();
  await expect(sure.getByRole('table', { name: 'What may give' }).getByRole('row').nth(1)).toContainText(/peg in/i);
  await expect(sure.getByRole('img', { name: /How many times over each place holds/ })).toBeVisible();
  await expect(sure.getByText('A chance that is small is no promise.')).toBeVisible();
});

test('tonight: what is to be done when, hour by hour, and as alarms', async ({ page }) => {
  await page.goto('/rigs/mess-roof/weather');
  await page.getByRole('button', { name: 'Tonight', exact: true }).click();
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
    };
    for (const [name, said] of Object.entries(ready)) {
      await page.goto(`/rigs/gravel-spit-gable/weather?panel=${name}`);
      await expect(page.getByText(said)).toBeVisible({ timeout: 150_000 });
      await scan(page, name);
    }
  });
