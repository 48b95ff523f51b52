// Starts the application as a user does, on data and a port of its own, for the bench and the pictures.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './build.mjs';

/** Starts it on a folder; resolves once it says it is ready. */
export async function startApplication(data, port = 0) {
  const began = performance.now();
  const child = spawn('node', [join(root, 'scripts/start.mjs')], {
    env: { ...process.env, ROUGH_BIGHT_DATA: data, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const address = await new Promise((resolve, reject) => {
    let said = '';
    const listen = (chunk) => {
      said += chunk;
      const ready = /ready: (http:\S+)/.exec(said);
      if (ready !== null) resolve(ready[1]);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.on('exit', (code) => reject(new Error(`the server stopped with ${code}: ${said}`)));
  });
  const ms = performance.now() - began;
  return {
    address,
    ms,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', resolve);
        child.kill('SIGTERM');
      }),
  };
}

const launch = JSON.parse(readFileSync(join(root, 'scripts/chromium.json'), 'utf8'));
/** How headless Chromium is started here; CHROMIUM in the environment names another one. */
export const CHROMIUM = { ...launch, executablePath: process.env.CHROMIUM ?? launch.executablePath };
