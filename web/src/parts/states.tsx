import { Box, Button, Text } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { Link, useRouteError } from 'react-router';
import { Buttons } from './layout.js';

export function Loading({ what }: { readonly what: string }): ReactElement {
  return (
    <Text padding="40px" maxWidth="60ch" role="status">
      Fetching {what}…
    </Text>
  );
}

/** What went wrong, and the way back. */
export function Trouble({ error }: { readonly error: Error }): ReactElement {
  return (
    <Box padding="40px" maxWidth="60ch" role="alert">
      <h1>That did not open</h1>
      <p>{error.message}</p>
      <Buttons>
        <Button onClick={() => location.reload()}>Try again</Button>
        <Link to="/">To the camp</Link>
      </Buttons>
    </Box>
  );
}

/** A view that failed: nothing that was saved or kept on this device is gone. */
export function Failed(): ReactElement {
  const error = useRouteError();
  return (
    <Box padding="40px" maxWidth="60ch" role="alert">
      <h1>This view failed</h1>
      <p>What you changed is kept. Load the page again; if it fails again, go back to the camp.</p>
      <Text textStyle="quiet">{error instanceof Error ? error.message : String(error)}</Text>
      <p>
        <a href={location.pathname}>Load again</a> or <a href="/">go to the camp</a>
      </p>
    </Box>
  );
}
