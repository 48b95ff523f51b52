import { UnknownVersion, bringUp } from '@rough-bight/core/document';
import { PLACE_VERSIONS, RIG_VERSIONS, noteWith } from '@rough-bight/core/formats';
import { ApiError, call } from './api.js';
import { kept } from './kept.js';
import { outbox } from './outbox.js';
import { Telling } from './source.js';
import type { Stored } from './types.js';

/** What is edited as one: the name, the note and the document itself. */
export interface Draft<D> {
  readonly name: string;
  readonly note: string;
  readonly document: D;
}

export type SaveState<D = unknown> =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly message: string }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'conflict'; readonly message: string; readonly theirs: Stored<D> };

export interface Snapshot<D> {
  readonly draft: Draft<D>;
  /** True between the start and the end of a drag. */
  readonly moving: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly save: SaveState<D>;
}

interface Kept<D> {
  readonly draft: Draft<D>;
  readonly version: number;
}

const VERSIONS = { rig: RIG_VERSIONS, place: PLACE_VERSIONS } as const;
const AWAY = 'The server does not answer. What you change is kept here and saved when it is back.';
const SAVE_AFTER = 400;
const RETRY_AFTER = 3000;
const STEPS_KEPT = 200;

function draftOf<D>(stored: Stored<D>): Draft<D> {
  return { name: stored.name, note: stored.note, document: stored.document };
}

/** The same content, whatever the order of keys (the database has its own). */
function same<D>(a: Draft<D>, b: Draft<D>): boolean {
  const sorted = (_: string, value: unknown): unknown =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1)))
      : value;
  return JSON.stringify(a, sorted) === JSON.stringify(b, sorted);
}

/**
 * One rig or place being worked on: its draft, its undo and redo, and its saving. Every change is kept on this
 * device until the server has it, so that a lost server, a closed tab or a refusal loses nothing.
 */
export class DocumentStore<D> extends Telling<Snapshot<D>> {
  private version: number;
  private undoStack: Draft<D>[] = [];
  private redoStack: Draft<D>[] = [];
  private beforeMove: Draft<D> | null = null;
  private dirty = false;
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** @param kind its name in the API's addresses and in sentences */
  constructor(
    readonly kind: 'rig' | 'place',
    private stored: Stored<D>,
  ) {
    super({ draft: draftOf(stored), moving: false, canUndo: false, canRedo: false, save: { kind: 'saved' } });
    this.version = stored.version;
    void this.recover();
  }

  get campId(): string {
    return this.stored.campId;
  }
  get id(): string {
    return this.stored.id;
  }
  /** The version that the server has. */
  get savedVersion(): number {
    return this.version;
  }

  protected override show(part: Partial<Snapshot<D>>): void {
    super.show({ ...part, canUndo: this.undoStack.length > 0, canRedo: this.redoStack.length > 0 });
  }

  private get keptKey(): string {
    return `${this.kind}-draft:${this.stored.id}`;
  }

  /** A draft as this program knows it, brought up as files are; null where it is of a newer one. */
  private broughtUp(found: Kept<D>): Kept<D> | null {
    try {
      const { document, lost } = bringUp(VERSIONS[this.kind], found.draft.document);
      const note = lost.length === 0 ? found.draft.note : noteWith(found.draft.note, lost);
      return { ...found, draft: { ...found.draft, note, document: document as D } };
    } catch (error) {
      if (error instanceof UnknownVersion) return null;
      throw error;
    }
  }

  /** A draft that never reached the server comes back. */
  private async recover(): Promise<void> {
    const found = await kept.read<Kept<D>>(this.keptKey);
    if (found === undefined || this.dirty || this.sending) return;
    const last = this.broughtUp(found);
    if (last === null) {
      // a newer program kept it: set aside for that one, not written over
      await kept.write(`${this.keptKey}:newer`, found);
      return;
    }
    if (last.version === this.version) this.edit(last.draft);
    else if (same(last.draft, draftOf(this.stored)))
      await kept.drop(this.keptKey); // it was saved as the window closed
    else if (last.version < this.version)
      this.show({
        draft: last.draft,
        save: {
          kind: 'conflict',
          message: `Changes you made here never reached the server, and the ${this.kind} has been changed since.`,
          theirs: this.stored,
        },
      });
  }

  /** One change, to be saved and undone as one. */
  edit(draft: Draft<D>): void {
    if (this.beforeMove !== null) this.endMove();
    this.push(this.read().draft);
    this.show({ draft });
    this.changed();
  }

