// `npm run shots`: one current picture of each main view, from the demo data, into docs/screenshots.
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, startApplication } from './application.mjs';
import { build, root } from './build.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
/** Waits until every case has been judged. */
const fully = (page) =>
  page
    .getByText(/worst of \d+ cases/)
    .first()
    .waitFor({ timeout: 40_000 });
const SHOTS = [
  ['camp', '/camps/sallow-ait', DESK, 'day'],
  ['ground-measure', '/places/the-landing/measure', DESK, 'day'],
  ['ground-choose', '/places/the-landing/choose?span=upstream-alder%7Cdownstream-alder', DESK, 'day'],
  ['bench-ridge', '/rigs/landing-gable/ridge', DESK, 'day'],
  [
    'weather-ladder',
    '/rigs/gravel-spit-gable/weather?panel=ladder',
    DESK,
    'ember',
    async (page) => {
      await page.getByText(/gives first/).waitFor({ timeout: 60_000 });
      await page.waitForTimeout(2500);
    },
  ],
  [
    'weather-gusts',
    '/rigs/gravel-spit-gable/weather?panel=gusts&view=depth',
    DESK,
    'day',
    async (page) => {
      await page.getByText(/gives in gusts up to/).waitFor({ timeout: 120_000 });
      // where the gust is that does it
      await page.getByRole('slider', { name: 'Moment' }).focus();
      await page.keyboard.press('Home');
      for (let k = 0; k < 30; k++) await page.keyboard.press('PageUp');
      await page.waitForTimeout(500);
    },
  ],
  ['bench-phone', '/rigs/landing-gable/ridge', PHONE, 'day'],
  ['pitch-above', '/rigs/gravel-spit-gable/guy', DESK, 'day', fully],
  [
    'pitch-depth',
    { rig: 'diamond-by-the-water', at: 'guy?view=depth' },
    DESK,
    'ember',
    async (page) => {
      await fully(page);
      await page.waitForTimeout(2500);
    },
  ],
  [
    'start',
    '/camps/sallow-ait/new',
    DESK,
    'day',
    async (page) => {
      await page.getByRole('button', { name: 'Show me rigs' }).click();
      await page.getByRole('heading', { name: 'Best first' }).waitFor({ timeout: 90_000 });
      await page.getByRole('heading', { name: 'Best first' }).scrollIntoViewIfNeeded();
      await page.getByRole('button', { name: 'Open it on the bench' }).last().scrollIntoViewIfNeeded();
    },
  ],
  ['bed-side', '/rigs/river-bed-under-the-fly/bed', DESK, 'day', fully],
  ['kit', '/kit', DESK, 'day'],
  ['me', '/me', DESK, 'day'],
  [
    'cord',
    '/camps/sallow-ait/cord',
    DESK,
    'day',
    (page) =>
      page
        .getByText(/in one|stays on it/)
        .first()
        .waitFor(),
  ],
  [
    'work',
    '/rigs/mess-roof/work',
    PHONE,
    'ember',
    async (page) => {
      await page.getByText('Hang the mess roof').waitFor({ timeout: 60_000 });
      await page.getByText('Hang the mess roof').scrollIntoViewIfNeeded();
    },
  ],
  [
    'drills',
    '/camps/sallow-ait/drills',
    DESK,
    'day',
    async (page) => {
      await page.getByLabel('Ask me').selectOption({ label: 'where a guy’s foot belongs' });
      await page.getByRole('button', { name: 'Begin' }).click();
      const foot = page.getByRole('slider', { name: 'My guess: set the foot' });
      await foot.waitFor({ timeout: 60_000 });
      for (let k = 0; k < 4; k++) await foot.press('Shift+ArrowUp');
    },
  ],
  ['class', '/camps/sallow-ait/class', DESK, 'day'],
  [
    'tying',
    '/tying/clove',
    DESK,
    'day',
    async (page) => {
      await page.getByRole('img', { name: /^Clove hitch/ }).waitFor({ timeout: 30_000 });
      await page.getByRole('button', { name: 'From the beginning' }).click();
      await page.getByRole('button', { name: 'Next step' }).click();
      await page.getByRole('button', { name: 'Next step' }).click();
    },
  ],
  [
    'card',
    { rig: 'window-to-the-river', at: 'card' },
    DESK,
    'day',
    (page) => page.getByRole('img', { name: /^Window to the river/ }).waitFor(),
  ],
];

/** A rig of the examples put into the demo camp, and the address of a view of it. */
async function pathOf({ rig, at }, { address }) {
  const file = JSON.parse(readFileSync(join(root, `examples/rigs/${rig}.rig.json`), 'utf8'));
  const answer = await fetch(`${address}/api/camps/sallow-ait/rigs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address },
    body: JSON.stringify({ name: file.name, note: file.note, document: file.rig }),
  });
  if (!answer.ok) throw new Error(`${rig} was not taken: ${await answer.text()}`);
  return `/rigs/${(await answer.json()).id}/${at}`;
}

/** Some of them by name: npm run shots -- tying class. */
const wanted = process.argv.slice(2);
build();
const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const data = mkdtempSync(join(tmpdir(), 'rough-bight-shots-'));
const app = await startApplication(data);
const browser = await chromium.launch(CHROMIUM);
try {
  for (const [name, path, viewport, theme, act] of SHOTS) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const page = await browser.newPage({ viewport, reducedMotion: 'reduce', serviceWorkers: 'block' });
    await page.addInitScript((t) => localStorage.setItem('rough-bight-theme', t), theme);
    await page.goto(app.address + (typeof path === 'string' ? path : await pathOf(path, app)));
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    await page.waitForTimeout(900);
    await act?.(page);
    await page.evaluate(() => document.activeElement?.blur?.());
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  await app.stop();
  rmSync(data, { recursive: true, force: true });
}
