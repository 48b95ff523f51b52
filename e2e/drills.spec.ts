import { expect, test } from './server.js';
import { scan } from './scan.js';
import type { Page } from '@playwright/test';

test.use({ of: 'drills' });

/** Begins a drill of one kind. */
async function ask(page: Page, kind: string): Promise<void> {
  await page.goto('/camps/sallow-ait/drills');
  await page.getByLabel('Ask me').selectOption({ label: kind });
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('region', { name: 'Drill' })).toBeVisible({ timeout: 60_000 });
}
const guessed = (page: Page): Promise<void> => page.getByRole('button', { name: 'That is my guess' }).click();

test('guess, then see: the truth with its working, how far off, and it is remembered', async ({ page }) => {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('link', { name: 'Drills' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Drills' })).toBeVisible();
  await expect(page.getByText(/^Nothing was guessed yet/)).toBeVisible();
  await ask(page, 'how much is in a line');
  const drill = page.getByRole('region', { name: 'Drill' });
  await expect(drill.getByText(/How much is in the line\?$/)).toBeVisible({ timeout: 60_000 });
  await scan(page, 'drill');
  // nothing is told before it is guessed
  await guessed(page);
  await expect(page.getByRole('alert')).toContainText('Say first what you think');
  await page.getByLabel('My guess', { exact: true }).fill('150');
  await page.getByLabel('I am near, I am so sure').selectOption('90 %');
  await guessed(page);
  await expect(drill.getByText('You said 150 N, 90 % sure.')).toBeVisible();
  await expect(drill.getByText(/^(Right|\d)/).first()).toBeVisible();
  await expect(page.getByRole('list', { name: 'By kind of drill' })).toContainText('How much is in a line');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByLabel('My guess', { exact: true })).toHaveValue('', { timeout: 60_000 });
  // it is still known after a reload
  await page.reload();
  await expect(page.getByRole('list', { name: 'By kind of drill' })).toContainText('How much is in a line');
});

test('a pull is drawn out as an arrow, and a foot is set on the plan, by hand and by keys', async ({ page }) => {
  await ask(page, 'how much is in a line');
  const handle = page.getByRole('slider', { name: 'My guess: draw the arrow out' });
  const box = (await handle.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 200, y, { steps: 5 });
  await page.mouse.up();
  const field = page.getByLabel('My guess', { exact: true });
  // two figures of a newton, as a hand sets them
  const drawn = Number(await field.inputValue());
  expect(drawn).toBeGreaterThan(20);
  expect(drawn).toBe(Number(drawn.toPrecision(2)));
  await handle.press('Shift+ArrowRight');
  expect(Number(await field.inputValue())).toBeGreaterThan(drawn);
  await guessed(page);
  await expect(page.getByText(/^You said .* N, 70 % sure\.$/)).toBeVisible();

  await ask(page, 'where a guy’s foot belongs');
  const foot = page.getByRole('slider', { name: 'My guess: set the foot' });
  await foot.focus();
  for (let k = 0; k < 10; k++) await foot.press('Shift+ArrowUp');
  await expect(page.getByText(/ m out\.$/)).toBeVisible();
  await scan(page, 'drill of a foot');
  await guessed(page);
  await expect(page.getByText('You set it, 70 % sure.')).toBeVisible();
  await expect(page.getByText(/^It goes on along the cloth’s own line/)).toBeVisible();
});

test('a pair is touched on the plan; a fault is told by what was seen', async ({ page }) => {
  await ask(page, 'which pair of trees');
  const choice = page.getByLabel('My guess', { exact: true });
  await page.locator('svg g[role], svg').first().waitFor();
  await page
    .getByRole('group', { name: /as it is asked about$/ })
    .getByText('A', { exact: true })
    .dispatchEvent('click');
  await expect(choice).toHaveValue(/.+/);
  await expect(choice.locator('option:checked')).toHaveText(/^A: /);
  await guessed(page);
  await expect(page.getByText(/^You said .*, 70 % sure\.$/)).toBeVisible();

  await ask(page, 'what is wrong with it');
  await expect(page.getByRole('list', { name: 'What was seen' })).toContainText('Ridge tied at');
  await scan(page, 'drill of a fault');
});
