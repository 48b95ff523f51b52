// `npm start`: installs and builds what is missing or stale, then serves on loopback.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, root } from './build.mjs';
import { install } from './install.mjs';

install((text) => console.log(text));
const built = build(['core', 'server', 'web']);
if (built.length > 0) console.log(`Built ${built.join(', ')}.`);
const { run } = await import(pathToFileURL(join(root, 'server/dist/main.js')).href);
await run({
  data: process.env.ROUGH_BIGHT_DATA ?? join(root, '.data'),
  port: Number(process.env.PORT ?? 4717),
  // a class on the network, only where it is asked for: npm start -- --class
  class: process.argv.includes('--class') ? Number(process.env.CLASS_PORT ?? 4718) : null,
});
