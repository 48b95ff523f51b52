import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './server.js';
import { ledgerRow, more, tick } from './press.js';

const saved = (page: Page): Promise<void> => expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');
const verdict = (page: Page): Locator =>
  page.getByRole('region', { name: 'Verdict' }).getByRole('heading', { level: 1 });
/** The ledger when every case has been judged. */
const judged = (page: Page): Promise<void> =>
  expect(page.getByText(/worst of \d+ cases/)).toBeVisible({ timeout: 90_000 });
/** A ridgeline of the test's own, from the drying line, at a step. */
async function ownRig(page: Page, name = 'Bank-top ridge, dip tested'): Promise<void> {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('button', { name: `Copy ${name}`, exact: true }).click();
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\//);
}
const demand = async (page: Page, row: string): Promise<number> => {
  const text = await ledgerRow(page, row)
    .getByRole('button', { name: /Open the working/ })
    .first()
    .innerText();
  return Number(/[\d.]+/.exec(text)![0]);
};

test('a gable is pitched on a ridgeline, a guy dragged, the ledger follows, and undo brings it back', async ({
  page,
}) => {
  const problems: string[] = [];
  page.on('pageerror', (e) => problems.push(e.message));
  page.on('console', (m) => m.type() === 'error' && problems.push(m.text()));
  await ownRig(page);
  await page.getByRole('link', { name: /^Hang/ }).click();
  await page.getByRole('button', { name: 'Pitch a roof' }).click();
  await page.getByRole('menuitem', { name: 'grey-blue square, 3 m' }).click();
  await judged(page);
  await expect(page.getByLabel('Form', { exact: true })).toHaveValue('gable');
  await more(page, 'Hang');
  await expect(page.getByText(/Covers .* headroom/)).toBeVisible();
  await page.getByRole('link', { name: /^Guy/ }).click();
  await more(page, 'Guy');
  await expect(page.getByRole('group', { name: 'The rig from above, to scale' })).toBeVisible();
  const row = page.getByRole('row', { name: /^left middle guy/ });
  await expect(row).toContainText('follows the cloth');
  // the bare line's cases stood there before the roof's
  await judged(page);
  const before = await demand(page, 'Left middle guy');
  const foot = page.getByRole('slider', { name: 'Foot of the left middle guy' });
  const box = (await foot.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 8; k++) await page.mouse.move(x, y - 5 * k);
  // while the hand moves, only the rig as pitched is told, and the numbers follow without letting go
  await expect(page.getByText(/as pitched; the weather follows/)).toBeVisible();
  await expect(row).toContainText('where you put it');
  const held = await demand(page, 'Left middle guy');
  for (let k = 9; k <= 16; k++) await page.mouse.move(x, y - 5 * k);
  await expect.poll(() => demand(page, 'Left middle guy')).not.toBe(held);
  await page.mouse.up();
  await judged(page);
  await expect.poll(() => demand(page, 'Left middle guy')).not.toBe(before);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toContainText('follows the cloth');
  await judged(page);
  await expect.poll(() => demand(page, 'Left middle guy')).toBe(before);
  // let go of on a trunk it is tied there; taken off again it is pegged where the hand puts it
  const trunk = (await page.locator('circle[data-thing=trunk]').first().boundingBox())!;
  const at = (await foot.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(trunk.x + trunk.width / 2 + 3, trunk.y + trunk.height / 2 + 3, { steps: 6 });
  await page.mouse.up();
  await expect(row).toContainText('on the bank poplar');
  await judged(page);
  await expect(foot).toHaveAttribute('aria-valuetext', /^on the bank poplar, \d+ N/);
  await foot.focus();
  await page.keyboard.press('ArrowUp');
  await expect(row).not.toContainText('on the bank poplar');
  await judged(page);
  expect(problems).toEqual([]);
});

test('a mid-point is lifted onto a stick by hand, and the rig is swung by turning north', async ({ page }) => {
  await ownRig(page, 'Mess roof');
  await page.getByRole('link', { name: /^Guy/ }).click();
  await judged(page);
  const north = page.getByRole('slider', { name: /^Swing the rig/ });
  const before = await north.getAttribute('aria-valuenow');
  await north.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => north.getAttribute('aria-valuenow')).not.toBe(before);
  await page.getByRole('button', { name: 'from the side' }).click();
  const tieOut = page.getByRole('slider', { name: /^Raise .* on a stick/ }).first();
  await expect(tieOut).toHaveAttribute('aria-valuetext', /no stick|stick of/);
  const box = (await tieOut.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 6; k++) await page.mouse.move(x, y - 5 * k);
  await page.mouse.up();
  await judged(page);
  await more(page, 'Guy');
  await expect(
    page
      .getByRole('table')
      .getByText(/stick of \d/)
      .first(),
  ).toBeVisible({ timeout: 30_000 });
  await saved(page);
});

