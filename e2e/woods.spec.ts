import { readFile } from 'node:fs/promises';
import { tick } from './press.js';
import { scan } from './scan.js';
import { expect, test } from './server.js';

// counts what is in the bag: nobody else has cut of it
test.use({ of: 'woods' });

test('the cord of tonight’s rigs: who fights over it, one plan, cut on a touch and taken back', async ({ page }) => {
  await page.goto('/camps/sallow-ait');
  await page.getByRole('link', { name: 'Cord for tonight' }).click();
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('One line of Bed on one alder has no cord: rigs draw on the same hanks.', {
    timeout: 60_000,
  });
  await expect(
    page.getByText(/Red accessory, 5 mm: .* wanted, 20\.0 m there\. Each rig alone has enough\./),
  ).toBeVisible();
  await expect(page.getByText('without its stay')).toBeVisible();
  await scan(page, 'cord');
  // the bed stays at home tonight
  await page.getByRole('button', { name: 'Four rigs of 12 stand tonight' }).click();
  await tick(page.getByRole('checkbox', { name: 'Bed on one alder' }));
  await expect(verdict).toContainText('Every line has its cord, in', { timeout: 60_000 });
  const lengths = page.getByRole('list', { name: 'Lengths on hand and what they are cut into' });
  // what was cut before and lives on the mess roof goes on it uncut
  const piece = lengths.getByRole('listitem').filter({ hasText: 'A piece of tarred twine #36' }).first();
  await expect(piece).toContainText('of Mess roof');
  await expect(piece).toContainText('not cut');
  // four legs of a bench are bound with cord of the same bag
  await page.getByRole('button', { name: 'Nothing is bound with cord besides' }).click();
  await page.getByRole('button', { name: 'Something bound' }).click();
  const bound = page.getByRole('list', { name: 'What is bound with cord' });
  await bound.getByLabel('Of').selectOption({ label: 'tarred twine #15' });
  await expect(bound).toContainText(/\d m each, its knot and ends with it/);
  await expect(lengths.locator('ol > li').filter({ hasText: 'Bench' })).toHaveCount(4);
  // a number opens its working
  await lengths
    .getByRole('button', { name: /^cord for the ridgeline/ })
    .first()
    .click();
  const working = page.getByRole('dialog', { name: 'Working' });
  await expect(working).toContainText('round what it is tied to');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'These are cut' }).click();
  await expect(verdict).toContainText('Every line has its cord, and nothing is cut.', { timeout: 60_000 });
  // it is in the hank's own history
  const hank = (await (await page.request.get('/api/camps/sallow-ait')).json()) as {
    kit: { id: string; length: number; cuts?: { name: string }[]; pieces?: { on?: string }[] }[];
  };
  const tarred = hank.kit.find((k) => k.id === 'tarred')!;
  expect(tarred.length).toBeLessThan(30);
  expect(tarred.cuts!.map((c) => c.name)).toContain('Mess roof, left middle guy');
  expect(tarred.pieces!.filter((p) => p.on === 'big').length).toBeGreaterThan(2);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(verdict).toContainText('Every line has its cord, in', { timeout: 60_000 });
});

test('the work on a rig: steps for whoever is there, timed by hand, and the rig taken down', async ({ page }) => {
  await page.goto('/rigs/mess-roof/guy');
  await page.getByRole('link', { name: /^Work/ }).click();
  const steps = page.getByRole('list', { name: 'Steps of pitching it' });
  await expect(steps.getByRole('listitem').first()).toContainText('Look up', { timeout: 60_000 });
  const order = async (): Promise<string> => (await steps.innerText()).replaceAll('\n', ' ');
  const before = await order();
  expect(before.indexOf('Haul the line at')).toBeLessThan(before.indexOf('Hang the mess roof'));
  // two people, the roof hung within reach and raised with its cloth on
  await page.getByLabel('Hands').selectOption({ label: 'two of us' });
  await page.getByLabel('The line is hauled').selectOption({ label: 'with the cloth on it' });
  await expect(steps).toContainText('Raise it at', { timeout: 60_000 });
  const after = await order();
  expect(after.indexOf('Hang the mess roof')).toBeLessThan(after.indexOf('Raise it at'));
  await expect(steps.getByText('you and the other').first()).toBeVisible();
  // the school of the guys changes the rig itself: it is judged anew
  await page.getByLabel('Guys').selectOption({ label: 'corners in turn' });
  await expect(steps).toContainText(/Guy out the .* corner/, { timeout: 60_000 });
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await page.getByRole('button', { name: 'Time it' }).click();
  await page.getByRole('button', { name: 'Done: Look up' }).click();
  await expect(page.getByRole('button', { name: 'Done: Look up' })).toBeDisabled();
  await page.getByRole('button', { name: 'Stop timing' }).click();
  await expect(page.getByText('Minutes are learnt from 1 of your own steps.')).toBeVisible();
  await scan(page, 'work');
  await page.getByRole('tab', { name: /^Take it down/ }).click();
  const down = page.getByRole('list', { name: 'Steps of taking it down' });
  await expect(down.getByRole('listitem').last()).toContainText('Look back');
  await expect(down).toContainText('Stand beside the line, not in it.');
  // all of it is there again after a reload
  await page.reload();
  await expect(page.getByLabel('Hands')).toHaveValue('two', { timeout: 60_000 });
});

