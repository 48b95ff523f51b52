import { expect, test } from './server.js';
import { scan } from './scan.js';

test.use({ of: 'tying' });

test('a knot is found, scrubbed through its steps, turned, mirrored, and seen tied wrong', async ({ page }) => {
  await page.goto('/tying');
  await expect(page.getByRole('heading', { level: 1, name: 'Tying' })).toBeVisible();
  await page.getByRole('link', { name: 'Clove hitch and half hitch' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Clove hitch and half hitch' })).toBeVisible();
  const picture = page.getByRole('img', { name: /^Clove hitch and half hitch, step/ });
  await expect(picture).toBeVisible({ timeout: 30_000 });
  await scan(page, 'knot');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.getByRole('button', { name: 'From the beginning' }).click();
  await expect(page.getByText('Once round the trunk.')).toBeVisible();
  await page.getByRole('button', { name: 'Next step' }).click();
  await expect(page.getByText(/^Up across in front, over the line/)).toBeVisible();
  // scrubbed by keys
  const slider = page.getByRole('slider', { name: 'Through the steps' });
  await slider.press('Home');
  await expect(page.getByText('The line as it comes.')).toBeVisible();
  await slider.press('End');
  await expect(page.getByText('Dressed and drawn up.')).toBeVisible();
  // turned, it is seen otherwise; from my side as before
  const drawn = (): Promise<string> => picture.innerHTML();
  const mine = await drawn();
  const board = page.getByRole('application', { name: /turned by a drag/ });
  const box = (await board.boundingBox())!;
  await page.mouse.move(box.x + 200, box.y + 150);
  await page.mouse.down();
  await page.mouse.move(box.x + 300, box.y + 120, { steps: 4 });
  await page.mouse.up();
  expect(await drawn()).not.toBe(mine);
  await page.getByRole('button', { name: 'My side' }).click();
  expect(await drawn()).toBe(mine);
  await page.getByText('left hand').click();
  expect(await drawn()).not.toBe(mine);
  // what is tied wrong stands beside it
  await expect(page.getByRole('img', { name: 'Tied wrong: the second turn not crossed over' })).toBeVisible();
  await expect(page.getByText(/^Two turns beside each other are no hitch/)).toBeVisible();
  // the hand is kept
  await page.reload();
  await expect(page.getByRole('radio', { name: 'left hand' })).toBeChecked();
});
