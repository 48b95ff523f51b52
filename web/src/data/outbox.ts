import type { LogEntry } from '@rough-bight/core/log';
import type { Kit, KitList } from '@rough-bight/core/rig';
import { useSyncExternalStore } from 'react';
import { mutate } from 'swr';
import { ApiError, Unreachable, call } from './api.js';
import { kept } from './kept.js';
import { Telling } from './source.js';
import type { Camp, Person, Stored } from './types.js';

/** What a request changes, as data: it is shown so until the server has it, and after the page was opened anew too. */
export type Change =
  | {
      readonly kind: 'thing';
      readonly camp: string;
      readonly list: KitList;
      readonly id: string;
      /** null where it goes. */
      readonly to: Kit[KitList][number] | null;
    }
  | {
      readonly kind: 'rig' | 'place';
      readonly camp: string;
      readonly id: string;
      readonly to: Stored<unknown> | null;
    }
  | { readonly kind: 'camp'; readonly camp: string; readonly part: Partial<Camp> }
  | { readonly kind: 'order'; readonly camp: string; readonly ids: readonly string[] }
  | { readonly kind: 'log'; readonly camp: string; readonly entry: LogEntry }
  | { readonly kind: 'person'; readonly person: Person };

/** One request that changes something. */
export interface Parcel {
  /** Its own: asked twice under it, what is new is made once, and of this id. */
  readonly id: string;
  readonly method: 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly body?: unknown;
  readonly change: Change;
  /** What it is done to, as a person calls it. */
  readonly what: string;
  /** Why the server refused it; it waits for a person. */
  readonly refused?: string;
}

/** What waits on this device, what was refused, and whether the server was away when it was last asked. */
export interface Waiting {
  readonly parcels: readonly Parcel[];
  readonly away: boolean;
}

/** Where this device keeps what waits. */
export const OUTBOX = 'outbox';
const RETRY_AFTER = 4000;
const NONE: readonly Parcel[] = [];

/** Lets one window of this device at a time do something, where the browser can say which. */
const alone = <T>(work: () => Promise<T>): Promise<T> =>
  'locks' in navigator ? navigator.locks.request(OUTBOX, work) : work();

/** It was done before, and the answer was lost on its way. */
function arrivedBefore({ method, path, body }: Parcel, { status, problem }: ApiError): boolean {
  if (status === 404) return method === 'DELETE' || path.endsWith('/back');
  const { version } = (body ?? {}) as { readonly version?: number };
  const current = problem.current as Stored<unknown> | undefined;
  return status === 409 && version !== undefined && current?.version === version + 1 && holds(current, body);
}

/** Whether everything that was sent is in what is stored. */
function holds(stored: unknown, sent: unknown): boolean {
  if (typeof sent !== 'object' || sent === null) return stored === sent;
  if (typeof stored !== 'object' || stored === null) return false;
  const of = stored as Readonly<Record<string, unknown>>;
  return Object.entries(sent).every(([key, value]) => key === 'version' || holds(of[key], value));
}

/**
 * What was changed here and is not on the server yet: kept on this device, sent in the order in which it was done as soon as there
 * is a way. What is sent twice because an answer was lost changes nothing the second time.
 */
class Outbox extends Telling<Waiting> {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> | null = null;
  private known = false;
  readonly ready: Promise<void>;

  constructor() {
    super({ parcels: NONE, away: false });
    this.ready = this.recover();
    addEventListener('online', () => void this.send());
    // another window of this device may have sent it, or left something
    addEventListener('focus', () => void this.recover());
  }

  private async recover(): Promise<void> {
    await this.look();
    this.known = true;
    void this.send();
  }

  /** Shows what this device keeps; where it may keep nothing, what this window knows. */
  private async look(): Promise<void> {
    this.put((await kept.read<readonly Parcel[]>(OUTBOX)) ?? this.parcels);
  }

  private get parcels(): readonly Parcel[] {
    return this.read().parcels;
  }

  private put(parcels: readonly Parcel[]): void {
    if (parcels.length > 0 || this.parcels.length > 0) this.show({ parcels });
  }

