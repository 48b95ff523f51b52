import type { Verdict } from '@rough-bight/core/rig';
import type { ReactElement, ReactNode } from 'react';

const LOOK = { holds: '', pending: 'verdict-pending', fails: 'verdict-fails' } as const;
/** Neither passed nor failed while only part is worked out. */
const lookOf = (v: Verdict): keyof typeof LOOK => (v.pending === true ? 'pending' : v.holds ? 'holds' : 'fails');

/** A rig that cannot be computed as it now is: nothing of what stood before is said of it. */
export function Uncomputed({ message }: { readonly message: string }): ReactElement {
  return (
    <Said verdict={{ holds: false, sentence: 'This rig cannot be worked out as it is.', detail: message }}>
      <p className="quiet">No number shown before is true of it. Mend it, or undo.</p>
    </Said>
  );
}

/** What a rig comes to, said first and large, and what to do about it. */
export function Said({ verdict, children }: { readonly verdict: Verdict; readonly children: ReactNode }): ReactElement {
  return (
    <section className={`verdict ${LOOK[lookOf(verdict)]}`} aria-live="polite" aria-label="Verdict">
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
