import { scan } from './scan.js';
import { expect, test } from './server.js';

const PLACES = [
  '/camps',
  '/camps/sallow-ait/new',
  '/camps/sallow-ait',
  '/rigs/drying-line-twine/ground',
  '/rigs/landing-gable/ridge',
  '/rigs/landing-gable/hang',
  '/rigs/landing-gable/weather?panel=size',
  '/rigs/gravel-spit-gable/hang',
  '/rigs/hammock-fly/guy',
  '/rigs/wedge-on-one-willow/weather?view=above',
  '/rigs/drum-tight-bed/bed',
  '/rigs/bed-on-one-alder/bed',
  '/places/the-landing/look?thing=ferry-alder',
  '/places/the-landing/measure',
  '/places/the-landing/wind',
  '/places/the-landing/choose?span=upstream-alder%7Cdownstream-alder',
  '/kit?thing=long',
  '/me',
  '/net',
  '/cautions',
];
const SIZES = [
  ['desk', 1280, 800],
  ['phone', 390, 844],
] as const;

for (const theme of ['day', 'ember'] as const) {
  for (const [name, width, height] of SIZES) {
    test(`WCAG 2.2 AA in ${theme} at ${name} width, nothing wider than the screen`, async ({ page }) => {
      // a scan of every place takes a minute on a slow machine
      test.setTimeout(600_000);
      await page.setViewportSize({ width, height });
      await page.addInitScript((t) => localStorage.setItem('rough-bight-theme', t), theme);
      for (const place of PLACES) {
        await page.goto(place);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await page.waitForLoadState('networkidle');
        await scan(page, place);
      }
    });
  }
}

test('on a phone the picture comes first and the verdict stays in view', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/rigs/landing-gable/hang');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toBeInViewport();
  const scene = (await page.getByRole('group', { name: 'The rig from the side, to scale' }).boundingBox())!;
  expect(scene.y).toBeLessThan((await verdict.boundingBox())!.y);
  await page.getByRole('button', { name: 'Hang something' }).scrollIntoViewIfNeeded();
  await expect(verdict).toBeInViewport();
  await expect(page.getByRole('navigation', { name: 'Steps of the rig' })).toBeInViewport();
});
