import type { ReactElement } from 'react';

/** A symbol or formula as text, with what follows an underscore set low. */
export function Symbols({ text }: { readonly text: string }): ReactElement {
  const parts = text.split(/_([A-Za-z0-9]+)/);
  return <>{parts.map((part, i) => (i % 2 === 1 ? <sub key={i}>{part}</sub> : part))}</>;
}
