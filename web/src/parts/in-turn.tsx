import { createContext, useContext, useEffect, useRef, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { inTurn } from '../data/frames.js';
import type { Turn } from '../data/frames.js';

/** Whether a hand moves something of the view just now. */
export const MovingContext = createContext(false);

/**
 * What is read beside the scene. While a hand moves, it stays as it was drawn until its turn comes, so that the scene has the
 * frames to itself; at rest it is always the newest.
 */
export function InTurn({ children }: { readonly children: ReactNode }): ReactElement {
  const moving = useContext(MovingContext);
  const [shown, setShown] = useState(children);
  const newest = useRef(children);
  const turn = useRef<Turn | null>(null);
  const behind = shown !== children;
  if (!moving && behind) setShown(children);
  useEffect(() => {
    newest.current = children;
    if (!moving || !behind) return;
    turn.current ??= inTurn(() => setShown(newest.current));
    turn.current.wait();
  }, [children, moving, behind]);
  useEffect(() => () => turn.current?.leave(), []);
  return <>{moving ? shown : children}</>;
}
