import { say } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { SIZE_ORDERS, rankCords } from '@rough-bight/core/sizing';
import type { SizeOrder, SizedCord } from '@rough-bight/core/sizing';
import { X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { Segments } from '../../parts/choice.js';
import { useUnits } from '../../parts/units.js';
import { startSizing } from '../../workers/use-judge.js';
import type { Question } from '../../workers/rig.worker.js';

const ORDER_NAMES: Readonly<Record<SizeOrder, string>> = { margin: 'Most left', sag: 'Least sag', mass: 'Lightest' };

type Work =
  | { readonly kind: 'working'; readonly done: number }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'ready'; readonly cords: readonly SizedCord[] }
  | { readonly kind: 'failed'; readonly message: string };

/** The kit's cords ranked for this ridgeline, each with what it would be like and why it fails. */
export function SizePanel({
  question,
  current,
  onTake,
  onClose,
}: {
  readonly question: Question;
  readonly current: string;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}): ReactElement {
  const units = useUnits();
  const [order, setOrder] = useState<SizeOrder>('margin');
  const [work, setWork] = useState<Work>({ kind: 'working', done: 0 });
  const asked = useRef(question);
  const cancel = useRef<() => void>(() => undefined);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    heading.current?.focus();
    cancel.current = startSizing(
      asked.current,
      (done) => setWork((w) => (w.kind === 'working' ? { kind: 'working', done } : w)),
      (answer) =>
        setWork(answer.ok ? { kind: 'ready', cords: answer.value } : { kind: 'failed', message: answer.message }),
    );
    return () => cancel.current();
  }, []);
  const ranked = useMemo(() => (work.kind === 'ready' ? rankCords(work.cords, order) : []), [work, order]);
  return (
    <section className="size" aria-label="Size it" onKeyDown={(e) => e.key === 'Escape' && onClose()}>
      <header className="panel-head">
        <h1 ref={heading} tabIndex={-1}>
          Every cord of the kit, here
        </h1>
        <button type="button" className="icon-button" aria-label="Close sizing" onClick={onClose}>
          <X size={20} />
        </button>
      </header>
      {work.kind === 'working' && (
        <div className="size-progress">
          <progress max={1} value={work.done} aria-label="Sizing" />
          <button
            type="button"
            className="button"
            onClick={() => {
              cancel.current();
              setWork({ kind: 'stopped' });
            }}
          >
            Stop
          </button>
        </div>
      )}
      {work.kind === 'stopped' && <p>Stopped. Nothing was changed.</p>}
      {work.kind === 'failed' && <p className="field-problem">{work.message}</p>}
      {work.kind === 'ready' && (
        <>
          <p className="quiet">
            Each hauled just tight enough to stay so a while. Taking one sets the cord and that haul; undo brings yours
            back.
          </p>
          <Segments
            label="Ranked by"
            value={order}
            options={SIZE_ORDERS.map((id) => ({ id, name: ORDER_NAMES[id] }))}
            onChange={setOrder}
          />
          <ol className="sized">
            {ranked.map((c) => (
              <li key={c.kitCord.id} className={c.holds ? 'sized-row' : 'sized-row sized-fails'}>
                <div className="sized-head">
                  <b>{c.kitCord.name}</b>
                  {c.kitCord.id === current && <span className="quiet"> on the bench</span>}
                  <span className={c.holds ? 'sized-margin' : 'sized-margin word-short'}>
                    {c.holds ? `${c.margin.toFixed(1)} ×` : 'fails'}
                  </span>
                </div>
                <p>{c.reason}</p>
                <p className="sized-numbers">
                  haul {say(c.haul, 'force', units)} · sag {say(c.sag, 'length', units)} · stretch{' '}
                  {say(c.stretch, 'strain', units)} · {say(c.mass, 'mass', units)} of it
                </p>
                {c.holds && (
                  <button type="button" className="button" onClick={() => onTake(c.rig)}>
                    Take {c.kitCord.name}
                  </button>
                )}
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
