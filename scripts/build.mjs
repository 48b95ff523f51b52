// Builds what is stale: core and cli, then server, then web. Quiet unless something fails. Node's own modules only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createRequire } from 'node:module';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** What a part is built from, and how; paths from the root. */
const PARTS = {
  core: { from: ['core/src'], out: 'core/dist', run: () => swc('core') },
  cli: { from: ['cli/src'], out: 'cli/dist', run: () => swc('cli') },
  server: { from: ['server/src', 'server/migrations'], out: 'server/dist', run: () => swc('server') },
  web: {
    from: ['web/src', 'web/index.html', 'web/vite.config.ts', 'core/src'],
    out: 'web/dist',
    run: () =>
      run('node', [
        join(dirname(createRequire(join(root, 'web/package.json')).resolve('vite/package.json')), 'bin/vite.js'),
        'build',
        'web',
        '--logLevel',
        'error',
      ]),
  },
};

function run(command, args, cwd = root) {
  const done = spawnSync(command, args, { cwd, encoding: 'utf8' });
  if (done.status !== 0) {
    process.stderr.write(done.stdout + done.stderr);
    throw new Error(`${command} ${args.join(' ')} failed`);
  }
}

function swc(part) {
  rmSync(join(root, part, 'dist'), { recursive: true, force: true });
  run(
    'node',
    [
      join(root, 'node_modules/@swc/cli/bin/swc.js'),
      'src',
      '-d',
      'dist',
      '--strip-leading-paths',
      '--config-file',
      join(root, part === 'server' ? 'server/.swcrc' : '.swcrc'),
      '-q',
    ],
    join(root, part),
  );
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) visit(join(path, name));
    else hash.update(path).update(readFileSync(full));
  };
  for (const path of [...paths, 'package-lock.json', '.swcrc', 'server/.swcrc']) visit(path);
  return hash.digest('hex');
}

/** Builds the named parts that changed since they were last built. Returns the names of those built. */
export function build(names = Object.keys(PARTS)) {
  const built = [];
  for (const name of names) {
    const part = PARTS[name];
    const stamp = join(root, part.out, '.build-stamp');
    const now = fingerprint(part.from);
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) continue;
    part.run();
    mkdirSync(dirname(stamp), { recursive: true });
    writeFileSync(stamp, now);
    built.push(name);
  }
  return built;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const built = build();
  console.log(built.length > 0 ? `Built ${built.join(', ')}.` : 'Everything is up to date.');
}
