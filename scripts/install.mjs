// Installs the locked packages when they are missing or the lock has changed. Node's own modules only.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './build.mjs';

/** Returns true when it installed. `say` is told once, before it takes a while. */
export function install(say) {
  const lock = readFileSync(join(root, 'package-lock.json'), 'utf8');
  const stamp = join(root, 'node_modules', '.rough-bight-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return false;
  say('Installing packages (about two minutes the first time)…');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: root, encoding: 'utf8' });
  if (done.status !== 0) {
    process.stderr.write(done.stdout + done.stderr);
    throw new Error(
      'npm ci failed: the packages could not be installed. Check the network or the registry, then try again.',
    );
  }
  writeFileSync(stamp, lock);
  return true;
}
