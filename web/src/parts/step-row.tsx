import { Box, Button, Flex } from '@chakra-ui/react';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';

/** Height of the row at a desk, px: a label over its field. */
const ROW = '64px';

/**
 * A step's own few numbers in one row under the scene; everything else of it opens over the scene's lower part, on a phone under
 * the row.
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
  const sheet = useRef<HTMLDivElement>(null);
  const opened = useRef(false);
  useEffect(() => {
    if (open && !opened.current) sheet.current?.focus();
    opened.current = open;
  }, [open]);
  return (
    <Box position={{ lg: 'relative' }} flex="none" zIndex={3} bg="cloth">
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
        <Box
          ref={sheet}
          tabIndex={-1}
          role="group"
          aria-label={`More of ${name}`}
          position={{ lg: 'absolute' }}
          insetInline={0}
          bottom={{ lg: '100%' }}
          maxHeight={{ lg: 'min(58dvh, 470px)' }}
          overflowY="auto"
          bg="cloth"
          borderTop="1.5px solid"
          borderColor="ink"
          padding={{ base: '8px 14px', lg: '12px 16px' }}
          _focus={{ outline: 'none' }}
        >
          {children}
        </Box>
      )}
    </Box>
  );
}
