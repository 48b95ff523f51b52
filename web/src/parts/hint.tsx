import { Portal, Tooltip } from '@chakra-ui/react';
import type { ReactElement } from 'react';

/** Says what a sign without a word is, when it is pointed at or reached by the keyboard. */
export function Hint({ text, children }: { readonly text: string; readonly children: ReactElement }): ReactElement {
  return (
    <Tooltip.Root openDelay={300} closeDelay={80}>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Portal>
        <Tooltip.Positioner>
          <Tooltip.Content>{text}</Tooltip.Content>
        </Tooltip.Positioner>
      </Portal>
    </Tooltip.Root>
  );
}
