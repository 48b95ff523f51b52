import { del, get, set } from 'idb-keyval';

/**
 * What is kept on this device until the server has it. A browser that forbids storage keeps nothing;
 * the work goes on all the same.
 */
async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

export const kept = {
  read: <T>(key: string): Promise<T | undefined> => attempt(() => get<T>(key)),
  write: (key: string, value: unknown): Promise<void> => attempt(() => set(key, value)),
  drop: (key: string): Promise<void> => attempt(() => del(key)),
};
