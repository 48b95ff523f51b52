// `npm test`: installs what is missing, headless Chromium included, and runs every check. Stops at the first that fails.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { build, root } from './build.mjs';
import { install } from './install.mjs';

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

function ensureChromium() {
  if (existsSync(chromium)) return;
  console.log('Installing headless Chromium from Debian’s packages…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  for (const args of [
    ['apt-get', 'update', '-q'],
    ['apt-get', 'install', '-y', '-q', 'chromium'],
  ]) {
    const [command, ...rest] = [...sudo, ...args];
    const done = spawnSync(command, rest, {
      encoding: 'utf8',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    if (done.status !== 0) {
      console.error(`${done.stdout ?? ''}${done.stderr ?? done.error?.message ?? ''}`);
      console.error(
        'Chromium could not be installed. Install it as “apt-get install chromium” with rights to do so, or set CHROMIUM to where a Chromium is, then run npm test again.',
      );
      process.exit(1);
    }
  }
}

function check(name, args) {
  console.log(`\n— ${name}`);
  const began = Date.now();
  const done = spawnSync('npm', ['run', '-s', ...args], { cwd: root, stdio: 'inherit' });
  if (done.status !== 0) {
    console.error(`\n${name} failed.`);
    process.exit(done.status ?? 1);
  }
  console.log(`${name}: good, ${((Date.now() - began) / 1000).toFixed(0)} s`);
}

try {
  install((text) => console.log(text));
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
ensureChromium();
check('Types', ['typecheck']);
check('Lint', ['lint']);
check('Format', ['format:check']);
check('Unit and API tests', ['unit']);
console.log('\n— Build');
console.log(build().length > 0 ? 'Built.' : 'Up to date.');
check('End to end, in the browser', ['e2e']);
console.log(`\nEvery check passed.${existsSync(join(root, '.data')) ? '' : ' Run npm start to open Rough Bight.'}`);
