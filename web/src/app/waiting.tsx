import { Button, List, Span, Status } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { outbox, useOutbox, useWaiting } from '../data/outbox.js';
import { Buttons, Undecided } from '../parts/layout.js';

/** How much of what was changed here is not on the server yet; nothing where all is. */
export function Waiting(): ReactElement | null {
  const { parcels, away } = useWaiting();
  const count = parcels.filter((p) => p.refused === undefined).length;
  if (!away || count === 0) return null;
  return (
    <Status.Root role="status" paddingInline={{ base: '2px', lg: '8px' }} color="danger" fontWeight={700}>
      {count}
      <Span hideBelow="lg">{count === 1 ? ' change' : ' changes'}</Span>
      {count === 1 ? ' waits' : ' wait'}
    </Status.Root>
  );
}

/** What the server would not take when it was back, and what can be done about it. */
export function Refused(): ReactElement | null {
  const refused = useOutbox().filter((p) => p.refused !== undefined);
  if (refused.length === 0) return null;
  return (
    <Undecided>
      <p>Changed here while the server was away, and not taken by it:</p>
      <List.Root paddingLeft="18px" marginBlock="6px">
        {refused.map((p) => (
          <List.Item key={p.id}>
            {p.what}: {p.refused}
          </List.Item>
        ))}
      </List.Root>
      <Buttons>
        <Button variant="solid" onClick={() => void outbox.again()}>
          Try again
        </Button>
        <Button onClick={() => void outbox.letGo()}>Let it go</Button>
      </Buttons>
    </Undecided>
  );
}