test('the card: one page that opens from a file without a network, and a PDF to print', async ({ page, context }) => {
  test.setTimeout(180_000);
  await page.goto('/rigs/gravel-spit-gable/card');
  await expect(page.getByRole('button', { name: 'Page for a phone' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('img', { name: /^Gravel-spit gable\. / })).toBeVisible();
  await scan(page, 'card');
  const saved = async (name: string): Promise<{ path: string; called: string }> => {
    const waiting = page.waitForEvent('download', { timeout: 60_000 });
    await page.getByRole('button', { name }).click();
    const download = await waiting;
    return { path: (await download.path())!, called: download.suggestedFilename() };
  };
  const pageFile = await saved('Page for a phone');
  expect(pageFile.called).toBe('gravel-spit-gable.html');
  for (const [name, pages] of [
    ['PDF, A6', /\/MediaBox \[ ?0 0 29\d/],
    ['PDF, A4 to fold', /\/MediaBox \[ ?0 0 595/],
  ] as const) {
    const { path } = await saved(name);
    const bytes = await readFile(path);
    expect(bytes.subarray(0, 5).toString('latin1')).toBe('%PDF-');
    expect(bytes.length).toBeGreaterThan(10_000);
    if (name === 'PDF, A6') expect(bytes.toString('latin1')).toMatch(pages);
  }
  // the same code finds the rig again
  const html = await readFile(pageFile.path, 'utf8');
  const code = /Found again as<br><b>([2-9A-Z]{5})<\/b>/.exec(html)![1]!;
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /^Find/ }).fill(code);
  await expect(page.getByRole('option').first()).toContainText('Gravel-spit gable, work');
  await page.keyboard.press('Escape');
  // on a phone in the wood: from disk, without a network
  await context.setOffline(true);
  const phone = await context.newPage();
  await phone.setViewportSize({ width: 390, height: 844 });
  const asked: string[] = [];
  phone.on('request', (r) => asked.push(r.url()));
  const file = `${pageFile.path}.html`;
  await (await import('node:fs/promises')).copyFile(pageFile.path, file);
  await phone.goto(`file://${file}`);
  await expect(phone.getByRole('heading', { level: 1, name: 'Gravel-spit gable' })).toBeVisible();
  await expect(phone.getByText('Look up', { exact: true }).first()).toBeVisible();
  const paper = (): Promise<string> => phone.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await paper()).toBe('rgb(244, 238, 225)');
  await phone.getByText('Ember, for the night').click();
  expect(await paper()).toBe('rgb(21, 14, 11)');
  expect(await phone.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  expect(asked.filter((url) => !url.startsWith('file:'))).toEqual([]);
});

test('the cards of a night: one for all that stands, and one a rig, on one page', async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto('/camps/sallow-ait/card');
  const all = page.getByRole('region', { name: 'Card of Sallow Ait' });
  await expect(all.getByRole('img', { name: /^Sallow Ait\. / })).toBeVisible({ timeout: 90_000 });
  const { tonight, rigs } = (await (await page.request.get('/api/camps/sallow-ait')).json()) as {
    readonly tonight: readonly string[] | null;
    readonly rigs: readonly unknown[];
  };
  const cards = 1 + (tonight ?? rigs).length;
  await expect(page.getByRole('region', { name: /^Card of / })).toHaveCount(cards);
  const waiting = page.waitForEvent('download', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Page for a phone' }).click();
  const html = await readFile((await (await waiting).path())!, 'utf8');
  expect([...html.matchAll(/<article>/g)]).toHaveLength(cards);
  // what is cut from which hank stands on the night's card
  expect(html).toMatch(/<h2>Cut from tarred twine #36<\/h2>/);
  const code = /Found again as<br><b>([2-9A-Z]{5})<\/b>/.exec(html)![1]!;
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /^Find/ }).fill(code);
  await expect(page.getByRole('option').first()).toContainText('Sallow Ait, cord for tonight');
});
