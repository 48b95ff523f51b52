import type { Finding } from '@rough-bight/core/findings';
import { tell } from '@rough-bight/core/quantity';
import { sentenceOf } from '@rough-bight/core/words';

/** What to beware of: everything found but what the ledger tells, and what is only good to know. */
export const warningsOf = (findings: readonly Finding[]): string[] =>
  findings.filter((f) => f.code !== 'short' && f.severity !== 'notes').map((f) => tell(sentenceOf(f)));
