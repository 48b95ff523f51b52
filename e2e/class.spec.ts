import { Application, expect, test } from './server.js';
import { scan } from './scan.js';
import type { Page } from '@playwright/test';

let app: Application;
test.beforeAll(async () => {
  app = new Application();
  await app.up(true);
});
test.afterAll(() => app.gone());

async function comeIn(page: Page, name: string): Promise<void> {
  await page.goto(`${app.class.address}/class?code=${app.class.code}`);
  await page.getByLabel('Passphrase').fill(app.class.passphrase);
  await page.getByLabel('My name').fill(name);
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByText(/You are in|How much/)).toBeVisible();
}

test('a class answers together: two phones guess, the spread is seen before the truth, and all of it is remembered', async ({
  page,
  browser,
}) => {
  await page.goto(`${app.address}/camps/sallow-ait/live`);
  await expect(page.getByText(`${app.class.address}/class`)).toBeVisible();
  await expect(page.getByText('Nobody is here yet.')).toBeVisible();
  await scan(page, 'live');
  const phones = await Promise.all(
    [0, 1].map(async () => (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()),
  );
  const [first, second] = phones as [Page, Page];
  // the address alone leads there
  await first.goto(app.class.address);
  await expect(first.getByRole('heading', { name: 'Come into the class' })).toBeVisible();
  await first.getByRole('button', { name: 'Come in' }).click();
  await expect(first.getByText('Four words, as they are said.')).toBeVisible();
  await first.getByLabel('Code').fill(app.class.code);
  await first.getByLabel('Passphrase').fill('acorn acorn acorn acorn');
  await first.getByLabel('My name').fill('Alder');
  await first.getByRole('button', { name: 'Come in' }).click();
  await expect(first.getByRole('alert')).toContainText('do not go together');
  await scan(first, 'come in');
  await first.getByLabel('Passphrase').fill(app.class.passphrase);
  await first.getByRole('button', { name: 'Come in' }).click();
  await expect(first.getByText('You are in. The first question comes by itself.')).toBeVisible();
  await comeIn(second, 'Newcomer');
  await expect(page.getByText('Two learners here:')).toBeVisible();

  await page.getByLabel('Ask everybody').selectOption({ label: 'how much is in a line' });
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  for (const phone of phones)
    await expect(phone.getByText(/How much is in the line\?$/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Nobody has said anything yet.')).toBeVisible();
  await first.getByLabel('My guess', { exact: true }).fill('120');
  await first.getByRole('button', { name: 'That is my guess' }).click();
  await expect(first.getByText('It is in. You can change it until the truth is shown.')).toBeVisible();
  await scan(first, 'guess on a phone');
  await expect(page.getByText('1 of 2 have said it')).toBeVisible();
  await second.getByLabel('My guess', { exact: true }).fill('400');
  await second.getByRole('button', { name: 'That is my guess' }).click();
  const spread = page.getByRole('img', { name: /^two guesses from 120 N to 400 N/ });
  await expect(spread).toBeVisible();
  await expect(spread).not.toHaveAccessibleName(/it is/);
  // what is true is on no phone yet
  await expect(first.getByText(/^You said/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Show what is true' }).click();
  await expect(page.getByRole('img', { name: /; it is / })).toBeVisible();
  await expect(first.getByText('You said 120 N, 70 % sure.')).toBeVisible();
  await expect(second.getByText('You said 400 N, 70 % sure.')).toBeVisible();
  await scan(page, 'shown');

  // a phone that reloads is in still; one that leaves is gone from the screen
  await first.reload();
  await expect(first.getByText('You said 120 N, 70 % sure.')).toBeVisible();
  await second.getByRole('button', { name: 'Leave the class' }).click();
  await expect(second.getByRole('heading', { name: 'Come into the class' })).toBeVisible();
  await expect(page.getByText('One learner here:')).toBeVisible();

  // a shared rig is looked at, and nothing else
  await page.getByText(/^Rigs that the class may look at/).click();
  await page.getByText('Mess roof', { exact: true }).click();
  await expect(first.getByRole('link', { name: 'Mess roof' })).toBeVisible({ timeout: 90_000 });
  const [card] = await Promise.all([
    first.context().waitForEvent('page'),
    first.getByRole('link', { name: 'Mess roof' }).click(),
  ]);
  await expect(card.getByRole('heading', { name: 'Mess roof' }).first()).toBeVisible();
  expect((await first.request.get(`${app.class.address}/api/camps`)).status()).toBe(404);

  // both guesses are in the camp
  await page.goto(`${app.address}/camps/sallow-ait/class`);
  await expect(page.getByRole('row', { name: /Newcomer/ })).toContainText('1');
  for (const phone of phones) await phone.context().close();
});

test('without --class nothing is open, and it is said how to open one', async ({ page }) => {
  const plain = new Application();
  await plain.up();
  await page.goto(`${plain.address}/camps/sallow-ait/live`);
  await expect(page.getByText('npm start -- --class')).toBeVisible();
  await plain.gone();
});

test('a pitch against the watch: splits by one big key, faults afterwards, kept; the evening follows from what is weak', async ({
  page,
}) => {
  await page.goto(`${app.address}/camps/sallow-ait/class`);
  await expect(page.getByRole('link', { name: 'Teasel' })).toBeVisible();
  await expect(page.getByText(/is stuck on “|are stuck on “/)).toBeVisible();
  await scan(page, 'class');
  const lesson = page.getByRole('region', { name: 'Lesson' });
  await expect(lesson).toContainText('Look up, all together');
  const long = await lesson.getByRole('listitem').count();
  await page.getByLabel('Minutes there are').fill('40');
  await page.getByLabel('Minutes there are').press('Tab');
  expect(await lesson.getByRole('listitem').count()).toBeLessThan(long);

  await page.goto(`${app.address}/camps/sallow-ait/pitch`);
  await expect(page.getByText(/has pitched nothing against the watch yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  for (const split of ['Looked up, trees chosen', 'Ridge strung', 'Cloth hung', 'Guyed out: stop']) {
    await page.getByRole('button', { name: split }).press('Enter');
  }
  const wrong = page.getByRole('region', { name: 'What was wrong' });
  await expect(wrong).toBeVisible();
  await wrong.getByText('Crossed turns').click();
  await wrong.getByText('Slack ridge').click();
  await scan(page, 'faults of a pitch');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/A roof: 0:0\d at best, of one\./)).toBeVisible();
  const past = page.getByRole('list', { name: 'What was wrong' });
  await expect(past).toContainText('Crossed turns');
  await expect(past).toContainText('1 of 1');
  await page.reload();
  await expect(page.getByRole('list', { name: 'What was wrong' })).toContainText('Slack ridge');
});

test('progress goes out as CSV and JSON, and drills as sheets to print', async ({ page }) => {
  await page.goto(`${app.address}/camps/sallow-ait/class`);
  const saved = async (name: string): Promise<string> => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    const chunks: Buffer[] = [];
    for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
    return Buffer.concat(chunks).toString('latin1');
  };
  const json = JSON.parse(await saved('Progress as JSON')) as {
    format: string;
    guesses: unknown[];
    pitches: unknown[];
  };
  expect(json.format).toBe('rough-bight/progress@1');
  expect(json.guesses.length).toBeGreaterThan(200);
  expect((await saved('Guesses as CSV')).split('\n')[0]).toBe('at,learner,drill,seed,error,near,sure');
  expect((await saved('Pitches as CSV')).split('\n')[0]).toBe('at,learner,of,total,splits,faults');
  page.setDefaultTimeout(120_000);
  const pdf = await saved('Drills to print');
  expect(pdf.startsWith('%PDF')).toBe(true);
});
