import { expect, test } from './server.js';

test.describe.configure({ mode: 'serial' });

test('closed, stopped and started again, all is as it was; killed, too', async ({ app, browser }) => {
  const first = await browser.newPage();
  await first.goto(`${app.address}/rigs/landing-gable/ground`);
  const rise = first.getByLabel('Ground rises');
  await rise.fill('0.45');
  await rise.press('Enter');
  await expect(first.getByRole('banner').getByRole('status')).toHaveText('saved');
  await first.close();
  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    await app.down(signal);
    await app.up();
    const again = await browser.newPage();
    await again.goto(`${app.address}/rigs/landing-gable/ground`);
    await expect(again.getByLabel('Ground rises')).toHaveValue('0.45');
    await again.close();
  }
});

test('a lost server loses nothing: what was changed is kept here and saved when it is back', async ({ app, page }) => {
  await page.goto(`${app.address}/rigs/landing-gable/ground`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await app.down();
  const rise = page.getByLabel('Ground rises');
  await rise.fill('0.6');
  await rise.press('Enter');
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  await app.up();
  await expect(page.getByRole('banner').getByRole('status')).toHaveText('saved', { timeout: 15_000 });
  await page.reload();
  await expect(page.getByLabel('Ground rises')).toHaveValue('0.6');
});

test('a closed window loses nothing either: the change comes back when the rig is opened again', async ({
  app,
  context,
}) => {
  const page = await context.newPage();
  await page.goto(`${app.address}/rigs/landing-gable/ground`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.route('**/api/rigs/**', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Ground rises').fill('0.9');
  await page.getByLabel('Ground rises').press('Enter');
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await again.goto(`${app.address}/rigs/landing-gable/ground`);
  await expect(again.getByLabel('Ground rises')).toHaveValue('0.9');
  await expect(again.getByRole('banner').getByRole('status')).toHaveText('saved');
});

test('two windows on one rig are told so, and neither loses its changes', async ({ app, context }) => {
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const page of [one, two]) {
    await page.goto(`${app.address}/rigs/drying-line-twine/ground`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  }
  /** Changes it, and waits till the server has answered. */
  const change = async (page: typeof one, value: string): Promise<void> => {
    const answered = page.waitForResponse(
      (r) => r.request().method() === 'PUT' && r.url().endsWith('drying-line-twine'),
    );
    await page.getByLabel('Ground rises').fill(value);
    await page.getByLabel('Ground rises').press('Enter');
    await answered;
  };
  // the second window does not hear of it before it is changed itself
  await two.route('**/api/rigs/drying-line-twine', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  await change(one, '0.3');
  await expect(one.getByRole('banner').getByRole('status')).toHaveText('saved');
  await change(two, '0.7');
  await expect(two.getByText('This rig was changed in another window.')).toBeVisible();
  await two.unroute('**/api/rigs/drying-line-twine');
  await two.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(two).toHaveURL(/\/rigs\/[0-9a-f-]{36}\/ridge/);
  await two.getByRole('link', { name: /^Ground/ }).click();
  await expect(two.getByLabel('Ground rises')).toHaveValue('0.7');
  await two.goto(`${app.address}/rigs/drying-line-twine/ground`);
  await expect(two.getByLabel('Ground rises')).toHaveValue('0.3');
});

test('kit and measures change what the rig is judged with', async ({ app, page }) => {
  await page.goto(`${app.address}/kit`);
  await page.getByRole('button', { name: /^green 550, long hank/ }).click();
  await page.getByRole('group', { name: 'green 550, long hank' }).getByLabel('Wear').selectOption('cut');
  await expect(page.getByRole('button', { name: /^green 550, long hank/ })).toContainText('nicked');
  await page.goto(`${app.address}/rigs/landing-gable/ridge`);
  await expect(page.getByText(/green 550, long hank is nicked/)).toBeVisible();
  await page.goto(`${app.address}/me`);
  const pace = await page.getByLabel('Pace', { exact: true }).inputValue();
  await page.getByLabel('Pace', { exact: true }).fill('0.8');
  await page.getByLabel('Pace', { exact: true }).press('Enter');
  await page.goto(`${app.address}/rigs/landing-gable/ridge`);
  await expect(page.getByRole('button', { name: /^span: 7\.20 m/ })).toBeVisible();
  await page.goto(`${app.address}/kit`);
  await page.getByRole('button', { name: /^green 550, long hank/ }).click();
  await page.getByRole('button', { name: 'Take green 550, long hank out of the kit' }).click();
  await expect(page.getByRole('alert')).toContainText('“Landing gable”');
  // other files may go on with the same application
  await page.getByRole('group', { name: 'green 550, long hank' }).getByLabel('Wear').selectOption('sound');
  await expect(page.getByRole('button', { name: /^green 550, long hank/ })).not.toContainText('nicked');
  await page.goto(`${app.address}/me`);
  await page.getByLabel('Pace', { exact: true }).fill(pace);
  await page.getByLabel('Pace', { exact: true }).press('Enter');
  await expect(page.getByLabel('Pace', { exact: true })).toHaveValue(pace);
});

test('a version is named, laid beside the rig as it is now, and brought back', async ({ app, page }) => {
  await page.goto(`${app.address}/rigs/gravel-spit-gable/guy`);
  const haul = page.getByRole('textbox', { name: 'Hauled with' });
  const before = await haul.inputValue();
  await page.getByRole('button', { name: 'Versions' }).click();
  const panel = page.getByRole('dialog', { name: 'Versions' });
  await panel.getByLabel('Name it as it is now').fill('as first pitched');
  await panel.getByLabel('Name it as it is now').press('Enter');
  await expect(panel.getByRole('list', { name: 'Named versions' })).toContainText('as first pitched');
  await haul.fill('60');
  await haul.press('Enter');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const named = panel.getByRole('list', { name: 'Named versions' }).getByRole('listitem');
  await named.getByRole('button', { name: 'Lay it beside' }).click();
  await expect(page.getByRole('dialog', { name: 'Compare' })).toContainText('as first pitched');
  await expect(page.getByRole('dialog', { name: 'Compare' }).getByRole('table').first()).toBeVisible();
  await page.goBack();
  await named.getByRole('button', { name: 'Bring it back' }).click();
  await expect(haul).toHaveValue(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(haul).toHaveValue('60');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(haul).toHaveValue(before);
  await page.reload();
  await expect(haul).toHaveValue(before);
});

test('rigs are put in order by the keyboard, and stay so', async ({ app, page }) => {
  await page.goto(app.address);
  const names = page.getByRole('list', { name: 'Rigs' }).getByRole('link');
  await expect(names.first()).toBeVisible();
  const before = await names.allInnerTexts();
  await page.getByRole('button', { name: `Move ${before[0]}`, exact: true }).focus();
  // each step is told before the next is asked for
  await page.keyboard.press('Space');
  await expect(page.getByText(`${before[0]} is taken up, 1 of ${before.length}.`)).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText(`${before[0]} would be 2 of ${before.length}.`)).toBeAttached();
  await page.keyboard.press('Space');
  await expect(names.first()).toHaveText(before[1]!);
  await page.reload();
  await expect(names.nth(1)).toHaveText(before[0]!);
  await expect(names.first()).toHaveText(before[1]!);
});

test('a rig taken down can be put back', async ({ app, page }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Delete Bank-top ridge, dip tested' }).click();
  await expect(page.getByText('Bank-top ridge, dip tested was deleted.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('link', { name: 'Bank-top ridge, dip tested' })).toBeVisible();
});

test('an address of nothing says so and leads back', async ({ app, page }) => {
  await page.goto(`${app.address}/rigs/nowhere/ridge`);
  await expect(page.getByRole('alert')).toContainText('There is no rig of that name');
  await page.getByRole('link', { name: 'To the camp', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sallow Ait' })).toBeVisible();
});
