import { Box, Button, Menu, Portal, Text } from '@chakra-ui/react';
import { Telescope } from 'lucide-react';
import type { ReactElement } from 'react';

const PANELS = [
  {
    panel: 'ladder',
    of: ['roof', 'bed'],
    name: 'Turn it up',
    says: 'what gives first: in wind, rain, snow, in the bed',
  },
  { panel: 'gusts', of: ['roof'], name: 'Gusts', says: 'a minute of them played over it' },
  { panel: 'dry', of: ['roof'], name: 'Dry ground', says: 'who gets wet in which hour' },
  { panel: 'sure', of: ['roof', 'bed', 'line'], name: 'How sure', says: 'what is not known, and what to find out' },
  { panel: 'night', of: ['roof'], name: 'Tonight', says: 'what to do before which hour' },
] as const satisfies readonly {
  readonly panel: string;
  readonly of: readonly Whose[];
  readonly name: string;
  readonly says: string;
}[];
/** What is pitched: a roof, else a bed, else a line alone. */
export type Whose = 'roof' | 'bed' | 'line';

/** Opens one of the panels in which a night is thought through. */
export function LookAhead({
  whose,
  onPanel,
}: {
  /** Each has what can be asked of it. */
  readonly whose: Whose;
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
            {PANELS.filter(({ of }) => (of as readonly Whose[]).includes(whose)).map(({ panel, name, says }) => (
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
