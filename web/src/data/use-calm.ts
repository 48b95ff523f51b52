import { useState, useSyncExternalStore } from 'react';
import type { Source } from './source.js';
import { withNextFrame } from './frames.js';

/** What a hand moves. */
type Moved = { readonly moving: boolean };

/** A source followed while a hand moves it: with every picture, everything that has changed at once. */
export function useFollowed<T extends Moved>(source: Source<T>): T {
  const [subscribe] = useState(
    () => (listener: () => void) =>
      source.subscribe(() => (source.read().moving ? withNextFrame(listener) : listener())),
  );
  return useSyncExternalStore(subscribe, source.read);
}

/** How long a number stands while the hand moves, ms: one that flickers is not read. */
const STANDS = 900;

/** A source at a reader's pace: at once, but while a hand moves only every so often. */
class Calm<T extends Moved> implements Source<T> {
  private shown: T;

  constructor(private readonly source: Source<T>) {
    this.shown = source.read();
  }

  readonly read = (): T => {
    const now = this.source.read();
    if (!now.moving) this.shown = now;
    return this.shown;
  };

  readonly subscribe = (listener: () => void): (() => void) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const show = (): void => {
      clearTimeout(timer);
      timer = undefined;
      this.shown = this.source.read();
      listener();
    };
    const stop = this.source.subscribe(() => {
      if (!this.source.read().moving) show();
      else timer ??= setTimeout(show, STANDS);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  };
}

/** What a source says, at a reader's pace. @param source the same as long as what uses it is shown */
export function useCalm<T extends Moved>(source: Source<T>): T {
  const [calm] = useState(() => new Calm(source));
  return useSyncExternalStore(calm.subscribe, calm.read);
}
