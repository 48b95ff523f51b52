import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { expect, jest, test } from '@jest/globals';

jest.setTimeout(120_000);

test('a reader who closes the pipe early is no failure', async () => {
  const rb = spawn('node', ['scripts/rb.mjs', 'net', join('examples/nets', 'gable-roof.json')], {
    cwd: process.cwd(),
  });
  let said = '';
  rb.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  rb.stdout.destroy();
  const code = await new Promise<number | null>((done) => rb.on('exit', done));
  expect([code, said.replaceAll(/^npm .*\n?/gm, '')]).toEqual([0, '']);
});
