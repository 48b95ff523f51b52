import type { Verdict } from '@rough-bight/core/rig';
import type { ReactElement, ReactNode } from 'react';

/** What a rig comes to, said first and large, and what to do about it. */
export function Said({ verdict, children }: { readonly verdict: Verdict; readonly children: ReactNode }): ReactElement {
  return (
    <section className={verdict.holds ? 'verdict' : 'verdict verdict-fails'} aria-live="polite" aria-label="Verdict">
      <h1>{verdict.sentence}</h1>
      <p>{verdict.detail}</p>
      {children}
    </section>
  );
}

/** What to beware of with this rig, then with any. */
export function Cautions({
  warnings,
  children,
}: {
  readonly warnings: readonly string[];
  readonly children: ReactNode;
}): ReactElement {
  return (
    <section className="notes" aria-label="Cautions">
      {warnings.map((w) => (
        <p key={w}>{w}</p>
      ))}
      <p>{children}</p>
    </section>
  );
}