  /** A step of a drag: shown, not yet saved. */
  move(draft: Draft<D>): void {
    this.beforeMove ??= this.read().draft;
    this.show({ draft, moving: true });
  }

  endMove(): void {
    if (this.beforeMove === null) return;
    this.push(this.beforeMove);
    this.beforeMove = null;
    this.show({ moving: false });
    this.changed();
  }

  private push(draft: Draft<D>): void {
    this.undoStack = [...this.undoStack.slice(1 - STEPS_KEPT), draft];
    this.redoStack = [];
  }

  undo(): void {
    const last = this.undoStack.at(-1);
    if (last === undefined || this.read().moving) return;
    this.undoStack = this.undoStack.slice(0, -1);
    this.redoStack = [...this.redoStack, this.read().draft];
    this.show({ draft: last });
    this.changed();
  }

  redo(): void {
    const next = this.redoStack.at(-1);
    if (next === undefined || this.read().moving) return;
    this.redoStack = this.redoStack.slice(0, -1);
    this.undoStack = [...this.undoStack, this.read().draft];
    this.show({ draft: next });
    this.changed();
  }

  private changed(): void {
    this.dirty = true;
    void kept.write(this.keptKey, { draft: this.read().draft, version: this.version } satisfies Kept<D>);
    if (this.read().save.kind === 'conflict') return;
    this.show({ save: { kind: 'saving' } });
    this.schedule(SAVE_AFTER);
  }

  private schedule(delay: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), delay);
  }

  /** Sends what is not yet saved; `leaving` lets the request outlive the page. */
  async send(leaving = false): Promise<void> {
    if (!this.dirty || this.sending || this.read().save.kind === 'conflict') return;
    clearTimeout(this.timer);
    // it is not there yet, or what was done to it before this is not
    if (outbox.holds(this.kind, this.stored.id)) {
      this.show({ save: { kind: 'waiting', message: AWAY } });
      this.schedule(RETRY_AFTER);
      return;
    }
    this.sending = true;
    this.dirty = false;
    const { draft } = this.read();
    try {
      const saved = await call<Stored<D>>(
        'PUT',
        `/api/${this.kind}s/${encodeURIComponent(this.stored.id)}`,
        { ...draft, version: this.version },
        { keepalive: leaving },
      );
      await this.saved(saved);
    } catch (error) {
      this.sending = false;
      // what was changed meanwhile is sent too
      const meanwhile = this.dirty;
      this.dirty = true;
      const theirs = error instanceof ApiError && error.status === 409 ? (error.problem.current as Stored<D>) : null;
      // it was saved, and only the answer was lost
      if (theirs !== null && same(draftOf(theirs), draft)) {
        this.dirty = meanwhile;
        await this.saved(theirs);
      } else if (error instanceof ApiError && error.status === 409)
        this.show({ save: { kind: 'conflict', message: error.message, theirs: error.problem.current as Stored<D> } });
      else if (error instanceof ApiError && error.status < 500)
        this.show({ save: { kind: 'refused', message: error.message } });
      else {
        this.show({ save: { kind: 'waiting', message: AWAY } });
        this.schedule(RETRY_AFTER);
      }
    }
  }

  /** The server has it. */
  private async saved(stored: Stored<D>): Promise<void> {
    this.stored = stored;
    this.version = stored.version;
    this.sending = false;
    if (this.dirty) this.schedule(SAVE_AFTER);
    else {
      await kept.drop(this.keptKey);
      this.show({ save: { kind: 'saved' } });
    }
  }

  /** What the server holds now, seen on coming back to the window. */
  seen(latest: Stored<D>): void {
    if (latest.version <= this.version || this.sending) return;
    if (this.dirty || this.read().moving)
      this.show({
        save: {
          kind: 'conflict',
          message: `This ${this.kind} was changed in another window. Take that one, or keep yours as a copy.`,
          theirs: latest,
        },
      });
    else this.adopt(latest);
  }

  /** Takes what is stored; what was here goes onto the undo stack, so that it is not lost. */
  adopt(theirs: Stored<D>): void {
    this.push(this.read().draft);
    this.stored = theirs;
    this.version = theirs.version;
    this.dirty = false;
    void kept.drop(this.keptKey);
    this.show({ draft: draftOf(theirs), save: { kind: 'saved' } });
  }
}
