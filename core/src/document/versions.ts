import { under } from './problem.js';

/** A document as it came, before anything of it is known. */
export type Raw = Readonly<Record<string, unknown>>;

/** One step of a chain of versions: takes a document of one version and gives it in the next. */
export interface Step {
  readonly from: string;
  readonly to: string;
  /** Must not throw: what does not fit the version is left as it is, for the check to name. */
  readonly bring: (old: Raw) => Raw;
  /** What of it could not be kept just as it was, a sentence for the document's note; nothing where all was. */
  readonly lost?: (old: Raw) => string | null;
}

/** The versions of one kind of document, oldest first. */
export interface Versions {
  readonly now: string;
  readonly steps: readonly Step[];
}

/** A document brought up to this version. */
export interface BroughtUp {
  readonly document: unknown;
  /** The version it had; the same as this one where it was not older. */
  readonly from: string;
  /** What could not be kept just as it was, a sentence each. */
  readonly lost: readonly string[];
}

/** A document whose version this program does not know: newer than it, or none. */
export class UnknownVersion extends Error {
  override readonly name = 'UnknownVersion';
  /** @param field where the version stands, as in `rig.format` */
  constructor(
    readonly format: unknown,
    { now, steps }: Versions,
    readonly field: string,
  ) {
    super(
      typeof format === 'string'
        ? `“${format.slice(0, 60)}” is not a version this program knows. It reads ${[...steps.map((s) => s.from), now].join(', ')}; a newer one needs a newer program.`
        : `The format is missing. It must be ${now}, or an older one: ${steps.map((s) => s.from).join(', ')}.`,
    );
  }
}

/**
 * Brings a document up to this version, step by step: the same for files, for the database and for drafts kept on a device.
 * @param at path of the document in what holds it
 * @throws UnknownVersion
 */
export function bringUp(versions: Versions, value: unknown, at = ''): BroughtUp {
  const formatOf = (x: unknown): unknown => (x as { readonly format?: unknown } | null | undefined)?.format;
  const from = formatOf(value);
  const lost: string[] = [];
  let document = value;
  for (let steps = 0; steps <= versions.steps.length; steps++) {
    const format = formatOf(document);
    if (format === versions.now) return { document, from: from as string, lost };
    const step = versions.steps.find((s) => s.from === format);
    if (step === undefined) break;
    const said = step.lost?.(document as Raw) ?? null;
    if (said !== null) lost.push(said);
    document = { ...step.bring(document as Raw), format: step.to };
  }
  throw new UnknownVersion(from, versions, under(at, 'format'));
}
