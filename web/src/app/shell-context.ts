import { createContext, useContext, useEffect } from 'react';
import type { SaveState } from '../data/document-store.js';

/** What a view tells the bar at the top. */
export interface ShellContent {
  readonly crumbs: readonly { readonly name: string; readonly to?: string }[];
  readonly save?: SaveState;
  readonly undo?: (() => void) | null;
  readonly redo?: (() => void) | null;
}

export const ShellContext = createContext<(content: ShellContent) => void>(() => undefined);

/** Puts a view's place, saving and undo into the bar; say it anew on every render. */
export function useShell(content: ShellContent): void {
  const show = useContext(ShellContext);
  const { crumbs, save, undo, redo } = content;
  const place = crumbs.map((c) => `${c.name}>${c.to ?? ''}`).join('/');
  useEffect(() => {
    show(content);
    // the callbacks change identity with every render; whether they are there is what shows
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [show, place, save, undo === null, redo === null]);
}
