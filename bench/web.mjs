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
    const firstScreen = await scriptsOf(browser, app.address);
    const newRig = await newRigTimes(page, app.address);
    await page.goto(`${app.address}/rigs/landing-gable/ridge`);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1500);
    const ridge = await dragged(page, await page.getByRole('slider', { name: 'Move the downstream alder' }), [40, 0]);
    const pitch = async (view, name, by) => {
      await page.goto(`${app.address}/rigs/mess-roof/guy?view=${view}`);
      await page.getByText(/worst of \d+ cases/).waitFor({ timeout: 60_000 });
      await page.waitForTimeout(1500);
      return dragged(page, page.getByRole('slider', { name }), by);
    };
    const above = await pitch('above', 'Foot of the left middle guy', [14, 10]);
    const side = await pitch('side', 'Height of the left edge', [0, 14]);
    await page.goto(`${app.address}/rigs/mess-roof/guy?view=depth`);
    await page.getByText(/worst of \d+ cases/).waitFor({ timeout: 60_000 });
    await page.waitForTimeout(2500);
    const depth = await turned(page, page.getByRole('application', { name: /The rig in depth/ }).locator('canvas'));
    await page.goto(`${app.address}/rigs/river-bed-under-the-fly/bed`);
    await page
      .getByText(/worst of \d+ cases/)
      .first()
      .waitFor({ timeout: 60_000 });
    await page.waitForTimeout(1500);
    const bed = await dragged(page, page.getByRole('slider', { name: 'Height of the first strap' }), [0, 14]);
    return {
      first_screen_js_kb: Number((firstScreen.page / 1024).toFixed(1)),
      first_screen_workers_kb: Number((firstScreen.workers / 1024).toFixed(1)),
      ...newRig,
      drag_frames_per_second: ridge.frames_per_second,
      drag_frame_p95_ms: ridge.frame_p95_ms,
      drag_main_thread_ms_per_frame: ridge.main_thread_ms_per_frame,
      drag_long_tasks: ridge.long_tasks,
      pitch_above_frames_per_second: above.frames_per_second,
      pitch_above_main_thread_ms_per_frame: above.main_thread_ms_per_frame,
      pitch_side_frames_per_second: side.frames_per_second,
      pitch_side_main_thread_ms_per_frame: side.main_thread_ms_per_frame,
      bed_frames_per_second: bed.frames_per_second,
      bed_main_thread_ms_per_frame: bed.main_thread_ms_per_frame,
      // drawn in software here: its frame rate says nothing of a real machine's, the main thread's work does
      pitch_depth_main_thread_ms_per_frame: depth.main_thread_ms_per_frame,
    };
  } finally {
    await browser.close();
    await app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** What the first screen fetches, compressed, bytes: the page's own script, and what its workers fetch beside it. */
async function scriptsOf(browser, address) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const sizes = [];
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (!/\.js$/.test(pathname)) return;
    const kind = /\.worker-/.test(pathname) ? 'workers' : 'page';
    sizes.push(response.body().then((body) => ({ pathname, kind, size: gzipSync(body).length })));
  });
  await page.goto(address);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForTimeout(3000);
  page.removeAllListeners('response');
  // what two workers share is fetched once
  const fetched = new Map((await Promise.all(sizes)).map((s) => [s.pathname, s]));
  const sum = (kind) => [...fetched.values()].reduce((all, s) => all + (s.kind === kind ? s.size : 0), 0);
  await page.close();
  return { page: sum('page'), workers: sum('workers') };
}

/** Whole rigs for the usual wish: the first seen, the first judged, all of them, from the touch on, ms. */
async function newRigTimes(page, address) {
  await page.goto(`${address}/camps/sallow-ait/new`);
  const ask = page.getByRole('button', { name: 'Show me rigs' });
  await ask.waitFor();
  // as long as one takes to say four things
  await page.waitForTimeout(12_000);
  const start = performance.now();
  const after = async (what) => {
    await what.waitFor({ timeout: 120_000 });
    return Math.round(performance.now() - start);
  };
  await ask.click();
  const [seen, judged, all] = await Promise.all([
    after(page.locator('li[aria-busy]').first()),
    after(page.getByRole('button', { name: 'Open it on the bench' }).first()),
    after(page.getByRole('heading', { name: 'Best first' })),
  ]);
  return { new_rig_first_seen_ms: seen, new_rig_first_judged_ms: judged, new_rig_all_ms: all };
}

/** What a page's frames and main thread do while `work` goes on. */
async function during(page, work) {
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
  const cdp = await page.context().newCDPSession(page);
  // the thread's own time: by the clock, work of other threads on the same cores would be counted as the page's
  await cdp.send('Performance.enable', { timeDomain: 'threadTicks' });
  const busy = async () =>
    (await cdp.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration').value * 1000;
  await page.evaluate(() => (globalThis.measured.frames.length = 0));
  const before = await busy();
  await work();
  const spent = (await busy()) - before;
  const { frames, tasks } = await page.evaluate(() => globalThis.measured);
  await page.mouse.up();
  frames.sort((a, b) => a - b);
  return {
    frames_per_second: Number((1000 / (frames.reduce((a, b) => a + b, 0) / frames.length)).toFixed(1)),
    frame_p95_ms: Number(frames[Math.floor(frames.length * 0.95)].toFixed(1)),
    main_thread_ms_per_frame: Number((spent / frames.length).toFixed(2)),
    long_tasks: tasks.length,
  };
}

/** A handle dragged to and fro for some two seconds, `by` px each way. */
async function dragged(page, handle, [dx, dy]) {
  const box = await handle.locator('[data-part=dot]').boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  return during(page, async () => {
    for (let i = 0; i < 180; i++) {
      await page.mouse.move(x + dx * Math.sin(i / 12), y + dy * Math.sin(i / 12));
      await page.waitForTimeout(12);
    }
  });
}

/** The view in depth turned for some two seconds. */
async function turned(page, canvas) {
  const box = await canvas.boundingBox();
  const [x, y] = [box.x + 60, box.y + box.height - 40];
  await page.mouse.move(x, y);
  await page.mouse.down();
  return during(page, async () => {
    for (let i = 0; i < 120; i++) {
      await page.mouse.move(x + 120 * Math.sin(i / 20), y - 30 * Math.sin(i / 15));
      await page.waitForTimeout(16);
    }
  });
}
