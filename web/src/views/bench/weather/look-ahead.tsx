import { Box, Button, Menu, Portal, Text } from '@chakra-ui/react';
import { Telescope } from 'lucide-react';
import type { ReactElement } from 'react';

const PANELS = [
  { panel: 'ladder', bare: true, name: 'Turn it up', says: 'what gives first: in wind, rain, snow, in the bed' },
  { panel: 'gusts', name: 'Gusts', says: 'a minute of them played over it' },
  { panel: 'dry', name: 'Dry ground', says: 'who gets wet in which hour' },
  { panel: 'sure', name: 'How sure', says: 'what is not known, and what to find out' },
  { panel: 'night', name: 'Tonight', says: 'what to do before which hour' },
] as const;

/** Opens one of the panels in which a night is thought through. */
export function LookAhead({
  roofed,
  onPanel,
}: {
  /** A bed without a roof has only who lies in it turned up. */
  readonly roofed: boolean;
  readonly onPanel: (panel: string) => void;
}): ReactElement {
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button flex="none !important" alignSelf="center">
          <Telescope size={18} aria-hidden="true" /> Look ahead
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {PANELS.filter((p) => roofed || 'bare' in p).map(({ panel, name, says }) => (
              <Menu.Item key={panel} value={panel} onSelect={() => onPanel(panel)}>
                <Box>
                  <Text fontWeight={700}>{name}</Text>
                  <Text textStyle="quiet">{says}</Text>
                </Box>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
