import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';

/** The size of a box in the page as it changes, px; until it is known, that of a desk's scene. */
export function useSize(
  width: number,
  height: number,
): readonly [RefObject<HTMLDivElement | null>, readonly [number, number]] {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<readonly [number, number]>([width, height]);
  useEffect(() => {
    const element = box.current;
    if (element === null) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const { width: wide, height: high } = entry!.contentRect;
      if (wide > 0 && high > 0) setSize([wide, high]);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [box, size];
}
