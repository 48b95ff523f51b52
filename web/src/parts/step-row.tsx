import { Button, Flex } from '@chakra-ui/react';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { OpenDrawer } from './open-drawer.js';

/** Height of the row at a desk, px: a label over its field. */
const ROW = '64px';

/**
 * A step's own few numbers in one row under the scene; everything else of it is drawn out between them, on a phone under the
 * row: the scene keeps what room is left and stays whole.
 */
export function StepRow({
  name,
  said,
  quick,
  children,
  open: asked,
  onOpen,
}: {
  /** Of the step, as its button says. */
  readonly name: string;
  /** What has to be said first: why something cannot be, what was done. */
  readonly said?: ReactNode;
  readonly quick: ReactNode;
  /** Nothing where the row is all there is. */
  readonly children?: ReactNode;
  /** Whether the rest is open, where something else opens it too. */
  readonly open?: boolean;
  readonly onOpen?: (open: boolean) => void;
}): ReactElement {
  const [own, setOwn] = useState(false);
  const open = asked ?? own;
  const setOpen = onOpen ?? setOwn;
  return (
    <Flex direction="column" flex="none" minHeight={0} zIndex={3} bg="cloth">
      <Flex
        wrap={{ base: 'wrap', lg: 'nowrap' }}
        align="flex-start"
        gap={{ base: '4px 14px', lg: '12px' }}
        minHeight={ROW}
        flex="none"
        padding={{ base: '8px 14px', lg: '4px 16px 0' }}
        borderTop={{ base: 0, lg: '1.5px solid' }}
        borderColor={{ lg: 'ink' }}
        css={{
          '& > *': { flex: '1 1 90px', minWidth: 0 },
          // names of things want more room than numbers
          '& > :has(select)': { flex: '2.2 1 150px' },
          '& label': { display: 'block', whiteSpace: { lg: 'nowrap' }, overflow: 'hidden', textOverflow: 'ellipsis' },
          // in one row there is no room beneath a field; it is still read out
          '& [data-part=helper-text]': { display: { lg: 'none' } },
        }}
      >
        {quick}
        {children !== undefined && (
          <Button
            flex="none !important"
            alignSelf="center"
            marginStart="auto"
            aria-expanded={open}
            aria-label={`${open ? 'Less' : 'More'} of ${name}`}
            onClick={() => setOpen(!open)}
          >
            {open ? <ChevronDown size={16} aria-hidden="true" /> : <ChevronUp size={16} aria-hidden="true" />}
            {open ? 'Less' : 'More'}
          </Button>
        )}
      </Flex>
      {said}
      {open && (
        <OpenDrawer
          name={`More of ${name}`}
          onClose={() => setOpen(false)}
          order={{ lg: -1 }}
          maxHeight={{ lg: 'min(52dvh, 470px)' }}
          overflowY="auto"
          borderTop="1.5px solid"
          borderColor="ink"
          padding={{ base: '8px 14px', lg: '12px 16px' }}
        >
          {children}
        </OpenDrawer>
      )}
    </Flex>
  );
}
