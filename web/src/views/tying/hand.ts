import { useCallback, useSyncExternalStore } from 'react';

export type Hand = 'right' | 'left';
const KEY = 'rough-bight-hand';
const told = new Set<() => void>();
const read = (): Hand => (localStorage.getItem(KEY) === 'left' ? 'left' : 'right');

/** With which hand one ties, kept on the device. */
export function useHand(): readonly [Hand, (hand: Hand) => void] {
  const hand = useSyncExternalStore((onChange) => {
    told.add(onChange);
    return () => told.delete(onChange);
  }, read);
  const set = useCallback((next: Hand) => {
    localStorage.setItem(KEY, next);
    for (const tell of told) tell();
  }, []);
  return [hand, set];
}
