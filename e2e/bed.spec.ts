import type { Locator, Page } from '@playwright/test';
import { expect, test } from './server.js';
import { more } from './press.js';

const saved = (page: Page): Promise<void> => expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');
const verdict = (page: Page): Locator =>
  page.getByRole('region', { name: 'Verdict' }).getByRole('heading', { level: 1 });
const judged = (page: Page): Promise<void> =>
  expect(page.getByText(/worst of \d+ cases/).first()).toBeVisible({ timeout: 90_000 });
const report = (page: Page): Locator => page.getByRole('region', { name: 'The bed', exact: true });
/** A copy of a demo rig, of the test's own, at a step. */
async function copyAt(page: Page, name: string, step: string): Promise<void> {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('button', { name: `Copy ${name}`, exact: true }).click();
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\//);
  await page
    .getByRole('navigation', { name: 'Steps of the rig' })
    .getByRole('link', { name: new RegExp(`^${step}`) })
    .click();
}

test('a bed is hung under a roof: by its wish, dragged on its trunk, undone', async ({ page }) => {
  const problems: string[] = [];
  page.on('pageerror', (e) => problems.push(e.message));
  page.on('console', (m) => m.type() === 'error' && problems.push(m.text()));
  await copyAt(page, 'River bed under the fly', 'Bed');
  await judged(page);
  await more(page, 'Bed');
  await page.getByRole('button', { name: 'Take the bed down' }).click();
  await expect(page.getByRole('link', { name: /^Bed/ })).toContainText('none');
  await page.getByRole('button', { name: 'Hang a bed' }).click();
  await page.getByRole('menuitem', { name: /^river bed, 3 m/ }).click();
  await page.getByLabel('Weighs').fill('90');
  await page.getByLabel('Weighs').press('Enter');
  await page.getByRole('textbox', { name: 'Lowest place' }).fill('0.5');
  await page.getByRole('textbox', { name: 'Lowest place' }).press('Enter');
  await page.getByRole('button', { name: 'Hang it for me' }).click();
  await expect(page.getByText(/ways of setting both straps were tried/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('list', { name: 'Ways to hang it' }).getByRole('listitem')).toHaveCount(3);
  await page.getByRole('button', { name: 'Hang it so' }).click();
  await expect(
    report(page).getByRole('button', { name: /^lowest place over the ground.*: 0\.(49|50|51) m/ }),
  ).toBeVisible({
    timeout: 30_000,
  });
  await judged(page);
  const strap = page.getByRole('slider', { name: 'Height of the first strap' });
  const box = (await strap.boundingBox())!;
  const before = await strap.getAttribute('aria-valuenow');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  for (let k = 1; k <= 6; k++) await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 4 * k);
  await page.mouse.up();
  await expect.poll(() => strap.getAttribute('aria-valuenow')).not.toBe(before);
  await judged(page);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => strap.getAttribute('aria-valuenow')).toBe(before);
  await page.getByRole('slider', { name: 'Where the bed’s first end is hooked' }).focus();
  const loop = Number(
    await page.getByRole('slider', { name: 'Where the bed’s first end is hooked' }).getAttribute('aria-valuenow'),
  );
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(() => page.getByRole('slider', { name: 'Where the bed’s first end is hooked' }).getAttribute('aria-valuenow'))
    .toBe(String(loop + 1));
  expect(problems).toEqual([]);
});

test('a hammock for 95 kg under a roof that stands: five touches, and all of it holds', async ({ page }) => {
  // a fly between two stout trees five metres apart, with nobody under it
  const { document } = await (await page.request.get('/api/rigs/hammock-fly')).json();
  const stout = {
    ...document,
    span: { ...document.span, how: 'tape', tape: 5 },
    trunks: document.trunks.map((t: object) => ({ ...t, girth: 0.9 })),
    pitch: { ...document.pitch, middle: 2.5 },
  };
  const made = await page.request.post('/api/camps/sallow-ait/rigs', {
    data: { name: 'Fly on stout trees', note: '', document: stout },
  });
  await page.goto(`/rigs/${(await made.json()).id}/bed`);
  await judged(page);
  let touches = 0;
  const touch = async (what: Locator): Promise<void> => {
    touches++;
    await what.click();
  };
  await touch(page.getByRole('button', { name: 'Hang a bed' }));
  await touch(page.getByRole('menuitem', { name: /^river bed, 3 m/ }));
  touches++;
  await page.getByLabel('Weighs').fill('95');
  await page.getByLabel('Weighs').press('Enter');
  await touch(page.getByRole('button', { name: 'Hang it for me' }));
  await touch(page.getByRole('button', { name: 'Hang it so' }));
  await judged(page);
  await expect(verdict(page)).toHaveText(/^Holds/, { timeout: 60_000 });
  expect(touches).toBeLessThan(10);
  await expect(page.getByLabel('Weighs')).toHaveValue('95');
});

