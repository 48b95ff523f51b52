import type { ZoomTransform } from 'd3-zoom';
import { zoom, zoomIdentity } from 'd3-zoom';
import { select } from 'd3-selection';
import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';

/** A picture that is panned by what is bare in it, pinched and wheeled. */
interface Zoomed {
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly transform: ZoomTransform;
  readonly by: (factor: number) => void;
  /** As it was at first. */
  readonly whole: () => void;
}

/** What a hand takes hold of in the picture instead of the picture itself. */
const HELD = '[role=button], [role=slider]';

/** @param least @param most how far it may be made smaller and larger */
export function useZoom([width, height]: readonly [number, number], least: number, most: number): Zoomed {
  const svg = useRef<SVGSVGElement>(null);
  const [transform, setTransform] = useState(zoomIdentity);
  const [behaviour] = useState(() =>
    zoom<SVGSVGElement, unknown>()
      .filter((e: Event) => (e.target as Element).closest(HELD) === null && (e as MouseEvent).button !== 2)
      .on('zoom', (e: { readonly transform: ZoomTransform }) => setTransform(e.transform)),
  );
  useEffect(() => {
    const on = select(svg.current!);
    // two touches put down two things
    on.call(behaviour).on('dblclick.zoom', null);
    return () => void on.on('.zoom', null);
  }, [behaviour]);
  useEffect(() => {
    behaviour.scaleExtent([least, most]).extent([
      [0, 0],
      [width, height],
    ]);
  }, [behaviour, width, height, least, most]);
  return {
    svg,
    transform,
    by: (factor) => behaviour.scaleBy(select(svg.current!), factor),
    whole: () => behaviour.transform(select(svg.current!), zoomIdentity),
  };
}
