import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { PITCH_FORMS, PITCH_TRAITS } from '@rough-bight/core/roof';
import { more } from './press.js';
import { expect, test } from './server.js';

const judged = (page: Page): Promise<void> =>
  expect(page.getByText(/worst of \d+ cases/).first()).toBeVisible({ timeout: 90_000 });
/** A gable of the test's own, tied a metre up, where every form can stand; at Hang. */
async function ownGable(page: Page): Promise<void> {
  const file = JSON.parse(readFileSync('examples/rigs/gravel-spit-gable.rig.json', 'utf8')) as {
    readonly rig: { readonly trunks: readonly object[] };
  };
  const document = { ...file.rig, trunks: file.rig.trunks.map((t) => ({ ...t, tieHeight: 1 })) };
  const made = await page.request.post('/api/camps/sallow-ait/rigs', {
    data: { name: `Low gable ${Date.now()}`, note: '', document },
  });
  expect(made.ok()).toBe(true);
  const { id } = (await made.json()) as { readonly id: string };
  await page.goto(`/rigs/${id}/hang`);
  await expect(page.getByLabel('Form', { exact: true })).toHaveValue('gable');
}

test('on the bench every form is pitched, drawn and judged; those with a ridgeline by their ends as well', async ({
  page,
}) => {
  test.setTimeout(300_000);
  const problems: string[] = [];
  page.on('pageerror', (e) => problems.push(e.message));
  await ownGable(page);
  await more(page, 'Hang');
  for (const form of PITCH_FORMS) {
    await page.getByLabel('Form', { exact: true }).selectOption(form);
    await expect(
      page.getByRole('navigation', { name: 'Steps of the rig' }).getByText(PITCH_TRAITS[form].name),
    ).toBeVisible();
    await judged(page);
    await expect(page.getByText(/Covers .* headroom/)).toBeVisible();
    await expect(page.getByText(PITCH_TRAITS[form].laid).first()).toBeVisible();
    await expect(page.getByText('Not worked out.')).toHaveCount(0);
  }
  await page.getByLabel('Form', { exact: true }).selectOption('gable');
  await page.getByRole('combobox', { name: 'Ridgeline' }).selectOption('none');
  await judged(page);
  await expect(page.getByText(/Without a ridgeline/).first()).toBeVisible();
  expect(problems).toEqual([]);
});

test('from New rig a form that is asked for by name comes back whole', async ({ page }) => {
  test.setTimeout(600_000);
  for (const form of PITCH_FORMS) {
    await page.goto('/camps/sallow-ait/new');
    await page.getByLabel('Form', { exact: true }).selectOption(form);
    await page.getByRole('button', { name: 'Show me rigs' }).click();
    const answers = page
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: 'Open it on the bench' }) });
    await expect(page.getByRole('heading', { name: 'Best first' })).toBeVisible({ timeout: 60_000 });
    await expect(answers).toHaveCount(1);
    await expect(answers.first()).toContainText(new RegExp(PITCH_TRAITS[form].name, 'i'));
    await answers.first().getByRole('button', { name: 'Open it on the bench' }).click();
    await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\/guy/);
    await judged(page);
  }
});

test('a roof that stands is trimmed by hand: hauled at an hour, pressed by a finger, the other order taken', async ({
  page,
}) => {
  await ownGable(page);
  await page.getByLabel('Form', { exact: true }).selectOption('flying');
  await judged(page);
  await page.getByRole('link', { name: /^Guy/ }).click();
  await page.getByRole('button', { name: 'Trim it' }).click();
  const again = page.getByRole('region', { name: 'Haul in again' });
  await expect(again.getByRole('row', { name: /Ridgeline/ })).toBeVisible({ timeout: 60_000 });
  const took = async (): Promise<string> => again.getByRole('row', { name: /Ridgeline/ }).innerText();
  const dry = await took();
  await again.getByText('Soaked').click();
  await expect.poll(took, { timeout: 30_000 }).not.toBe(dry);
  const felt = page.getByRole('region', { name: 'By finger' });
  const aside = felt.getByLabel('It went');
  await aside.fill('0.3');
  await aside.press('Enter');
  await expect(felt.getByText(/It pulls with/)).toBeVisible();
  await page
    .getByRole('region', { name: 'Two schools' })
    .getByRole('button', { name: 'Corners in turn', exact: true })
    .click();
  await expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');
});

test('on a phone what is touched is told whole, within the screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/rigs/gravel-spit-gable/guy');
  await judged(page);
  await more(page, 'Guy');
  for (const name of ['left middle guy', 'second right corner guy']) {
    await page.getByRole('button', { name, exact: true }).click();
    const told = page.getByRole('dialog', { name });
    await expect(told.getByLabel('Length on the cloth')).toBeVisible();
    const box = (await told.boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    await told.getByRole('button', { name: 'Close' }).click();
    await expect(told).toHaveCount(0);
  }
});
