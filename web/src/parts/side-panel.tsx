import { IconButton } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { PanelHead } from './layout.js';
import { OpenDrawer } from './open-drawer.js';

/** What is opened at the side: its heading is read first, Escape and its button close it. */
export function SidePanel({
  name,
  title,
  closes,
  about = title,
  onClose,
  children,
}: {
  readonly name: string;
  readonly title: string;
  /** Name of the button that closes it. */
  readonly closes: string;
  /** What it is about: where that becomes another, its heading is read anew. */
  readonly about?: unknown;
  readonly onClose: () => void;
  readonly children: ReactNode;
}): ReactElement {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), [about]);
  return (
    <OpenDrawer name={name} first={heading} onClose={onClose} order={{ base: 4, lg: 0 }}>
      <PanelHead>
        <h1 ref={heading} tabIndex={-1}>
          {title}
        </h1>
        <IconButton variant="ghost" aria-label={closes} onClick={onClose}>
          <X size={20} />
        </IconButton>
      </PanelHead>
      {children}
    </OpenDrawer>
  );
}
