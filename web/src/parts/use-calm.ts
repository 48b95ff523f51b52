import { useEffect, useRef, useState } from 'react';

/** How long a number stands while the hand moves, ms: one that flickers is not read. */
const STANDS = 300;

/** The newest value; while the hand moves, a newer one only every so often, so that the scene has the frame to itself. */
export function useCalm<T>(value: T, moving: boolean): T {
  const [shown, setShown] = useState(value);
  const newest = useRef(value);
  useEffect(() => {
    newest.current = value;
  }, [value]);
  useEffect(() => {
    if (!moving) return undefined;
    const timer = setInterval(() => setShown(newest.current), STANDS);
    return () => clearInterval(timer);
  }, [moving]);
  if (!moving && shown !== value) setShown(value);
  return moving ? shown : value;
}
