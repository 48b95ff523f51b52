/** What a person typed that cannot be used; the message is the one line they see. */
export class BadInput extends Error {
  override readonly name = 'BadInput';
  constructor(
    message: string,
    readonly code: 2 | 3 = 2,
  ) {
    super(message);
  }
}

/** An option's name, its value as typed and what is allowed, in one line. */
export function bad(option: string, value: string, allowed: string): BadInput {
  return new BadInput(`--${option}: ${value === '' ? '(nothing)' : value}; allowed: ${allowed}`);
}

/** Options as typed: `--name value`, repeated ones collected, switches as empty text. */
export type Options = ReadonlyMap<string, readonly string[]>;

/**
 * Reads `--name value` and `--name=value`.
 * @param takesValue names of options with a value
 * @param switches   names of options without
 */
export function readOptions(
  args: readonly string[],
  takesValue: readonly string[],
  switches: readonly string[],
): Options {
  const options = new Map<string, string[]>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    const allowed = [...takesValue, ...switches].map((n) => `--${n}`).join(' ');
    if (!arg.startsWith('--')) throw new BadInput(`argument: ${arg}; allowed: ${allowed}`);
    const equals = arg.indexOf('=');
    const name = equals < 0 ? arg.slice(2) : arg.slice(2, equals);
    if (switches.includes(name)) {
      if (equals >= 0) throw bad(name, arg.slice(equals + 1), 'no value');
      options.set(name, ['']);
    } else if (takesValue.includes(name)) {
      const value = equals >= 0 ? arg.slice(equals + 1) : args[++i];
      if (value === undefined) throw bad(name, '', 'a value after it');
      options.set(name, [...(options.get(name) ?? []), value]);
    } else throw new BadInput(`option: ${arg}; allowed: ${allowed}`);
  }
  return options;
}

/** The single value of an option, or undefined. */
export function single(options: Options, name: string): string | undefined {
  const values = options.get(name);
  if (values === undefined) return undefined;
  if (values.length > 1) throw bad(name, values.join(' and '), 'given once');
  return values[0];
}

/** A range of numbers and how to say it. */
export interface Allowed {
  readonly says: string;
  readonly fits: (x: number) => boolean;
}

/** Reads a finite decimal number. */
export function readNumber(option: string, text: string, allowed: Allowed, whole = text): number {
  const value = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(text.trim()) ? Number(text) : Number.NaN;
  if (!Number.isFinite(value) || !allowed.fits(value)) throw bad(option, whole, allowed.says);
  return value;
}