  /** Changes what waits, here and on this device. */
  private async change(change: (was: readonly Parcel[]) => readonly Parcel[]): Promise<void> {
    this.put(change(this.parcels));
    await kept.update<readonly Parcel[]>(OUTBOX, (was = NONE) => change(was));
  }

  /**
   * Asks the server for it; where it does not answer, or others wait before it, it waits too, and `expected` is what it will answer.
   * @throws ApiError where the server refuses it at once
   */
  async ask<T>(parcel: Parcel, expected: T, keepalive = false): Promise<T> {
    // at once where it can be: the page may be going
    if (!this.known) await this.ready;
    if (this.waits.length === 0)
      try {
        return await send<T>(parcel, keepalive);
      } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
      }
    await this.change((was) => [...was, parcel]);
    this.later();
    return expected;
  }

  /** Keeps it and sends it when its turn comes; nobody waits for the answer. */
  async post(parcel: Parcel): Promise<void> {
    await this.ready;
    await this.change((was) => [...was, parcel]);
    await this.send();
  }

  /** What is not refused. */
  private get waits(): readonly Parcel[] {
    return this.parcels.filter((p) => p.refused === undefined);
  }

  /** Whether something that was done to this document waits. */
  holds(kind: 'rig' | 'place', id: string): boolean {
    return this.waits.some(({ change }) => change.kind === kind && change.id === id);
  }

  /** The server is away: it is asked again in a while. */
  private later(): void {
    this.show({ away: true });
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), RETRY_AFTER);
  }

  /** Sends what waits, until there is nothing left or no way. */
  send(): Promise<void> {
    this.sending ??= alone(() => this.sendAll()).finally(() => (this.sending = null));
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    clearTimeout(this.timer);
    // another window may have sent some meanwhile
    await this.look();
    const sent: string[] = [];
    const before = this.parcels;
    for (;;) {
      const next = this.waits.find((p) => !sent.includes(p.id));
      if (next === undefined) break;
      try {
        await send(next);
        sent.push(next.id);
      } catch (error) {
        if (!(error instanceof ApiError) || error.status >= 500) {
          this.later();
          break;
        }
        if (arrivedBefore(next, error)) sent.push(next.id);
        else {
          const { message } = error;
          await this.change((was) => was.map((p) => (p.id === next.id ? { ...p, refused: message } : p)));
          continue;
        }
      }
      await kept.update<readonly Parcel[]>(OUTBOX, (was = NONE) => was.filter((p) => p.id !== next.id));
    }
    if (sent.length === 0) return;
    if (this.waits.every((p) => sent.includes(p.id))) this.show({ away: false });
    // it is shown as it was changed until it is read as it is stored
    await readAgain(before.concat(this.parcels).filter((p) => sent.includes(p.id)));
    this.put(this.parcels.filter((p) => !sent.includes(p.id)));
  }

  /** What was refused is tried again after all else, or let go. */
  async again(): Promise<void> {
    await this.change((was) => [
      ...was.filter((p) => p.refused === undefined),
      ...was.flatMap(({ refused, ...p }) => (refused === undefined ? [] : [p])),
    ]);
    void this.send();
  }
  async letGo(): Promise<void> {
    const gone = this.parcels.filter((p) => p.refused !== undefined);
    await this.change((was) => was.filter((p) => p.refused === undefined));
    await readAgain(gone);
  }
}

/** Addresses whose answers a change touches: what is shown of them is read again as it is stored. */
function touched({ path, change }: Parcel): readonly string[] {
  if (change.kind === 'person') return ['/api/people'];
  const camp = `/api/camps/${encodeURIComponent(change.camp)}`;
  return change.kind === 'log' ? [path] : ['/api/camps', camp, path.replace(/\/back$/, '')];
}
function readAgain(parcels: readonly Parcel[]): Promise<unknown> {
  const all = new Set(parcels.flatMap(touched));
  return mutate((key) => typeof key === 'string' && all.has(key));
}

const send = <T>({ id, method, path, body }: Parcel, keepalive = false): Promise<T> =>
  call<T>(method, path, body, { keepalive, key: id });

export const outbox = new Outbox();

/** What waits on this device, and what was refused. */
export const useWaiting = (): Waiting => useSyncExternalStore(outbox.subscribe, outbox.read);
export const useOutbox = (): readonly Parcel[] => useWaiting().parcels;
