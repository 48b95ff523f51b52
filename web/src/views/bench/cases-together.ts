import type { BedResult } from '@rough-bight/core/shelter';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Every case of roof and bed, and of both together, by what it is called. */
export function casesTogether(roof: readonly Named[], bed: BedResult | null): readonly Named[] {
  if (bed === null) return roof;
  const both = new Map(bed.trunks.flatMap((t) => t.loads.map((l) => [l.caseId, l.said] as const)));
  const own = new Set([...roof, ...bed.cases].map((c) => c.id));
  return [...roof, ...bed.cases, ...[...both].filter(([id]) => !own.has(id)).map(([id, said]) => ({ id, name: said }))];
}
