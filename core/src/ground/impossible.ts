import type { Observation } from './measures.js';

/** Three distances of which one cannot be. */
export interface Impossible {
  /** The distance to look at first: in most such triangles, else the longest. */
  readonly blamed: Observation;
  readonly others: readonly [Observation, Observation];
  /** True where it is longer than the other two together, false where shorter than their difference. */
  readonly tooLong: boolean;
  /** By how much, m. */
  readonly by: number;
}

/** Misses below so many standard deviations of the three together pass as scatter. */
const NOTICED = 2;

/** Every triangle of measured distances that no three points can have, the worst first. */
export function impossibleTriangles(observations: readonly Observation[]): Impossible[] {
  const distances = observations.filter((o) => o.kind === 'distance');
  const between = new Map<string, Map<string, Observation>>();
  const put = (a: string, b: string, o: Observation): void => {
    const row = between.get(a) ?? new Map<string, Observation>();
    const before = row.get(b);
    if (before === undefined || o.sd < before.sd) row.set(b, o);
    between.set(a, row);
  };
  for (const o of distances) {
    put(o.from, o.to, o);
    put(o.to, o.from, o);
  }
  const found: { readonly sides: readonly [Observation, Observation, Observation]; readonly by: number }[] = [];
  const ids = [...between.keys()];
  ids.forEach((a, i) => {
    const row = between.get(a)!;
    for (let j = i + 1; j < ids.length; j++) {
      const b = ids[j]!;
      const ab = row.get(b);
      if (ab === undefined) continue;
      for (let k = j + 1; k < ids.length; k++) {
        const c = ids[k]!;
        const ac = row.get(c);
        const bc = between.get(b)!.get(c);
        if (ac === undefined || bc === undefined) continue;
        const sides = [ab, ac, bc].sort((p, q) => q.value - p.value) as [Observation, Observation, Observation];
        const by = sides[0].value - sides[1].value - sides[2].value;
        if (by > NOTICED * Math.hypot(ab.sd, ac.sd, bc.sd)) found.push({ sides, by });
      }
    }
  });
  const times = new Map<string, number>();
  for (const f of found) for (const s of f.sides) times.set(s.id, (times.get(s.id) ?? 0) + 1);
  return found
    .sort((p, q) => q.by - p.by)
    .map(({ sides, by }): Impossible => {
      const blamed = sides.reduce((worst, s) => ((times.get(s.id) ?? 0) > (times.get(worst.id) ?? 0) ? s : worst));
      const others = sides.filter((s) => s !== blamed) as [Observation, Observation];
      return { blamed, others, tooLong: blamed === sides[0], by };
    });
}
