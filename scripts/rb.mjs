// `npm run -s rb -- …`: the command line on the core. Installs and builds first when that is needed.
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { build, root } from './build.mjs';
import { install } from './install.mjs';

// a reader who has seen enough (`rb … | head`) is no failure
process.stdout.on('error', (error) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});
install((text) => process.stderr.write(`${text}\n`));
build(['core', 'cli']);
const { main } = await import(pathToFileURL(join(root, 'cli/dist/main.js')).href);
process.exitCode = main(process.argv.slice(2), {
  out: (text) => process.stdout.write(`${text}\n`),
  err: (text) => process.stderr.write(`${text}\n`),
});