test('straps that do not reach are no reason to refuse who lies in it', async ({ page }) => {
  await copyAt(page, 'Mess roof', 'Bed');
  await judged(page);
  await page.getByRole('button', { name: 'Hang a bed' }).click();
  await page.getByRole('menuitem', { name: /^river bed, 3 m/ }).click();
  await expect(verdict(page)).toHaveText('This rig cannot be worked out as it is.');
  await page.getByLabel('Weighs').fill('95');
  await page.getByLabel('Weighs').press('Enter');
  // said once, where the verdict stands
  await expect(page.getByText(/does not reach/)).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await judged(page);
  await saved(page);
});

test('a bed hung wrong says why; a tail on the strap stops the water; what must not be is refused', async ({
  page,
}) => {
  await copyAt(page, 'Drum-tight bed', 'Bed');
  await judged(page);
  await expect(verdict(page)).toHaveText(/lets go first dropping in/);
  await more(page, 'Bed');
  await page.getByRole('button', { name: 'Dropping in', exact: true }).click();
  await expect(page).toHaveURL(/bed=dropping/);
  const first = page.getByRole('heading', { name: /^First end/ }).locator('..');
  await expect(first.getByText(/Water runs in, .* and into the bed/)).toBeVisible();
  await first.getByRole('button', { name: 'Tie a tail there' }).click();
  await expect(first.getByText('Water runs in and drips off its tail.')).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Beneath lies').selectOption({ label: 'water' });
  await expect(verdict(page)).toHaveText(/^Not over water/, { timeout: 30_000 });
  await page.getByLabel('Beneath lies').selectOption({ label: 'soft, even ground' });
  await page.getByLabel('People').fill('2');
  await page.getByLabel('People').press('Enter');
  await expect(page.getByText(/is made for one\. Two double the pull/)).toBeVisible();
  await expect(page.getByLabel('People')).toHaveValue('2');
  await page.getByLabel('People').press('Escape');
});

test('the one-tree rig: pole and stays in the ledger, one stay less falls', async ({ page }) => {
  await copyAt(page, 'Bed on one alder', 'Bed');
  await judged(page);
  await expect(report(page)).toContainText(/its head goes \d\.\d\d m sideways when someone leans out/);
  const ledger = page.getByRole('region', { name: 'Ledger' });
  await expect(ledger.getByRole('button', { name: /^Left back-stay/ })).toBeVisible();
  await more(page, 'Bed');
  await page.getByText('One', { exact: true }).click();
  await expect(ledger.getByRole('button', { name: /^Left back-stay/ })).toHaveCount(0, { timeout: 30_000 });
  await expect(ledger.getByRole('button', { name: /^Back-stay/ })).toBeVisible();
  await page.getByLabel('Mass').fill('100');
  await page.getByLabel('Mass').press('Enter');
  await expect(verdict(page)).toHaveText(/a log that slides|A drift log that slides/i, { timeout: 30_000 });
});

test('the bed is drawn from above and in depth, and the roof over it is advised on', async ({ page }) => {
  await page.goto('/rigs/river-bed-under-the-fly/bed');
  await judged(page);
  await expect(report(page).getByText(/covers this bed/)).toBeVisible({ timeout: 60_000 });
  await page.getByText('What each trunk bears, roof and bed together').click();
  await expect(
    report(page)
      .getByRole('row', { name: /In a gust from the .*, lying still/ })
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'from above' }).click();
  await expect(page.locator('[data-thing=bed-cloth]')).toBeVisible();
  await page.getByRole('button', { name: 'in depth', exact: true }).click();
  await expect(page.getByRole('application', { name: /The rig in depth/ }).locator('canvas')).toBeVisible({
    timeout: 30_000,
  });
  await more(page, 'Bed');
  await page.getByRole('button', { name: 'Seated', exact: true }).click();
  await expect(page).toHaveURL(/bed=sitting/);
});

test('beds and straps are kept in the kit, with makers’ limits', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Add a bed' }).click();
  const row = page.getByRole('group', { name: 'new bed' });
  await row.getByLabel('Ridge-cord').fill('1');
  await row.getByLabel('Ridge-cord').press('Enter');
  await expect(row).toContainText('A ridge-cord is 0.6 to 0.97 of its cloth');
  await row.getByLabel('Ridge-cord').fill('2.5');
  await row.getByLabel('Ridge-cord').press('Enter');
  await expect(row.getByLabel('Of', { exact: true })).toBeVisible();
  await row.getByLabel('Limit').fill('120');
  await row.getByLabel('Limit').press('Enter');
  await expect(row).toContainText('the maker’s, from the label');
  await page.reload();
  // what is open stays so, by its address
  await expect(row.getByLabel('Limit')).toHaveValue('120');
  await page.getByRole('button', { name: /^river bed, 3 m/ }).click();
  await page.getByRole('button', { name: 'Take river bed, 3 m out of the kit' }).click();
  await expect(page.getByRole('alert')).toContainText('This bed is in');
  await page.getByRole('button', { name: 'Add straps' }).click();
  const straps = page.getByRole('group', { name: 'new straps' });
  await straps.getByLabel('How many').fill('30');
  await straps.getByLabel('How many').press('Enter');
  await expect(straps).toContainText(/30 loops reach 3\.90 m along a strap of 3\.00 m/);
});
