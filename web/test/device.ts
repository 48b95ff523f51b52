/** What is kept on this device, in place of the browser's own store. */
export const device = new Map<string, unknown>();

const done = (_: unknown): Promise<void> => Promise.resolve();
export const keptHere = () => ({
  kept: {
    read: (key: string) => Promise.resolve(device.get(key)),
    write: (key: string, value: unknown) => done(device.set(key, value)),
    update: (key: string, change: (was: unknown) => unknown) => done(device.set(key, change(device.get(key)))),
    drop: (key: string) => done(device.delete(key)),
  },
});

/** A server that answers everything with a conflict, and what it has. */
export const conflict = (current: unknown): void => {
  globalThis.fetch = (() =>
    Promise.resolve({
      ok: false,
      status: 409,
      json: () => Promise.resolve({ code: 'conflict', message: 'Changed since.', fields: [], current }),
    })) as unknown as typeof fetch;
};
