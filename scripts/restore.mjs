// `npm run restore [-- FILE]`: lists the snapshots, or puts one in place of the data.
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, root } from './build.mjs';
import { install } from './install.mjs';

install((text) => console.log(text));
build(['core', 'server']);
const from = (path) => import(pathToFileURL(join(root, 'server/dist/db', path)).href);
const { listSnapshots, snapshotFolder } = await from('snapshot.js');
const { restoreSnapshot } = await from('restore.js');
const data = resolve(process.env.ROUGH_BIGHT_DATA ?? join(root, '.data'));
const name = process.argv[2];
if (name === undefined) {
  const known = listSnapshots(data);
  console.log(
    known.length === 0
      ? `No snapshots in ${snapshotFolder(data)}.`
      : `Snapshots, newest first:\n${known.join('\n')}\nPut one back with: npm run restore -- NAME`,
  );
} else {
  const file = [resolve(name), join(snapshotFolder(data), name)].find((p) => existsSync(p));
  if (file === undefined) {
    console.error(`There is no snapshot ${name}. Run npm run restore to list them.`);
    process.exitCode = 2;
  } else {
    try {
      console.log(`Restored. What was there is kept in ${await restoreSnapshot(data, file)}.`);
    } catch (error) {
      console.error(`Not restored, nothing was changed: ${error.message}`);
      process.exitCode = 1;
    }
  }
}
