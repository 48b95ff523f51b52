import { del, get, set, update } from 'idb-keyval';

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
  /** Changes it in one go, whoever else on this device changes it too. */
  update: <T>(key: string, change: (was: T | undefined) => T): Promise<void> =>
    attempt(() => update<T>(key, change)) as Promise<void>,
  drop: (key: string): Promise<void> => attempt(() => del(key)),
};
