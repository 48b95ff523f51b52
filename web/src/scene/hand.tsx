import { useDrag } from '@use-gesture/react';
import type { DOMAttributes, KeyboardEvent, ReactElement } from 'react';

/** Across and down, or across and up where metres are meant. */
export type Offset = readonly [number, number];

/** What a drag makes of where the hand is: px since it took hold, and px within the picture; null where nothing changes. */
type Follow<T> = (by: Offset, at: Offset) => T | null;

/** What a hand does with what it takes hold of. */
export interface Grasp<G, T> {
  readonly take?: (grip: G) => void;
  /** Asked once, as it takes hold. */
  readonly follow: (grip: G) => Follow<T>;
  readonly show: (next: T) => void;
  /** Lets go, of what was shown last. */
  readonly end: (grip: G, shown: T | null) => void;
  /** Touched without being moved. */
  readonly press: (grip: G, on: Element) => void;
}

interface Held<T> {
  readonly follow: Follow<T>;
  /** Measured once: asking at every move makes the browser lay the page out in between. */
  readonly picture: DOMRect;
  readonly shown: T | null;
}

/** Drags in a picture. @param slack px before a touch counts as a drag */
export function useGrasp<G, T>(deeds: Grasp<G, T>, slack: number): (grip: G) => DOMAttributes<Element> {
  return useDrag<PointerEvent>(
    ({ args, first, last, tap, initial, xy, event, currentTarget, memo }): Held<T> | undefined => {
      const [grip] = args as [G];
      const on = currentTarget as Element;
      event.stopPropagation();
      if (tap) {
        deeds.press(grip, on);
        return undefined;
      }
      let held = memo as Held<T> | undefined;
      if (first || held === undefined) {
        held = {
          follow: deeds.follow(grip),
          picture: (on.closest('svg') ?? on).getBoundingClientRect(),
          shown: null,
        };
        deeds.take?.(grip);
      }
      const next = held.follow(
        [xy[0] - initial[0], xy[1] - initial[1]],
        [xy[0] - held.picture.left, xy[1] - held.picture.top],
      );
      if (next !== null) deeds.show(next);
      const shown = next ?? held.shown;
      if (last) deeds.end(grip, shown);
      return { ...held, shown };
    },
    // arrow keys go by steps of their own
    { filterTaps: true, threshold: slack, pointer: { keys: false } },
  ) as (grip: G) => DOMAttributes<Element>;
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
  slack,
  grasp,
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
  readonly slack: number;
  readonly grasp: Grasp<undefined, T>;
  readonly onKeyDown: (e: KeyboardEvent) => void;
}): ReactElement {
  const bind = useGrasp(grasp, slack);
  return (
    <g
      {...bind(undefined)}
      data-handle={kind}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(2))}
      aria-valuetext={text}
      {...(upright === undefined ? {} : { 'aria-orientation': upright ? 'vertical' : 'horizontal' })}
      onKeyDown={(e) => {
        if (e.key === 'Enter') {
          e.preventDefault();
          grasp.press(undefined, e.currentTarget);
        } else onKeyDown(e);
      }}
    >
      <title>{label}</title>
      <circle data-part="reach" cx={x} cy={y} r={22} />
      <circle data-part="dot" cx={x} cy={y} r={5.5} />
    </g>
  );
}
