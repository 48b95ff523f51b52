import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { Net, NetNumbers } from '@rough-bight/core/net';
import type { NetService } from './net.worker.js';
import { Newest } from './newest.js';
import { Kept, failure } from './thread.js';

const starts = (): Worker => new Worker(new URL('./net.worker.ts', import.meta.url), { type: 'module' });

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
  const [thread] = useState(() => new Kept<NetService>(starts));
  const [newest] = useState(
    () =>
      new Newest<{ readonly name: string; readonly text: string }>(
        async ({ name, text }, run) => {
          const { service } = thread;
          const show = (next: NetState): void => {
            if (!run.stale()) setState(next);
          };
          const opened = await service.open(text);
          if (!opened.ok) return show({ kind: 'refused', name, message: opened.message });
          const { net, warnings } = opened;
          show({ kind: 'solving', name, net, iterations: 0 });
          const numbers = await service.solve(
            proxy((iterations: number) => show({ kind: 'solving', name, net, iterations })),
          );
          show(numbers === null ? { kind: 'stopped', name, net } : { kind: 'solved', name, net, warnings, numbers });
        },
        (error) => setState({ kind: 'refused', name: '', ...failure(error, 'Open it again.') }),
      ),
  );
  useEffect(() => () => thread.stop(), [thread]);
  const open = useCallback(
    (name: string, text: string): void => {
      // what is being solved makes way for it
      void thread.service.stop();
      newest.ask({ name, text });
    },
    [newest, thread],
  );
  const stop = useCallback(() => void thread.service.stop(), [thread]);
  return { state, open, stop };
}
