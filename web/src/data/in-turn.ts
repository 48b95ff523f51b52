let lastChange: Promise<unknown> = Promise.resolve();

/** Changes of settings and kit go one after another: the later one is the one that stays. */
export function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const next = lastChange.then(work, work);
  lastChange = next.catch(() => undefined);
  return next;
}
