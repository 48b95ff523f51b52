import { TextDecoder, TextEncoder } from 'node:util';

class NoResize {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  ResizeObserver: NoResize,
  matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
  structuredClone: globalThis.structuredClone ?? ((x: unknown) => JSON.parse(JSON.stringify(x)) as unknown),
});
