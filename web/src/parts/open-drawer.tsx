import { Drawer } from '@chakra-ui/react';
import { useRef } from 'react';
import type { ComponentProps, ReactElement, RefObject } from 'react';

/**
 * What is drawn out beside or under a view while the view goes on: nothing behind it is taken away. Escape within it closes it, but
 * not where it takes back what is typed or carried.
 */
export function OpenDrawer({
  name,
  first,
  onClose,
  ...content
}: {
  readonly name: string;
  /** What the keyboard goes on from. */
  readonly first?: RefObject<HTMLElement | null>;
  readonly onClose: () => void;
} & ComponentProps<typeof Drawer.Content>): ReactElement {
  const own = useRef<HTMLDivElement>(null);
  return (
    <Drawer.Root
      open
      modal={false}
      initialFocusEl={() => (first ?? own).current}
      onOpenChange={({ open }) => !open && onClose()}
      onEscapeKeyDown={(e) => {
        const at = e.target as HTMLElement;
        if (
          own.current?.contains(at) !== true ||
          at.closest('[data-typed], [aria-roledescription=sortable][aria-pressed=true]') !== null
        )
          e.preventDefault();
      }}
    >
      <Drawer.Positioner>
        <Drawer.Content ref={own} aria-label={name} {...content} />
      </Drawer.Positioner>
    </Drawer.Root>
  );
}
