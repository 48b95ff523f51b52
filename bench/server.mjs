import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../scripts/application.mjs';

/** From the command to ready: on a new folder, and on one that holds data (median of three). */
export async function measure() {
  const data = mkdtempSync(join(tmpdir(), 'rough-bight-bench-'));
  try {
    const first = await startApplication(data);
    await first.stop();
    const times = [];
    for (let i = 0; i < 3; i++) {
      const again = await startApplication(data);
      times.push(again.ms);
      await again.stop();
    }
    return { server_first_start_ms: Math.round(first.ms), server_start_ms: Math.round(times.sort((a, b) => a - b)[1]) };
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}
