import type { ReactElement } from 'react';

/** What stands beneath a field: why what was put in cannot be, or else a hint. */
export function FieldMore({
  id,
  problem,
  hint = '',
}: {
  /** Of the field it belongs to, which names it in `aria-describedby`. */
  readonly id: string;
  readonly problem: string | null;
  readonly hint?: string | undefined;
}): ReactElement {
  return (
    <span
      id={`${id}-more`}
      className={problem === null ? 'field-hint' : 'field-problem'}
      role={problem === null ? undefined : 'alert'}
    >
      {problem ?? hint}
    </span>
  );
}
