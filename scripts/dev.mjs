// `npm run dev`: the server on its usual port, and the web with hot reload in front of it.
import { spawn } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { root } from './build.mjs';

const vite = join(dirname(createRequire(join(root, 'web/package.json')).resolve('vite/package.json')), 'bin/vite.js');
const children = [
  spawn('node', [join(root, 'scripts/start.mjs')], { stdio: 'inherit' }),
  spawn('node', [vite, 'web'], { cwd: root, stdio: 'inherit' }),
];
for (const child of children) child.on('exit', () => children.forEach((c) => c.kill()));
