import { useSyncExternalStore } from 'react';

/** Something that was done outside a document, and can be taken back. */
export interface Deed {
  /** In a sentence: "Landing gable was deleted." */
  readonly what: string;
  /** Whether something went with it, which is offered back at once. */
  readonly gone?: boolean;
  readonly back: () => Promise<unknown>;
  readonly again: () => Promise<unknown>;
}

/** Deeds of one scope that are remembered. */
const MOST = 200;

/** What was done in one camp, or with one’s own measures, newest last. */
export class Deeds {
  private past: readonly Deed[] = [];
  private future: readonly Deed[] = [];
  private working = false;
  private readonly listeners = new Set<() => void>();
  /** What can be taken back and done again now. */
  private shown: Shown = { undo: null, redo: null, gone: null };

  readonly subscribe = (changed: () => void): (() => void) => {
    this.listeners.add(changed);
    return () => this.listeners.delete(changed);
  };
  readonly read = (): Shown => this.shown;

  done(deed: Deed): void {
    this.past = [...this.past.slice(1 - MOST), deed];
    this.future = [];
    this.tell();
  }

  private readonly undo = (): Promise<void> => this.turn('back');
  private readonly redo = (): Promise<void> => this.turn('again');

  private tell(): void {
    const last = this.past.at(-1);
    const next = this.future.at(-1);
    this.shown = {
      undo: last === undefined ? null : this.undo,
      redo: next === undefined ? null : this.redo,
      gone: last?.gone === true && next === undefined ? last : null,
    };
    for (const changed of this.listeners) changed();
  }

  /** Takes one back or does it again; where that fails it stays where it was. A second touch meanwhile does nothing. */
  private async turn(way: 'back' | 'again'): Promise<void> {
    const deed = (way === 'back' ? this.past : this.future).at(-1);
    if (this.working || deed === undefined) return;
    this.working = true;
    try {
      await deed[way]();
      this.past = way === 'back' ? this.past.slice(0, -1) : [...this.past, deed];
      this.future = way === 'back' ? [...this.future, deed] : this.future.slice(0, -1);
    } finally {
      this.working = false;
      this.tell();
    }
  }
}

/** What a scope’s deeds come to now. */
export interface Shown {
  readonly undo: (() => Promise<void>) | null;
  readonly redo: (() => Promise<void>) | null;
  /** What is gone by the last deed. */
  readonly gone: Deed | null;
}

const scopes = new Map<string, Deeds>();
/** The deeds of a scope: a camp's id, "me", "camps". */
export function deedsOf(scope: string): Deeds {
  const known = scopes.get(scope) ?? new Deeds();
  scopes.set(scope, known);
  return known;
}

/** What can be taken back and done again in a scope. */
export function useDeeds(scope: string): Shown {
  const deeds = deedsOf(scope);
  return useSyncExternalStore(deeds.subscribe, deeds.read);
}
