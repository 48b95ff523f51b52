import type { LogEntry } from '@rough-bight/core/log';
import { MOST_AT_ONCE } from '@rough-bight/core/log';
import { useMemo, useSyncExternalStore } from 'react';
import useSWR, { mutate } from 'swr';
import { ApiError, call, get } from './api.js';
import { kept } from './kept.js';
import { Telling } from './source.js';

const addressOf = (campId: string): string => `/api/camps/${encodeURIComponent(campId)}/log`;
const RETRY_AFTER = 5000;

/** What waits, and what was refused and why: nothing written is lost. */
export interface Waiting {
  readonly entries: readonly LogEntry[];
  readonly refused: string | null;
}

/**
 * What was written on this device and is not on the server yet: kept on the device, sent in the order in which it was written as
 * soon as there is a way. An entry's own id makes it arrive once, however often it is sent.
 */
class Queue extends Telling<Waiting> {
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly ready: Promise<void>;

  constructor(private readonly campId: string) {
    super({ entries: [], refused: null });
    this.ready = this.recover();
    addEventListener('online', () => void this.send());
  }

  private get key(): string {
    return `log:${this.campId}`;
  }

  private async recover(): Promise<void> {
    const found = (await kept.read<readonly LogEntry[]>(this.key)) ?? [];
    if (found.length > 0) this.show({ entries: [...found, ...this.read().entries] });
    void this.send();
  }

  async write(entry: LogEntry): Promise<void> {
    await this.ready;
    this.show({ entries: [...this.read().entries, entry], refused: null });
    // another window of this device may write to it too
    await kept.update<readonly LogEntry[]>(this.key, (was = []) => [...was, entry]);
    void this.send();
  }

  async send(): Promise<void> {
    await this.ready;
    const entries = this.read().entries.slice(0, MOST_AT_ONCE);
    if (this.sending || entries.length === 0) return;
    clearTimeout(this.timer);
    this.sending = true;
    try {
      await call('POST', addressOf(this.campId), { entries });
      // what was written meanwhile stands behind what was sent
      this.show({ entries: this.read().entries.slice(entries.length), refused: null });
      const sent = new Set(entries.map((e) => e.id));
      await kept.update<readonly LogEntry[]>(this.key, (was = []) => was.filter((e) => !sent.has(e.id)));
      await mutate(addressOf(this.campId));
      this.sending = false;
      if (this.read().entries.length > 0) void this.send();
    } catch (error) {
      this.sending = false;
      if (error instanceof ApiError && error.status < 500) this.show({ refused: error.message });
      else this.timer = setTimeout(() => void this.send(), RETRY_AFTER);
    }
  }
}

const queues = new Map<string, Queue>();
function queueOf(campId: string): Queue {
  const known = queues.get(campId) ?? new Queue(campId);
  queues.set(campId, known);
  return known;
}

const NOTHING: readonly LogEntry[] = [];

/** A camp's log: what the server has and what still waits here, in the order in which it was written. */
export function useLog(campId: string): {
  readonly entries: readonly LogEntry[];
  readonly waiting: Waiting;
  readonly write: (entry: Omit<LogEntry, 'id' | 'at'>) => void;
} {
  const queue = queueOf(campId);
  const waiting = useSyncExternalStore(queue.subscribe, queue.read);
  const { data = NOTHING } = useSWR<readonly LogEntry[]>(addressOf(campId), get);
  // the same until something is written or arrives: much is made of it
  const entries = useMemo(() => {
    const there = new Set(data.map((e) => e.id));
    return [...data, ...waiting.entries.filter((e) => !there.has(e.id))];
  }, [data, waiting.entries]);
  return {
    entries,
    waiting,
    write: (entry) => void queue.write({ id: crypto.randomUUID(), at: new Date().toISOString(), ...entry }),
  };
}
