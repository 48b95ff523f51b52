import { Button, Text } from '@chakra-ui/react';
import { against } from '@rough-bight/core/findings';
import type { Finding } from '@rough-bight/core/findings';
import { phrase, tell } from '@rough-bight/core/quantity';
import { sentenceOf } from '@rough-bight/core/words';
import type { Verdict } from '@rough-bight/core/words';
import { useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import { Notes } from '../../parts/layout.js';
import { VerdictBox } from '../workbench.js';

/** Neither passed nor failed while only part is worked out. */
const toneOf = (v: Verdict): 'danger' | 'ink' | 'ink2' => (v.pending === true ? 'ink2' : v.holds ? 'ink' : 'danger');

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
      <Text textStyle="quiet">No number shown before is true of it. Mend it, or undo.</Text>
    </Said>
  );
}

/** What a rig comes to, said first and large, and what to do about it. */
export function Said({ verdict, children }: { readonly verdict: Verdict; readonly children: ReactNode }): ReactElement {
  const [whole, setWhole] = useState(false);
  return (
    <VerdictBox aria-live="polite" aria-label="Verdict" {...(whole ? { 'data-whole': true } : {})}>
      <Text as="h1" color={toneOf(verdict)}>
        <Told said={verdict.sentence} />
      </Text>
      <p>
        <Told said={verdict.detail} />
      </p>
      <Button hideFrom="lg" variant="plain" minHeight="44px" aria-expanded={whole} onClick={() => setWhole(!whole)}>
        {whole ? 'Less' : 'Read on'}
      </Button>
      {children}
    </VerdictBox>
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
    <Notes aria-label="Cautions">
      {[...new Set(said)].map((w) => (
        <p key={w}>{w}</p>
      ))}
      <p>{children}</p>
    </Notes>
  );
}
