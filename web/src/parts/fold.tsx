import { Button, Collapsible } from '@chakra-ui/react';
import { ChevronRight } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';

/** What is read or asked only when its line is touched. */
export function Fold({
  line,
  open = false,
  children,
}: {
  readonly line: ReactNode;
  /** At first. */
  readonly open?: boolean;
  readonly children: ReactNode;
}): ReactElement {
  return (
    <Collapsible.Root defaultOpen={open}>
      <Collapsible.Trigger asChild>
        <Button unstyled display="flex" alignItems="center" gap="5px" textAlign="left">
          <Collapsible.Indicator asChild>
            <ChevronRight size={15} aria-hidden="true" />
          </Collapsible.Indicator>
          <span>{line}</span>
        </Button>
      </Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
