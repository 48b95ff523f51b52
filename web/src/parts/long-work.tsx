import { Problem } from './layout.js';
import { Box, Button, Progress } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { SidePanel } from './side-panel.js';
import type { ReactElement, ReactNode } from 'react';

/** What work comes to: its outcome, or why there is none. */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

type Work<T> =
  | { readonly kind: 'working'; readonly done: number }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'ready'; readonly value: T }
  | { readonly kind: 'failed'; readonly message: string };

/**
 * A panel for work that takes a while: how far it is, a way to stop it, then what came of it.
 * @param start begins the work and returns what stops it; it is begun when the panel appears, and again where it was stopped and is wished
 *              for after all
 */
export function LongWork<T>({
  label,
  title,
  closes,
  start,
  onClose,
  children,
}: {
  readonly label: string;
  readonly title: string;
  /** Name of the button that closes it. */
  readonly closes: string;
  readonly start: (progress: (done: number) => void, done: (outcome: Outcome<T>) => void) => () => void;
  readonly onClose: () => void;
  readonly children: (value: T) => ReactNode;
}): ReactElement {
  const [work, setWork] = useState<Work<T>>({ kind: 'working', done: 0 });
  const [run, setRun] = useState(0);
  const begin = useRef(start);
  const cancel = useRef<() => void>(() => undefined);
  useEffect(() => {
    cancel.current = begin.current(
      (done) => setWork((w) => (w.kind === 'working' ? { kind: 'working', done } : w)),
      (o) => setWork(o.ok ? { kind: 'ready', value: o.value } : { kind: 'failed', message: o.message }),
    );
    return () => cancel.current();
  }, [run]);
  return (
    <SidePanel name={label} title={title} closes={closes} onClose={onClose}>
      {work.kind === 'working' && (
        <Box display="flex" gap="12px" alignItems="center" marginTop="12px">
          <Progress.Root value={100 * work.done} flex={1}>
            <Progress.Track aria-label={label}>
              <Progress.Range />
            </Progress.Track>
          </Progress.Root>
          <Button
            onClick={() => {
              cancel.current();
              setWork({ kind: 'stopped' });
            }}
          >
            Stop
          </Button>
        </Box>
      )}
      {work.kind === 'stopped' && (
        <Box display="grid" gap="10px" justifyItems="start" marginTop="8px">
          <p>Stopped. Nothing was changed.</p>
          <Button
            onClick={() => {
              setWork({ kind: 'working', done: 0 });
              setRun(run + 1);
            }}
          >
            Start again
          </Button>
        </Box>
      )}
      {work.kind === 'failed' && <Problem role="alert">{work.message}</Problem>}
      {work.kind === 'ready' && children(work.value)}
    </SidePanel>
  );
}
