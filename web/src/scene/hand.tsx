import { useEffect, useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent, ReactElement } from 'react';

/** Across and down, or across and up where metres are meant. */
export type Offset = readonly [number, number];

/** What a drag makes of where the hand is: px since it took hold, and px within the picture; null where nothing changes. */
type Follow<T> = (by: Offset, at: Offset) => T | null;

/** A hand on the picture. */
export interface Hand<T> {
  readonly take: (e: PointerEvent, follow: Follow<T>) => void;
  readonly go: (e: PointerEvent) => void;
  /** Lets go; whether it had moved, and null where nothing was held. */
  readonly end: (e?: PointerEvent) => boolean | null;
}

interface Held<T> {
  readonly from: Offset;
  readonly picture: DOMRect;
  readonly follow: Follow<T>;
  moved: boolean;
  frame: number;
  next: T | null;
}

class HandOn<T> implements Hand<T> {
  private held: Held<T> | null = null;
  constructor(
    public show: (next: T) => void,
    private readonly slack: number,
  ) {}

  readonly take = (e: PointerEvent, follow: Follow<T>): void => {
    const on = e.currentTarget as Element;
    on.setPointerCapture(e.pointerId);
    // measured once: asking at every move makes the browser lay the page out in between
    const picture = (on instanceof SVGSVGElement ? on : (on.closest('svg') ?? on)).getBoundingClientRect();
    this.held = { from: [e.clientX, e.clientY], picture, follow, moved: false, frame: 0, next: null };
  };

  readonly go = (e: PointerEvent): void => {
    const h = this.held;
    if (h === null) return;
    const by: Offset = [e.clientX - h.from[0], e.clientY - h.from[1]];
    if (!h.moved && Math.hypot(...by) < this.slack) return;
    h.moved = true;
    h.next = h.follow(by, [e.clientX - h.picture.left, e.clientY - h.picture.top]);
    if (h.frame !== 0 || h.next === null) return;
    h.frame = requestAnimationFrame(() => {
      h.frame = 0;
      if (h.next !== null) this.show(h.next);
    });
  };

  readonly end = (): boolean | null => {
    const h = this.held;
    if (h === null) return null;
    this.held = null;
    if (h.frame !== 0) {
      cancelAnimationFrame(h.frame);
      if (h.next !== null) this.show(h.next);
    }
    return h.moved;
  };
}

/**
 * Drags in a picture: what the hand makes is shown at most once a frame, and its last place is never lost.
 * @param slack px before a touch counts as a drag
 */
export function useHand<T>(show: (next: T) => void, slack = 0): Hand<T> {
  const [hand] = useState(() => new HandOn(show, slack));
  const latest = useRef(hand);
  useEffect(() => {
    latest.current.show = show;
  }, [show]);
  return hand;
}

const ARROWS: Readonly<Record<string, Offset>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The step an arrow key asks for, across and up, farther with shift; null for other keys. The key goes no further. */
export function arrowStep(e: KeyboardEvent, by: number, far = 5): Offset | null {
  const step = ARROWS[e.key];
  if (step === undefined) return null;
  e.preventDefault();
  const size = e.shiftKey ? by * far : by;
  return [step[0] * size, step[1] * size];
}

/** A dot to take hold of, by hand or by the arrow keys. */
export function Handle<T>({
  kind,
  at: [x, y],
  label,
  value,
  text,
  upright,
  hand,
  follow,
  onTake,
  onEnd,
  onPress,
  onKeyDown,
}: {
  /** Its sort, for its look. */
  readonly kind: string;
  readonly at: Offset;
  readonly label: string;
  readonly value: number;
  readonly text: string;
  /** Whether it moves up and down only. */
  readonly upright?: boolean;
  readonly hand: Hand<T>;
  readonly follow: () => Follow<T>;
  readonly onTake: () => void;
  readonly onEnd: () => void;
  /** Touched without being moved. */
  readonly onPress: (on: Element) => void;
  readonly onKeyDown: (e: KeyboardEvent) => void;
}): ReactElement {
  const end = (e: PointerEvent): void => {
    const moved = hand.end();
    if (moved === true) onEnd();
    else if (moved === false) onPress(e.currentTarget);
  };
  return (
    <g
      data-handle={kind}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(2))}
      aria-valuetext={text}
      {...(upright === undefined ? {} : { 'aria-orientation': upright ? 'vertical' : 'horizontal' })}
      onPointerDown={(e) => {
        e.preventDefault();
        hand.take(e, follow());
        onTake();
      }}
      onPointerMove={hand.go}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          onPress(e.currentTarget);
        } else onKeyDown(e);
      }}
    >
      <title>{label}</title>
      <circle data-part="reach" cx={x} cy={y} r={22} />
      <circle data-part="dot" cx={x} cy={y} r={5.5} />
    </g>
  );
}
