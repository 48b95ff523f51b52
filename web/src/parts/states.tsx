import type { ReactElement } from 'react';
import { Link } from 'react-router';

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
