import { Tabs } from '@chakra-ui/react';
import { useState } from 'react';
import type { ReactElement, ReactNode } from 'react';

/** Sheets of which one is seen at a time: the first, until another is touched. */
export function Sheets({
  label,
  of,
}: {
  readonly label: string;
  readonly of: readonly { readonly id: string; readonly name: string; readonly sheet: ReactNode }[];
}): ReactElement {
  const [chosen, setChosen] = useState(of[0]!.id);
  return (
    <Tabs.Root
      value={of.some((s) => s.id === chosen) ? chosen : of[0]!.id}
      onValueChange={({ value }) => setChosen(value)}
      lazyMount
      unmountOnExit
    >
      <Tabs.List aria-label={label}>
        {of.map((s) => (
          <Tabs.Trigger key={s.id} value={s.id}>
            {s.name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {of.map((s) => (
        <Tabs.Content key={s.id} value={s.id}>
          {s.sheet}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
