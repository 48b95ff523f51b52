import type { Page } from '@playwright/test';
import { expect, test } from './server.js';

const judged = (page: Page): Promise<void> =>
  expect(page.getByText(/worst of \d+ cases/).first()).toBeVisible({ timeout: 90_000 });

test('a rig in two minutes, by the keyboard alone: four answers, whole rigs, one opened on the bench', async ({
  page,
}) => {
  await page.goto('/camps/sallow-ait');
  const began = Date.now();
  await page.getByRole('link', { name: 'New rig' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'New rig' })).toBeVisible();
  await page.getByLabel('Roof', { exact: true }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByLabel('Roof', { exact: true })).toHaveValue('square');
  // on to who, where and what weather, as one tabs
  const typed = async (label: string, text: string): Promise<void> => {
    const field = page.getByRole('textbox', { name: label, exact: true });
    for (let k = 0; k < 30 && !(await field.evaluate((e) => e === document.activeElement)); k++)
      await page.keyboard.press('Tab');
    await expect(field).toBeFocused();
    await page.keyboard.press('Control+a');
    await page.keyboard.type(text);
  };
  await typed('Sleepers', '2');
  await typed('Packs', '1');
  await typed('Between them', '7.5');
  await typed('One is round', '4');
  const show = page.getByRole('button', { name: 'Show me rigs' });
  for (let k = 0; k < 30 && !(await show.evaluate((e) => e === document.activeElement)); k++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('progressbar', { name: /Working out whole rigs/ })).toBeVisible();
  const answers = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Open it on the bench' }) });
  await expect(page.getByRole('heading', { name: 'Best first' })).toBeVisible({ timeout: 60_000 });
  const count = await answers.count();
  expect(count).toBeGreaterThanOrEqual(2);
  expect(count).toBeLessThanOrEqual(3);
  // each has a true picture, what it does, and whether it holds
  await expect(answers.first().getByRole('img', { name: /from the side, to scale/ })).toBeVisible();
  await expect(answers.first()).toContainText(/Dry in this rain: all 2/);
  await expect(answers.first()).toContainText(/Holds\.|least to spare|too little|lets go/);
  const open = answers.first().getByRole('button', { name: 'Open it on the bench' });
  for (let k = 0; k < 30 && !(await open.evaluate((e) => e === document.activeElement)); k++)
    await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\/guy/);
  await judged(page);
  expect(Date.now() - began).toBeLessThan(120_000);
  // what was paced is still paced
  await page.getByRole('link', { name: /^Ground/ }).click();
  await expect(page.getByRole('textbox', { name: 'Paces' })).toHaveValue('7.5');
});

test('sleepers and packs lie under a roof: counted, dragged into the rain, said, and laid dry again', async ({
  page,
}) => {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('button', { name: 'Copy Gravel-spit gable', exact: true }).click();
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\//);
  await page.getByRole('navigation', { name: 'Steps of the rig' }).getByRole('link', { name: /^Bed/ }).click();
  await judged(page);
  const people = page.getByRole('textbox', { name: 'Sleepers on the ground' });
  await people.fill('2');
  await people.press('Enter');
  await page.getByRole('button', { name: 'from above', exact: true }).click();
  const first = page.getByRole('slider', { name: 'Move sleeper 1' });
  await expect(first).toHaveAttribute('aria-valuetext', '100 % dry', { timeout: 30_000 });
  const dot = (await first.locator('[data-part=dot]').boundingBox())!;
  const [x, y] = [dot.x + dot.width / 2, dot.y + dot.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 120, { steps: 6 });
  await page.mouse.move(x, y - 240, { steps: 6 });
  await page.mouse.up();
  await expect(first).not.toHaveAttribute('aria-valuetext', '100 % dry', { timeout: 30_000 });
  await page.getByRole('button', { name: 'More of Bed' }).click();
  const list = page.getByRole('dialog', { name: 'More of Bed' });
  await expect(list.getByText(/^rain reaches/).first()).toBeVisible();
  await list.getByRole('button', { name: 'Lay them where it is driest' }).click();
  await expect(first).toHaveAttribute('aria-valuetext', '100 % dry', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(first).not.toHaveAttribute('aria-valuetext', '100 % dry', { timeout: 30_000 });
});

test('a camp of one’s own: made, out as a file and in again, put away and brought back, deleted after it is asked', async ({
  page,
}, info) => {
  await page.goto('/camps');
  await page.getByRole('button', { name: 'New camp' }).click();
  await expect(page.getByRole('heading', { name: /^New camp/ })).toBeVisible();
  await expect(page.getByText(/No rig stands here yet/)).toBeVisible();
  // the kit is that of the camp one is in
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'Where you are' })).toContainText('New camp');
  await expect(page.getByText('No cord in the kit.')).toBeVisible();
  await page.goBack();
  await page.getByRole('link', { name: 'Camps' }).click();
  const line = (name: string | RegExp) => page.getByRole('group', { name, exact: true });
  await line('New camp').getByRole('button', { name: 'Rename' }).click();
  const name = page.getByRole('textbox', { name: 'Name' });
  await name.fill('Otter weir');
  await name.press('Enter');
  await expect(page.getByRole('link', { name: 'Otter weir' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    line('Otter weir').getByRole('link', { name: 'As a file' }).click(),
  ]);
  const path = info.outputPath('otter-weir.camp.zip');
  await download.saveAs(path);
  await page.getByLabel('Take in a camp’s file').setInputFiles(path);
  await expect(page.getByRole('link', { name: 'Otter weir' })).toHaveCount(2);
  await page.getByLabel('Take in a camp’s file').setInputFiles({
    name: 'note.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('hello'),
  });
  await expect(page.getByRole('alert')).toContainText('This is no camp file');
  await line('Otter weir').first().getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('list', { name: 'Camps put away' }).getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('link', { name: 'Otter weir' })).toHaveCount(2);
  await line('Otter weir').first().getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('list', { name: 'Camps put away' }).getByRole('button', { name: 'Delete' }).click();
  const asked = page.getByRole('alertdialog', { name: /^Delete Otter weir/ });
  await asked.getByRole('button', { name: 'Keep it' }).click();
  await expect(asked).toHaveCount(0);
  await page.getByRole('list', { name: 'Camps put away' }).getByRole('button', { name: 'Delete' }).click();
  await asked.getByRole('button', { name: 'Delete it' }).click();
  await expect(page.getByRole('link', { name: 'Otter weir' })).toHaveCount(1);
});

test('a camp opens with what its rigs come to: kept, with its age, and judged anew only where something changed', async ({
  page,
}) => {
  await page.goto('/camps/sallow-ait');
  await expect(page.getByText('Judging…')).toHaveCount(0, { timeout: 180_000 });
  await expect(page.getByText(/Judged just now|Judged \d+ \w+ ago/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Rigs' })).toBeVisible();
  // at once, with nothing worked out
  await expect(page.getByText(/Judged (just now|\d+ \w+ ago)/).first()).toBeVisible({ timeout: 5_000 });
  await expect(page.getByText('Judging…')).toHaveCount(0);
});
