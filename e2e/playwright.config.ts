import { readFileSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const launch = JSON.parse(readFileSync(new URL('../scripts/chromium.json', import.meta.url), 'utf8')) as {
  executablePath: string;
  args: string[];
};

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // none is slow by itself; a machine that others use may be slow at times
  timeout: 400_000,
  expect: { timeout: 60_000 },
  workers: 2,
  retries: process.env['CI'] === undefined ? 0 : 1,
  fullyParallel: false,
  forbidOnly: true,
  reporter: [['line']],
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
    // what is read goes to the server itself; the file that looks at life without one lets it be kept
    serviceWorkers: 'block',
    launchOptions: { ...launch, executablePath: process.env['CHROMIUM'] ?? launch.executablePath },
  },
});
