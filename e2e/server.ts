import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { test as base } from '@playwright/test';

const start = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));

/** The application as a user starts it, on data of its own. */
export class Application {
  private process: ChildProcess | null = null;
  private port = 0;
  /** Where phones find its class; empty without one. */
  class = { address: '', code: '', passphrase: '' };
  readonly data = mkdtempSync(join(tmpdir(), 'rough-bight-e2e-'));

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts it; again on the same port, so that an open page finds it back. @param withClass opens a class too, on this machine alone */
  async up(withClass = false): Promise<void> {
    const child = spawn('node', [start, ...(withClass ? ['--class'] : [])], {
      env: {
        ROUGH_BIGHT_CLASS_AT: '127.0.0.1',
        CLASS_PORT: '0',
        ...process.env,
        ROUGH_BIGHT_DATA: this.data,
        PORT: String(this.port),
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.process = child;
    this.port = await new Promise<number>((resolve, reject) => {
      let said = '';
      const listen = (chunk: Buffer): void => {
        said += chunk.toString();
        const ready = /ready: http:\/\/127\.0\.0\.1:(\d+)/.exec(said);
        if (ready === null) return;
        const told = /phones open\s+(\S+?)\/class[\s\S]*code\s+(\d{4})\s+passphrase\s+(.+)/.exec(said);
        if (told !== null) this.class = { address: told[1]!, code: told[2]!, passphrase: told[3]!.trim() };
        resolve(Number(ready[1]));
      };
      child.stdout.on('data', listen);
      child.stderr.on('data', listen);
      child.on('exit', (code) => reject(new Error(`the server stopped with ${code}: ${said}`)));
    });
  }

  async down(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const child = this.process;
    if (child === null) return;
    this.process = null;
    await new Promise<void>((resolve) => {
      child.on('exit', () => resolve());
      child.kill(signal);
    });
  }

  async gone(): Promise<void> {
    await this.down();
    rmSync(this.data, { recursive: true, force: true });
  }
}

/**
 * An application filled with the demo camp for every worker, which goes through some files one after the other. A file that wants it as it
 * was filled says `test.use({ of: 'its name' })`: it gets a worker of its own.
 */
export const test = base.extend<object, { app: Application; of: string }>({
  of: ['any', { option: true, scope: 'worker' }],
  app: [
    // eslint-disable-next-line no-empty-pattern -- the runner reads the pattern to know what is needed
    async ({}, use) => {
      const app = new Application();
      await app.up();
      await use(app);
      await app.gone();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ app }, use) => use(app.address),
});
export { expect } from '@playwright/test';
