import { IconButton, Menu, Portal } from '@chakra-ui/react';
import { FORCE_UNITS, LENGTH_UNITS } from '@rough-bight/core/quantity';
import { EllipsisVertical } from 'lucide-react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useMe } from '../data/me.js';
import type { Theme } from './theme/index.js';

/** On a phone: what the bar has no room for. */
export default function ShellMenu({
  theme,
  onTheme,
}: {
  readonly theme: Theme;
  readonly onTheme: () => void;
}): ReactElement {
  const navigate = useNavigate();
  const { data: me, change } = useMe();
  return (
    <Menu.Root
      onSelect={({ value }) => {
        if (value === 'theme') onTheme();
        else if (value === 'kit' || value === 'me') void navigate(`/${value}`);
      }}
    >
      <Menu.Trigger asChild>
        <IconButton variant="ghost" color="ink" aria-label="Units, theme, kit and me">
          <EllipsisVertical size={19} />
        </IconButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            <Menu.Item value="kit">Kit</Menu.Item>
            <Menu.Item value="me">Me</Menu.Item>
            <Menu.Item value="theme">{theme === 'day' ? 'To ember, for the night' : 'To daylight'}</Menu.Item>
            {me !== undefined && (
              <>
                <Menu.RadioItemGroup
                  value={me.units.length}
                  onValueChange={(e) =>
                    void change({ ...me, units: { ...me.units, length: e.value as typeof me.units.length } })
                  }
                >
                  <Menu.ItemGroupLabel>Lengths in</Menu.ItemGroupLabel>
                  {LENGTH_UNITS.map((u) => (
                    <Menu.RadioItem key={u} value={u}>
                      {u}
                    </Menu.RadioItem>
                  ))}
                </Menu.RadioItemGroup>
                <Menu.RadioItemGroup
                  value={me.units.force}
                  onValueChange={(e) =>
                    void change({ ...me, units: { ...me.units, force: e.value as typeof me.units.force } })
                  }
                >
                  <Menu.ItemGroupLabel>Forces in</Menu.ItemGroupLabel>
                  {FORCE_UNITS.map((u) => (
                    <Menu.RadioItem key={u} value={u}>
                      {u}
                    </Menu.RadioItem>
                  ))}
                </Menu.RadioItemGroup>
              </>
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
