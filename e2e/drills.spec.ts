import { expect, test } from './server.js';
import { scan } from './scan.js';

test.use({ of: 'drills' });

test('guess, then see: the truth with its working, how far off, and it is remembered', async ({ page }) => {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('link', { name: 'Drills' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Drills' })).toBeVisible();
  await expect(page.getByText(/^Nothing was guessed yet/)).toBeVisible();
  await page.getByLabel('Ask me').selectOption({ label: 'how much is in a line' });
  await page.getByRole('button', { name: 'Begin' }).click();
  const drill = page.getByRole('region', { name: 'Drill' });
  await expect(drill.getByText(/How much is in the line\?$/)).toBeVisible({ timeout: 60_000 });
  await scan(page, 'drill');
  // nothing is told before it is guessed
  await page.getByRole('button', { name: 'That is my guess' }).click();
  await expect(page.getByRole('alert')).toContainText('Say first what you think');
  await page.getByLabel('My guess').fill('150');
  await page.getByLabel('I am near, I am so sure').selectOption('90 %');
  await page.getByRole('button', { name: 'That is my guess' }).click();
  await expect(drill.getByText('You said 150 N, 90 % sure.')).toBeVisible();
  await expect(drill.getByText(/^(Right|\d)/).first()).toBeVisible();
  await expect(page.getByRole('list', { name: 'By kind of drill' })).toContainText('How much is in a line');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByLabel('My guess')).toHaveValue('', { timeout: 60_000 });
  // it is still known after a reload
  await page.reload();
  await expect(page.getByRole('list', { name: 'By kind of drill' })).toContainText('How much is in a line');
});
