/** The order in which nodes are eliminated, and what each elimination couples. */
export interface Ordering {
  /** order[k]: the node eliminated k-th. */
  readonly order: Int32Array;
  /** Nodes that each elimination still couples, by step: the rows of the factor's columns. */
  readonly columns: readonly Int32Array[];
  /** Block operations of one factorisation: the sum of the squared column lengths. */
  readonly work: number;
}

/**
 * Approximate minimum degree on the quotient graph (Amestoy, Davis & Duff, SIAM J. Matrix Anal. Appl. 17, 1996),
 * without supervariables: the blocks are whole nodes already. Ties go to the node freed last; deterministic.
 * @param count     nodes
 * @param neighbour list of neighbours of each node, without repeats and without itself; consumed
 * @param mostWork  give up beyond this many block operations
 * @returns null when one factorisation would take more than `mostWork`
 */
export function minimumDegree(count: number, neighbour: number[][], mostWork: number): Ordering | null {
  const order = new Int32Array(count);
  const columns: Int32Array[] = new Array<Int32Array>(count);
  const elements: number[][] = Array.from({ length: count }, () => []); // cliques a live node belongs to
  const members: (number[] | null)[] = new Array<number[] | null>(count).fill(null); // live members of a clique
  const gone = new Uint8Array(count);
  const degree = new Int32Array(count);
  const mark = new Int32Array(count).fill(-1);
  const outside = new Int32Array(count); // members of a clique outside the present one
  const seen = new Int32Array(count).fill(-1);
  const head = new Int32Array(count + 1).fill(-1);
  const next = new Int32Array(count).fill(-1);
  const last = new Int32Array(count).fill(-1);
  const put = (v: number): void => {
    const d = degree[v] as number;
    const h = head[d] as number;
    next[v] = h;
    last[v] = -1;
    if (h >= 0) last[h] = v;
    head[d] = v;
  };
  const take = (v: number): void => {
    const n = next[v] as number;
    const l = last[v] as number;
    if (l >= 0) next[l] = n;
    else head[degree[v] as number] = n;
    if (n >= 0) last[n] = l;
  };
  for (let v = count - 1; v >= 0; v--) {
    degree[v] = (neighbour[v] as number[]).length;
    put(v);
  }
  let least = 0;
  let work = 0;
  for (let k = 0; k < count; k++) {
    while (head[least] === -1) least++;
    const p = head[least] as number;
    take(p);
    gone[p] = 1;
    order[k] = p;
    // the new clique: live neighbours of p, directly or through its cliques
    const clique: number[] = [];
    mark[p] = k;
    for (const v of neighbour[p] as number[]) {
      if (gone[v] || mark[v] === k) continue;
      mark[v] = k;
      clique.push(v);
    }
    for (const e of elements[p] as number[]) {
      const list = members[e];
      if (list === null || list === undefined) continue;
      for (const v of list) {
        if (gone[v] || mark[v] === k) continue;
        mark[v] = k;
        clique.push(v);
      }
      members[e] = null;
    }
    neighbour[p] = [];
    elements[p] = [];
    columns[k] = Int32Array.from(clique);
    work += (clique.length + 1) * (clique.length + 1);
    if (work > mostWork) return null;
    members[p] = clique;
    // how many members of each touched clique lie outside this one
    for (const v of clique) {
      for (const e of elements[v] as number[]) {
        const list = members[e];
        if (list === null || list === undefined) continue;
        if (seen[e] !== k) {
          seen[e] = k;
          let live = 0;
          for (const u of list) if (!gone[u]) list[live++] = u;
          list.length = live;
          outside[e] = live;
        }
        outside[e]!--;
      }
    }
    for (const v of clique) {
      take(v);
      const own = neighbour[v] as number[];
      let kept = 0;
      for (const u of own) if (!gone[u] && mark[u] !== k) own[kept++] = u;
      own.length = kept;
      const cliques = elements[v] as number[];
      let d = kept + clique.length - 1;
      let keptCliques = 0;
      for (const e of cliques) {
        if (members[e] === null || members[e] === undefined) continue;
        if (outside[e] === 0) {
          members[e] = null; // wholly inside the new clique
          continue;
        }
        d += outside[e] as number;
        cliques[keptCliques++] = e;
      }
      cliques.length = keptCliques;
      cliques.push(p);
      degree[v] = Math.min(d, count - k - 2 < 0 ? 0 : count - k - 2);
      put(v);
      if ((degree[v] as number) < least) least = degree[v] as number;
    }
  }
  return { order, columns, work };
}
