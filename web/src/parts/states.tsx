import type { ReactElement } from 'react';
import { Link, useRouteError } from 'react-router';

export function Loading({ what }: { readonly what: string }): ReactElement {
  return (
    <p className="state" role="status">
      Fetching {what}…
    </p>
  );
}

/** What went wrong, and the way back. */
export function Trouble({ error }: { readonly error: Error }): ReactElement {
  return (
    <div className="state" role="alert">
      <h1>That did not open</h1>
      <p>{error.message}</p>
      <p>
        <Link to="/">To the camp</Link>
      </p>
    </div>
  );
}

/** A view that failed: nothing that was saved or kept on this device is gone. */
export function Failed(): ReactElement {
  const error = useRouteError();
  return (
    <div className="state" role="alert">
      <h1>This view failed</h1>
      <p>What you changed is kept. Load the page again; if it fails again, go back to the camp.</p>
      <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>
      <p>
        <a href={location.pathname}>Load again</a> or <a href="/">go to the camp</a>
      </p>
    </div>
  );
}