test('hitches that slip are told, and dressing them mends it', async ({ page }) => {
  await ownRig(page, 'Sheet with slipping loops');
  await page.getByRole('link', { name: /^Hang/ }).click();
  await judged(page);
  await more(page, 'Hang');
  await page.getByRole('tab', { name: 'Hitches' }).click();
  await expect(page.getByText(/A turn crosses another and halves the grip/).first()).toBeVisible();
  await expect(page.getByText(/at the edge of slipping|usually hold/).first()).toBeVisible();
  const first = page.getByRole('heading', { name: 'First hitch', exact: true }).locator('..');
  await tick(first.getByRole('checkbox', { name: 'A turn crosses another' }));
  await expect(first.getByText(/A turn crosses another and halves/)).toHaveCount(0, { timeout: 20_000 });
  await first.getByLabel('Its cord').selectOption({ label: 'tarred twine #36' });
  await expect(first.getByText(/at the edge of slipping|usually hold/)).toHaveCount(0, { timeout: 20_000 });
  await saved(page);
});

test('a guy of its own: given to a tree, left off and put back', async ({ page }) => {
  await ownRig(page, 'Gravel-spit gable');
  await page.getByRole('link', { name: /^Guy/ }).click();
  await judged(page);
  await more(page, 'Guy');
  const right = page.getByRole('button', { name: 'right middle guy', exact: true });
  await right.click();
  const alone = page.getByRole('dialog', { name: 'Right middle guy' });
  await alone.getByLabel('To', { exact: true }).selectOption('stem');
  await judged(page);
  // closed, the keyboard is where it was
  await page.keyboard.press('Escape');
  await expect(alone).toHaveCount(0);
  await expect(right).toBeFocused();
  await expect(ledgerRow(page, 'Right middle guy')).toContainText('Foot of the sapling', { timeout: 20_000 });
  await right.click();
  // to a trunk that bears the ridge already: what both pull there is one row
  await alone.getByLabel('To', { exact: true }).selectOption({ label: 'a tree of this rig' });
  await alone.getByLabel('Tree', { exact: true }).selectOption({ index: 1 });
  const trunk = await alone
    .getByLabel('Tree', { exact: true })
    .evaluate((e) => (e as HTMLSelectElement).selectedOptions[0]!.text);
  await expect(page.getByRole('row', { name: /^right middle guy/ })).toContainText(`on ${trunk}`);
  await judged(page);
  await expect(ledgerRow(page, `Foot of ${trunk}`)).toHaveCount(1, { timeout: 20_000 });
  await alone.getByRole('button', { name: 'Leave it off' }).click();
  await expect(page.getByRole('row', { name: /^right middle guy/ })).toHaveCount(0, { timeout: 20_000 });
  await page.getByRole('button', { name: /Put right middle back/ }).click();
  await expect(page.getByRole('row', { name: /^right middle guy/ })).toBeVisible({ timeout: 20_000 });
});

test('a rig goes out as a file and comes in again; a file that is none says why', async ({ page }, info) => {
  await page.goto('/rigs/hammock-fly/guy');
  await judged(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Rig file' }).click(),
  ]);
  const path = info.outputPath('hammock-fly.rig.json');
  await download.saveAs(path);
  expect((JSON.parse(readFileSync(path, 'utf8')) as { format: string }).format).toBe('rough-bight/rig@4');
  await page.goto('/camps/sallow-ait');
  await page.getByLabel('Take in a rig file').setInputFiles(path);
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}\/hang/);
  await judged(page);
  await expect(page.getByLabel('Form', { exact: true })).toHaveValue('diagonal');
  await page.goto('/camps/sallow-ait');
  await page.getByLabel('Take in a rig file').setInputFiles({
    name: 'wrong.rig.json',
    mimeType: 'application/json',
    buffer: Buffer.from(readFileSync(path, 'utf8').replace('"spread": 40', '"spread": 4000')),
  });
  await expect(page.getByRole('alert')).toContainText(
    'rig.pitch.spread: The spread along the ridge must be a number from 0 to 600',
  );
  await page
    .getByLabel('Take in a rig file')
    .setInputFiles({ name: 'note.json', mimeType: 'application/json', buffer: Buffer.from('hello') });
  await expect(page.getByRole('alert')).toContainText('note.json is not a rig file');
});

