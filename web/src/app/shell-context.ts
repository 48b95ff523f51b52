import { createContext, useContext, useEffect } from 'react';
import type { Shown } from '../data/deeds.js';
import type { SaveState } from '../data/document-store.js';

/** What a view tells the bar at the top. */
export interface ShellContent {
  readonly crumbs: readonly { readonly name: string; readonly to?: string }[];
  readonly save?: SaveState;
  readonly undo?: (() => void) | null;
  readonly redo?: (() => void) | null;
  /** What is gone by the last deed: "Landing gable was deleted." */
  readonly gone?: string | null;
}

export const ShellContext = createContext<(content: ShellContent) => void>(() => undefined);

/** Puts a view's place, saving and undo into the bar; say it anew on every render. */
export function useShell(content: ShellContent): void {
  const show = useContext(ShellContext);
  const { crumbs, save, undo, redo, gone } = content;
  const place = crumbs.map((c) => `${c.name}>${c.to ?? ''}`).join('/');
  useEffect(() => {
    show(content);
    // the callbacks change identity with every render; whether they are there is what shows
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [show, place, save, undo === null, redo === null, gone]);
}

/** The part of the bar that takes deeds back and does them again. @param attempt tells what of it fails */
export const deedsInBar = (
  { undo, redo, gone }: Shown,
  attempt: (work: Promise<unknown>) => void,
): Pick<ShellContent, 'undo' | 'redo' | 'gone'> => ({
  undo: undo === null ? null : () => attempt(undo()),
  redo: redo === null ? null : () => attempt(redo()),
  gone: gone?.what ?? null,
});
