import { chakra } from '@chakra-ui/react';
import { createContext, memo, useContext } from 'react';
import type { ReactElement, ReactNode, RefObject } from 'react';

/** Handles in a picture: they grow under the hand and show where the keyboard is. */
export const HANDLES = {
  '& [role=slider], & [role=button]': { cursor: 'grab', touchAction: 'none', outline: 'none' },
  '& [data-part=reach]': { fill: 'transparent' },
  '& [data-part=dot]': {
    fill: 'act',
    stroke: 'ink',
    strokeWidth: 1.5,
    transition: 'r 120ms',
    '@media (prefers-reduced-motion: reduce)': { transition: 'none' },
  },
  '& :is(:hover, :focus-visible) > [data-part=dot]': { r: '9px' },
  '& :focus-visible > [data-part=reach], & :focus-visible > g > [data-part=reach]': {
    stroke: 'act',
    strokeWidth: 3,
  },
};

/** Fills its room; handles grow under the hand and show where the keyboard is. */
const Sheet = chakra('div', {
  base: {
    position: 'relative',
    flex: 1,
    minHeight: 0,
    minWidth: 0,
    overflow: 'hidden',
    fontSize: '13px',
    fill: 'ink',
    '& > svg': { display: 'block', position: 'absolute', inset: 0, touchAction: 'pan-y', userSelect: 'none' },
    '& > canvas': { position: 'absolute', pointerEvents: 'none' },
    ...HANDLES,
    '& [aria-current=true] > g > [data-part=reach]': { stroke: 'ink', strokeWidth: 1.6, strokeDasharray: '3 3' },
  },
  variants: {
    /** Moved by dragging what is bare, with a thing in the hand or without. */
    plan: {
      pan: { '& > svg[role=application]': { touchAction: 'none', cursor: 'grab' } },
      put: { '& > svg[role=application]': { touchAction: 'none', cursor: 'crosshair' } },
    },
    /** The rig has changed into one that cannot be worked out: its picture stays, its numbers do not. */
    stale: { true: { '& text': { visibility: 'hidden' }, '& canvas, & [data-part=lines]': { opacity: 0.35 } } },
  },
});

const PictureContext = createContext<ReactNode>(null);
function Picture(): ReactNode {
  return useContext(PictureContext);
}

interface Still {
  readonly box: RefObject<HTMLDivElement | null>;
  readonly plan?: 'pan' | 'put';
  readonly stale?: boolean;
  /** What it shows, where it is looked at as one picture. */
  readonly label?: string;
}

const StillSheet = memo(function StillSheet({ box, plan, stale, label }: Still): ReactElement {
  return (
    <Sheet
      ref={box}
      {...(plan === undefined ? {} : { plan })}
      stale={stale === true}
      {...(label === undefined ? {} : { role: 'img', 'aria-label': label })}
    >
      <Picture />
    </Sheet>
  );
});

/** What a rig or a place is drawn on. It stands still itself while the picture on it follows the hand. */
export function Stage({ children, ...still }: Still & { readonly children: ReactNode }): ReactElement {
  return (
    <PictureContext value={children}>
      <StillSheet {...still} />
    </PictureContext>
  );
}
