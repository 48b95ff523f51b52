/**
 * SWC for the tests. Jest runs each file in a context of its own, whose globals are looked up anew at every use and so cost a
 * computation most of its time; here each module of the core takes those that computing uses once, on its first line.
 */
import { createHash } from 'node:crypto';
import { join, sep } from 'node:path';
import swc from '@swc/jest';

const TAKEN = `const { Array, Float64Array, Int32Array, Map, Math, Number, Object, Set, Uint8Array } = globalThis; `;
const CORE = join(import.meta.dirname, '..', 'core') + sep;

export default {
  createTransformer(options) {
    const inner = swc.createTransformer(options);
    const taken = (made, path) => (path.startsWith(CORE) ? { ...made, code: TAKEN + made.code } : made);
    return {
      ...inner,
      process: (source, path, ...rest) => taken(inner.process(source, path, ...rest), path),
      processAsync: async (source, path, ...rest) => taken(await inner.processAsync(source, path, ...rest), path),
      getCacheKey: (...args) =>
        createHash('sha256')
          .update(TAKEN + inner.getCacheKey(...args))
          .digest('hex'),
    };
  },
};
