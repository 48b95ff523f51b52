// `npm run -s bench`: one flat JSON object of what was measured.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, root } from './build.mjs';
import { install } from './install.mjs';

install((text) => process.stderr.write(`${text}\n`));
build();
const from = (name) => import(pathToFileURL(join(root, 'bench', name)).href);
const results = {};
for (const name of ['core.mjs', 'server.mjs', 'web.mjs']) Object.assign(results, await (await from(name)).measure());
console.log(JSON.stringify(results, null, 2));
