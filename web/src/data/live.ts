import type { RoomView } from '@rough-bight/core/teach';
import { useEffect, useState } from 'react';

/** What is heard of a class: its last state, and whether the line to it is open. */
export interface Heard<T> {
  readonly view: T | null;
  readonly open: boolean;
  /** It is over, or nobody is let in. */
  readonly over: boolean;
}

/** Listens to a class at an address; a line that breaks is taken up again by itself. @param on false listens to nothing */
export function useHeard<T>(address: string, on: boolean): Heard<T> {
  const [heard, setHeard] = useState<Heard<T>>({ view: null, open: false, over: false });
  useEffect(() => {
    if (!on) return;
    const source = new EventSource(address);
    source.onmessage = ({ data }: MessageEvent<string>) =>
      setHeard({ view: JSON.parse(data) as T, open: true, over: false });
    source.addEventListener('over', () => {
      source.close();
      setHeard((h) => ({ ...h, open: false, over: true }));
    });
    source.onerror = () => setHeard((h) => ({ ...h, open: false, over: source.readyState === EventSource.CLOSED }));
    return () => source.close();
  }, [address, on]);
  return on ? heard : { view: null, open: false, over: false };
}

export type Live = RoomView | { readonly on: false };
