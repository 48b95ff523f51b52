import { expect, test } from './server.js';

/** A shaken chain of stiff cord: seconds of work. */
const heavy = {
  format: 'rough-bight/net@1',
  nodes: Array.from({ length: 6000 }, (_, i) => ({
    id: `${i}`,
    at: [(i * 7) % 31, (i * 11) % 37, (i * 13) % 29],
    load: [0, 0, -1],
    fixed: i === 0 || i === 5999,
  })),
  lines: Array.from({ length: 5999 }, (_, i) => ({
    id: `${i}`,
    from: `${i}`,
    to: `${i + 1}`,
    restLength: 3,
    axialStiffness: 1e9,
  })),
};
const file = (name: string, content: unknown) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
});

test('an example comes to rest in its worker: tensions, largest first, and a picture', async ({ page }) => {
  await page.goto('/net');
  await page.getByRole('button', { name: 'Pole and back-stay' }).click();
  await expect(page.getByRole('heading', { name: 'At rest' })).toBeVisible();
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows.nth(1)).toContainText('pole');
  await expect(rows.nth(1)).toContainText('508 N pressed');
  await expect(page.getByRole('img', { name: /4 lines, 1 struts? and 0 panels at rest/ })).toBeVisible();
});

test('a file that cannot be used is refused by name, and the next one opens', async ({ page }) => {
  await page.goto('/net');
  const input = page.locator('input[type=file]');
  await input.setInputFiles(file('camp.json', '{"format":"rough-bight/net@1","nodes":[{"id":"a","at":[0,NaN,0]}]}'));
  await expect(page.getByRole('alert')).toContainText('camp.json cannot be read');
  await expect(page.getByRole('alert')).toContainText('node "a": at[1]: "NaN"; must be a finite number');
  await input.setInputFiles(
    file('falls.json', {
      format: 'rough-bight/net@1',
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [1, 0, 0], load: [0, 0, -3] },
      ],
    }),
  );
  await expect(page.getByRole('heading', { name: 'No rest found' })).toBeVisible();
  await expect(page.getByText('node "b" moves away without end')).toBeVisible();
});

test('heavy work can be stopped, leaves the page alive, and gives way to another file', async ({ page }) => {
  await page.goto('/net');
  const input = page.locator('input[type=file]');
  await input.setInputFiles(file('shaken.json', heavy));
  const stop = page.getByRole('button', { name: 'Stop' });
  await expect(page.getByText(/^Step [1-9]/)).toBeVisible();
  // the page still answers
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  // it may have ended by itself meanwhile: then it is begun again
  await expect(async () => {
    await input.setInputFiles(file('shaken.json', heavy));
    await stop.click({ timeout: 4000 });
    await expect(page.getByText('Stopped before it came to rest.')).toBeVisible({ timeout: 4000 });
  }).toPass({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Gable roof' }).click();
  await expect(page.getByRole('heading', { name: 'At rest' })).toBeVisible();
});
