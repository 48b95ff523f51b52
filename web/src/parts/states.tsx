import { Button, EmptyState, Text } from '@chakra-ui/react';
import type { ReactElement, ReactNode } from 'react';
import { Link, useRouteError } from 'react-router';
import { Buttons, Problem } from './layout.js';

export function Loading({ what }: { readonly what: string }): ReactElement {
  return (
    <Text padding="40px" maxWidth="60ch" role="status">
      Fetching {what}…
    </Text>
  );
}

/** Where nothing is yet: how to begin. */
export function Empty({ children }: { readonly children: ReactNode }): ReactElement {
  return (
    <EmptyState.Root>
      <EmptyState.Content>
        <EmptyState.Description>{children}</EmptyState.Description>
      </EmptyState.Content>
    </EmptyState.Root>
  );
}

/** In place of a view that is not to be had. */
function NoView({ title, children }: { readonly title: string; readonly children: ReactNode }): ReactElement {
  return (
    <EmptyState.Root size="lg" role="alert">
      <EmptyState.Content>
        <EmptyState.Title asChild>
          <h1>{title}</h1>
        </EmptyState.Title>
        {children}
      </EmptyState.Content>
    </EmptyState.Root>
  );
}

/** What went wrong, and the way back. */
export function Trouble({ error }: { readonly error: Error }): ReactElement {
  return (
    <NoView title="That did not open">
      <EmptyState.Description>{error.message}</EmptyState.Description>
      <Buttons>
        <Button onClick={() => location.reload()}>Try again</Button>
        <Link to="/">To the camp</Link>
      </Buttons>
    </NoView>
  );
}

/** A view that failed: nothing that was saved or kept on this device is gone. */
export function Failed(): ReactElement {
  const error = useRouteError();
  return (
    <NoView title="This view failed">
      <EmptyState.Description>
        What you changed is kept. Load the page again; if it fails again, go back to the camp.
      </EmptyState.Description>
      <Problem>{error instanceof Error ? error.message : String(error)}</Problem>
      <p>
        <a href={location.pathname}>Load again</a> or <a href="/">go to the camp</a>
      </p>
    </NoView>
  );
}
