import { useState } from 'react';

/** A list that stays the same one as long as the same things are in it. */
export function useSame<T>(list: readonly T[]): readonly T[] {
  const [kept, keep] = useState(list);
  if (kept.length === list.length && kept.every((x, i) => x === list[i])) return kept;
  keep(list);
  return list;
}
