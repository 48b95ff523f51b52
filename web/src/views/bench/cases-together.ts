import type { RigReport } from '@rough-bight/core/shelter';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Every case of line or roof and of the bed, and of both together, by what it is called. */
export function casesTogether({ line, roof, bed }: RigReport): readonly Named[] {
  const own: readonly Named[] = (roof ?? line)?.cases ?? [];
  if (bed === null) return own;
  const both = new Map(bed.bears.flatMap((t) => t.loads.map((l) => [l.caseId, l.said] as const)));
  const known = new Set([...own, ...bed.cases].map((c) => c.id));
  return [
    ...own,
    ...bed.cases,
    ...[...both].filter(([id]) => !known.has(id)).map(([id, said]) => ({ id, name: said })),
  ];
}
