import type { Remote } from 'comlink';
import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Net, NetNumbers } from '@rough-bight/core/net';
import type { NetService } from './net.worker.js';

export type NetState =
  | { readonly kind: 'none' }
  | { readonly kind: 'refused'; readonly name: string; readonly message: string }
  | { readonly kind: 'solving'; readonly name: string; readonly net: Net; readonly iterations: number }
  | { readonly kind: 'stopped'; readonly name: string; readonly net: Net }
  | {
      readonly kind: 'solved';
      readonly name: string;
      readonly net: Net;
      readonly warnings: readonly string[];
      readonly numbers: NetNumbers;
    };

/** Opens and solves one net file after another in a worker of its own; a newer one stops the older. */
export function useNet(): {
  readonly state: NetState;
  readonly open: (name: string, text: string) => void;
  readonly stop: () => void;
} {
  const [state, setState] = useState<NetState>({ kind: 'none' });
  const worker = useRef<{ readonly thread: Worker; readonly service: Remote<NetService> } | null>(null);
  const latest = useRef(0);
  useEffect(
    () => () => {
      latest.current++;
      worker.current?.thread.terminate();
      worker.current = null;
    },
    [],
  );
  const open = useCallback((name: string, text: string): void => {
    if (worker.current === null) {
      const thread = new Worker(new URL('./net.worker.ts', import.meta.url), { type: 'module' });
      worker.current = { thread, service: wrap<NetService>(thread) };
    }
    const { service } = worker.current;
    const mine = ++latest.current;
    const show = (next: NetState): void => {
      if (latest.current === mine) setState(next);
    };
    void (async () => {
      try {
        const opened = await service.open(text);
        if (!opened.ok) {
          show({ kind: 'refused', name, message: opened.message });
          return;
        }
        const { net, warnings } = opened;
        show({ kind: 'solving', name, net, iterations: 0 });
        const numbers = await service.solve(
          proxy((iterations: number) => show({ kind: 'solving', name, net, iterations })),
        );
        show(numbers === null ? { kind: 'stopped', name, net } : { kind: 'solved', name, net, warnings, numbers });
      } catch (error) {
        show({ kind: 'refused', name, message: `The computation failed: ${String(error)}` });
      }
    })();
  }, []);
  const stop = useCallback(() => void worker.current?.service.stop(), []);
  return { state, open, stop };
}
