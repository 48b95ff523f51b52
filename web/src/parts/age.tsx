import { formatDistanceStrict } from 'date-fns';
import { useState } from 'react';
import type { ReactElement } from 'react';

/** How long ago something was: "3 hours ago"; "just now" within a minute. */
export function Age({ of }: { readonly of: string }): ReactElement {
  const [now] = useState(Date.now);
  const then = new Date(of);
  return <>{now - then.getTime() < 60_000 ? 'just now' : formatDistanceStrict(then, now, { addSuffix: true })}</>;
}
