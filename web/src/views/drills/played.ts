import type { Picture } from '@rough-bight/core/picture';
import { useEffect, useState } from 'react';

/** ms a picture. */
const EACH = 70;

/** The picture of a move that is on now: one after another, the last stays; that at once where motion is not wanted. */
export function usePlayed(frames: readonly Picture[]): Picture | null {
  const [k, setK] = useState(0);
  const [of, setOf] = useState(frames);
  if (of !== frames) {
    setOf(frames);
    setK(0);
  }
  useEffect(() => {
    if (frames.length < 2) return;
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    const timer = setInterval(
      () => setK((was) => (still ? frames.length - 1 : Math.min(frames.length - 1, was + 1))),
      EACH,
    );
    const stop = setTimeout(() => clearInterval(timer), EACH * (frames.length + 1));
    return () => {
      clearInterval(timer);
      clearTimeout(stop);
    };
  }, [frames]);
  return frames[Math.min(k, frames.length - 1)] ?? null;
}
