import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { CHROMIUM, startApplication } from '../scripts/application.mjs';

/** What the first screen loads, and what dragging a trunk costs, in the real browser. */
export async function measure() {
  const data = mkdtempSync(join(tmpdir(), 'rough-bight-bench-'));
  const app = await startApplication(data);
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    let bytes = 0;
    page.on('response', async (response) => {
      if (/\.js$/.test(new URL(response.url()).pathname)) bytes += gzipSync(await response.body()).length;
    });
    await page.goto(`${app.address}/rigs/landing-gable/ridge`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1500);
    const firstScreen = bytes;
    const box = await page
      .getByRole('slider', { name: 'Move the downstream alder' })
      .locator('.handle-dot')
      .boundingBox();
    await page.evaluate(() => {
      const frames = [];
      const tasks = [];
      let last = performance.now();
      const tick = (now) => {
        frames.push(now - last);
        last = now;
        requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
      new PerformanceObserver((list) => tasks.push(...list.getEntries().map((e) => e.duration))).observe({
        type: 'longtask',
      });
      globalThis.measured = { frames, tasks };
    });
    const x = box.x + box.width / 2;
    const y = box.y + box.height / 2;
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Performance.enable');
    const busy = async () =>
      (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration').value * 1000;
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.evaluate(() => (globalThis.measured.frames.length = 0));
    const before = await busy();
    for (let i = 0; i < 180; i++) {
      await page.mouse.move(x + 40 * Math.sin(i / 12), y);
      await page.waitForTimeout(12);
    }
    const work = (await busy()) - before;
    const { frames, tasks } = await page.evaluate(() => globalThis.measured);
    await page.mouse.up();
    frames.sort((a, b) => a - b);
    return {
      first_screen_js_kb: Number((firstScreen / 1024).toFixed(1)),
      drag_frames_per_second: Number((1000 / (frames.reduce((a, b) => a + b, 0) / frames.length)).toFixed(1)),
      drag_frame_p95_ms: Number(frames[Math.floor(frames.length * 0.95)].toFixed(1)),
      drag_main_thread_ms_per_frame: Number((work / frames.length).toFixed(2)),
      drag_long_tasks: tasks.length,
    };
  } finally {
    await browser.close();
    await app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
