import type { Page } from '@playwright/test';
import { expect, test } from './server.js';

test.use({ serviceWorkers: 'allow', of: 'offline' });

/** Waits until the application is installed on this device and answers for it. */
const installed = async (page: Page): Promise<void> => {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  // the page that installed it is not answered by it yet
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
};
const saved = (page: Page) => page.getByRole('status').filter({ hasText: /^saved$/ });

test('without a server: opened anew, solved and changed; back again, what was changed arrives once', async ({
  page,
  app,
}) => {
  await page.goto('/rigs/landing-gable/ridge');
  await expect(saved(page)).toBeVisible();
  await installed(page);
  await expect(page.getByText(/worst of \d+ cases|holds/i).first()).toBeVisible();
  await page.goto('/camps/sallow-ait');
  await expect(page.getByRole('link', { name: /^Mess roof/ })).toBeVisible();
  await page.goto('/rigs/landing-gable/ridge');
  await expect(saved(page)).toBeVisible();
  const version = async (): Promise<number> =>
    ((await (await page.request.get('/api/rigs/landing-gable')).json()) as { version: number }).version;
  const before = await version();
  const revisions = async (): Promise<number> =>
    ((await (await page.request.get('/api/rigs/landing-gable/revisions')).json()) as unknown[]).length;
  const savesBefore = await revisions();

  await app.down('SIGKILL');
  // a view that this window never had open before, from nothing but this device
  await page.goto('/camps/sallow-ait');
  await expect(page.getByRole('heading', { level: 1, name: 'Sallow Ait' })).toBeVisible();
  await page.goto('/cautions');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.goto('/rigs/landing-gable/ridge');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict.getByRole('heading')).toBeVisible();
  const tie = page.getByRole('slider', { name: 'Tie height at the upstream alder' });
  const height = await tie.getAttribute('aria-valuenow');
  await tie.press('ArrowUp');
  await expect(page.getByRole('status').filter({ hasText: 'not saved yet' })).toBeVisible();
  const raised = (await tie.getAttribute('aria-valuenow'))!;
  expect(Number(raised)).toBeGreaterThan(Number(height));
  // the tab is closed and opened again in the wood: it is still there, and solved
  await page.reload();
  await expect(tie).toHaveAttribute('aria-valuenow', raised);
  await expect(page.getByRole('status').filter({ hasText: 'not saved yet' })).toBeVisible();
  await expect(verdict.getByRole('heading')).toBeVisible();

  await app.up();
  await expect(saved(page)).toBeVisible();
  expect(await version()).toBe(before + 1);
  expect(await revisions()).toBe(savesBefore + 1);
});

test('without a server: a rig copied, opened and changed, another deleted, a hank changed; each arrives once', async ({
  page,
  app,
}) => {
  await page.goto('/camps/sallow-ait');
  await expect(page.getByRole('link', { name: /^Mess roof/ })).toBeVisible();
  await installed(page);
  await page.goto('/kit');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.goto('/camps/sallow-ait');
  interface Camp {
    readonly rigs: readonly { readonly id: string; readonly name: string; readonly version: number }[];
    readonly kit: readonly { readonly id: string; readonly length: number }[];
  }
  const camp = async (): Promise<Camp> => (await (await page.request.get('/api/camps/sallow-ait')).json()) as Camp;
  const before = await camp();

  await app.down('SIGKILL');
  await page.getByRole('button', { name: 'Copy Landing gable', exact: true }).click();
  // what the server never saw stands open, is judged and changed
  const tie = page.getByRole('slider', { name: 'Tie height at the upstream alder' });
  const height = await tie.getAttribute('aria-valuenow');
  await expect(page.getByRole('status').filter({ hasText: '1 change waits' })).toBeVisible();
  await tie.press('ArrowUp');
  const raised = (await tie.getAttribute('aria-valuenow'))!;
  expect(Number(raised)).toBeGreaterThan(Number(height));
  await expect(page.getByRole('region', { name: 'Verdict' }).getByRole('heading')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'not saved yet' })).toBeVisible();
  const at = page.url();
  await page.goto('/camps/sallow-ait');
  await expect(page.getByRole('link', { name: /^Landing gable/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Delete Bank-top ridge, dip tested' }).click();
  await expect(page.getByRole('link', { name: /^Bank-top ridge/ })).toHaveCount(0);
  // the tab is closed and opened again in the wood
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: '2 changes wait' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Landing gable/ })).toHaveCount(2);
  await expect(page.getByRole('link', { name: /^Bank-top ridge/ })).toHaveCount(0);
  await page.goto('/kit');
  await page.getByRole('button', { name: /^thin slick braid/ }).click();
  const length = page.getByRole('textbox', { name: 'On hand' });
  await length.fill('27');
  await length.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: '3 changes wait' })).toBeVisible();
  await page.goto(at);
  await expect(tie).toHaveAttribute('aria-valuenow', raised);

  await app.up();
  await expect(saved(page)).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /wait/ })).toHaveCount(0);
  const after = await camp();
  const ids = before.rigs.map((r) => r.id).filter((id) => id !== 'bank-top-ridge-dip-tested');
  const made = after.rigs.filter((r) => !ids.includes(r.id));
  expect(made).toMatchObject([{ version: 2 }]);
  expect(made[0]!.name).toMatch(/^Landing gable/);
  expect(after.rigs).toHaveLength(ids.length + 1);
  expect(after.kit.filter((c, i) => c.length !== before.kit[i]!.length).map((c) => c.length)).toEqual([27]);
  expect(after.kit).toHaveLength(before.kit.length);
});

test('a hundred entries written without a server arrive once each and in order, though it dies amid them', async ({
  page,
  app,
}) => {
  await page.goto('/rigs/gravel-spit-gable/work');
  await expect(page.getByRole('list', { name: 'Steps of pitching it' })).toBeVisible();
  await installed(page);
  await page.goto('/rigs/gravel-spit-gable/work');
  await expect(page.getByRole('list', { name: 'Steps of pitching it' })).toBeVisible();
  const entries = async (): Promise<{ id: string; what: { code: string } }[]> =>
    (await (await page.request.get('/api/camps/sallow-ait/log')).json()) as { id: string; what: { code: string } }[];
  const before = (await entries()).length;
  await app.down('SIGKILL');
  // five times through twenty steps, up and down
  let written = 0;
  for (let round = 0; written < 100; round++) {
    await page.getByRole('tab', { name: round % 2 === 0 ? /^Pitch it/ : /^Take it down/ }).click();
    await page.getByRole('button', { name: 'Time it' }).click();
    const steps = page.getByRole('button', { name: /^Done: / });
    const count = await steps.count();
    for (let i = 0; i < count && written < 100; i++) {
      if (await steps.nth(i).isDisabled()) continue;
      await steps.nth(i).click();
      written++;
    }
    await page.getByRole('button', { name: 'Stop timing' }).click();
  }
  const queued = await page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const open = indexedDB.open('keyval-store');
        open.onsuccess = () => {
          const got = open.result.transaction('keyval').objectStore('keyval').get('outbox');
          got.onsuccess = () => resolve((got.result as { id: string }[]).map((p) => p.id));
        };
      }),
  );
  expect(queued).toHaveLength(100);
  expect(new Set(queued).size).toBe(100);
  // back, dead again at once, and back for good
  await app.up();
  await app.down('SIGKILL');
  await page.reload();
  await app.up();
  await expect.poll(async () => (await entries()).length, { timeout: 60_000 }).toBe(before + 100);
  expect((await entries()).slice(before).map((e) => e.id)).toEqual(queued);
  await expect.poll(async () => (await entries()).length).toBe(before + 100);
});
