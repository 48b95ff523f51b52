/** What a figure is derived from: by far the most of it, and not looked at while a hand moves. */
const WORKINGS: ReadonlySet<string> = new Set(['inputs', 'notes', 'source', 'formula']);

/** The same value with no figure's working in it: a tenth of the objects to hand from thread to thread. */
export function withoutWorkings<T>(value: T): T {
  if (Array.isArray(value)) return value.map(withoutWorkings) as T;
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value)) return value;
  const figure = 'symbol' in value && 'quantity' in value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, part]) =>
      figure && WORKINGS.has(key) ? [] : [[key, withoutWorkings(part as unknown)]],
    ),
  ) as T;
}
