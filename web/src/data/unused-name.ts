/** Longest name of a rig or a place. */
const MOST = 80;

/** A name that nothing of a list has yet: numbered where it is taken, so that two can be told apart. */
export function unusedName(wanted: string, taken: readonly { readonly name: string }[]): string {
  const names = new Set(taken.map((t) => t.name));
  let name = wanted.slice(0, MOST);
  for (let n = 2; names.has(name); n++) name = `${wanted.slice(0, MOST - 1 - String(n).length)} ${n}`;
  return name;
}