test('a form that cannot be says which number to change and keeps what was typed', async ({ page }) => {
  await ownRig(page, 'Gravel-spit gable');
  await page.getByRole('link', { name: /^Hang/ }).click();
  await judged(page);
  await page.getByLabel('Form', { exact: true }).selectOption('threesided');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(
    /too narrow to fold three sides.*Lower the ridge to 1\.\d+ m/,
  );
  await expect(page.getByRole('alert')).toContainText('The picture shows the last rig that could be worked out');
  // nothing that stood before is said of it
  await expect(verdict(page)).toHaveText('This rig cannot be worked out as it is.');
  await expect(page.getByText(/worst of \d+ cases/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0, { timeout: 20_000 });
  await expect(verdict(page)).toHaveText(/lets go first/);
});

test('every case can be drawn, and its water is told', async ({ page }) => {
  await page.goto('/rigs/mess-roof/weather');
  await judged(page);
  await more(page, 'Weather');
  await page
    .getByRole('button', { name: /^Gust from the .*, (pushing|lifting|by)/ })
    .first()
    .click();
  await expect(page).toHaveURL(/case=gust/);
  await expect(page.getByRole('button', { name: /^Gust from the .*, (pushing|lifting|by)/ }).first()).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByText('Touch a case to draw it.')).toBeVisible();
  await page.getByRole('button', { name: 'from above' }).click();
  await expect(page.getByText(/pail here: .* for each mm of rain/)).toBeVisible();
});

test('roofs and pegs are kept in the kit, and one in use stays', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Add a roof' }).click();
  const row = page.getByRole('group', { name: 'new roof', exact: true });
  await expect(row.getByRole('textbox', { name: 'Name' })).toHaveValue('new roof');
  await row.getByRole('textbox', { name: 'Length' }).fill('3.6');
  await row.getByRole('textbox', { name: 'Length' }).press('Enter');
  await expect(row.getByLabel('Tie-outs at')).toHaveValue('full');
  await row.getByLabel('Held by').selectOption('eyelet');
  await expect(row.getByText(/19 tie-outs/)).toBeVisible();
  await row.getByRole('textbox', { name: 'Edges hollow by' }).fill('0.1');
  await row.getByRole('textbox', { name: 'Edges hollow by' }).press('Enter');
  // a tie-out is dragged on the cloth, and moved by the arrow keys
  const second = row.getByRole('button', { name: 'Tie-out 2 of 19' });
  const at = (await second.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 + 14, at.y + at.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(second).toHaveAttribute('aria-pressed', 'true');
  await expect(row.getByLabel('Tie-outs at')).toHaveValue('own');
  const along = row.getByRole('textbox', { name: 'Along' });
  const dragged = Number(await along.inputValue());
  expect(dragged).toBeGreaterThan(-0.9);
  await second.press('ArrowRight');
  await expect(along).toHaveValue(String(Number((dragged + 0.05).toFixed(2))));
  await along.fill('-9');
  await along.press('Enter');
  await expect(row).toContainText(/Along can be from -1.8 to 1.8 m/);
  await page.getByRole('button', { name: 'Take new roof out of the kit' }).click();
  await expect(page.getByText('new roof was taken out of the kit.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await page.getByRole('button', { name: /^new roof/ }).click();
  await page.getByRole('button', { name: 'Take new roof out of the kit' }).click();
  await expect(page.getByRole('button', { name: /^new roof/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^grey-blue square, 3 m/ }).click();
  await page.getByRole('button', { name: 'Take grey-blue square, 3 m out of the kit' }).click();
  await expect(page.getByRole('alert')).toContainText(/This roof is in .*“Gravel-spit gable”/);
});
