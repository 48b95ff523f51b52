import { against } from '@rough-bight/core/findings';
import type { Finding } from '@rough-bight/core/findings';
import { phrase, tell } from '@rough-bight/core/quantity';
import { sentenceOf } from '@rough-bight/core/words';
import type { Verdict } from '@rough-bight/core/words';
import type { ReactElement, ReactNode } from 'react';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';

const LOOK = { holds: '', pending: 'verdict-pending', fails: 'verdict-fails' } as const;
/** Neither passed nor failed while only part is worked out. */
const lookOf = (v: Verdict): keyof typeof LOOK => (v.pending === true ? 'pending' : v.holds ? 'holds' : 'fails');

/** A rig that cannot be computed as it now is: nothing of what stood before is said of it. */
export function Uncomputed({ message }: { readonly message: string }): ReactElement {
  return (
    <Said
      verdict={{
        holds: false,
        sentence: phrase`This rig cannot be worked out as it is.`,
        detail: phrase`${message}`,
      }}
    >
      <p className="quiet">No number shown before is true of it. Mend it, or undo.</p>
    </Said>
  );
}

/** What a rig comes to, said first and large, and what to do about it. */
export function Said({ verdict, children }: { readonly verdict: Verdict; readonly children: ReactNode }): ReactElement {
  return (
    <section className={`verdict ${LOOK[lookOf(verdict)]}`} aria-live="polite" aria-label="Verdict">
      <h1>
        <Told said={verdict.sentence} />
      </h1>
      <p>
        <Told said={verdict.detail} />
      </p>
      {children}
    </section>
  );
}

/** What to beware of with this rig, then with any. What is short stands in the ledger, what is gravest in the verdict. */
export function Cautions({
  findings,
  children,
}: {
  readonly findings: readonly Finding[];
  readonly children: ReactNode;
}): ReactElement {
  const units = useUnits();
  const gravest = against(findings)[0];
  const said = findings
    .filter((f) => f !== gravest && f.code !== 'short' && f.severity !== 'notes')
    .map((f) => tell(sentenceOf(f), units));
  return (
    <section className="notes" aria-label="Cautions">
      {[...new Set(said)].map((w) => (
        <p key={w}>{w}</p>
      ))}
      <p>{children}</p>
    </section>
  );
}
