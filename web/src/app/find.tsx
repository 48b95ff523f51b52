import { Dialog, Portal } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useCamp, useCamps } from '../data/camp.js';
import { STEPS } from '../views/bench/steps.js';

interface Target {
  readonly name: string;
  readonly kind: string;
  readonly go: () => void;
}

/** Find anything by name: rigs, their steps, views, and the few commands. */
export function FindDialog({
  open,
  onClose,
  onTheme,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onTheme: () => void;
}): ReactElement {
  const navigate = useNavigate();
  const { data: camps } = useCamps();
  const { data: camp } = useCamp(camps?.[0]?.id);
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const targets = useMemo((): Target[] => {
    const to = (path: string) => () => void navigate(path);
    return [
      ...(camp === undefined ? [] : [{ name: camp.name, kind: 'camp', go: to(`/camps/${camp.id}`) }]),
      ...(camp?.places ?? []).flatMap((p) => [
        { name: p.name, kind: 'place', go: to(`/places/${p.id}/look`) },
        { name: `Choose a span at ${p.name}`, kind: 'do', go: to(`/places/${p.id}/choose`) },
      ]),
      ...(camp?.rigs ?? []).flatMap((r) => [
        { name: r.name, kind: 'rig', go: to(`/rigs/${r.id}/ridge`) },
        ...STEPS.map((s) => ({ name: `${r.name}, ${s}`, kind: 'step', go: to(`/rigs/${r.id}/${s}`) })),
        { name: `Size ${r.name}`, kind: 'do', go: to(`/rigs/${r.id}/ridge?panel=size`) },
      ]),
      { name: 'Kit', kind: 'view', go: to('/kit') },
      { name: 'Me', kind: 'view', go: to('/me') },
      { name: 'Open a net file', kind: 'view', go: to('/net') },
      { name: 'Cautions', kind: 'view', go: to('/cautions') },
      { name: 'Daylight or ember', kind: 'do', go: onTheme },
    ];
  }, [camp, navigate, onTheme]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = targets.filter((t) => words.every((w) => t.name.toLowerCase().includes(w))).slice(0, 9);
  const take = (t: Target | undefined): void => {
    if (t === undefined) return;
    setText('');
    onClose();
    t.go();
  };
  return (
    <Dialog.Root unstyled open={open} onOpenChange={(e) => !e.open && onClose()}>
      <Portal>
        <Dialog.Backdrop className="backdrop" />
        <Dialog.Positioner className="find-place">
          <Dialog.Content className="find" aria-label="Find">
            <Dialog.Title className="hidden">Find</Dialog.Title>
            <input
              autoFocus
              role="combobox"
              aria-expanded={found.length > 0}
              aria-controls="find-list"
              aria-activedescendant={found[at] === undefined ? undefined : `find-${at}`}
              aria-label="Find a rig, a step or a view"
              placeholder="A rig, a step, a view"
              value={text}
              onChange={(e) => {
                setText(e.target.value);
                setAt(0);
              }}
              onKeyDown={(e) => {
                if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
                  e.preventDefault();
                  setAt((found.length + at + (e.key === 'ArrowDown' ? 1 : -1)) % Math.max(1, found.length));
                } else if (e.key === 'Enter') take(found[at]);
              }}
            />
            <ul id="find-list" role="listbox" aria-label="Found">
              {found.map((t, i) => (
                <li
                  key={t.name}
                  id={`find-${i}`}
                  role="option"
                  aria-selected={i === at}
                  onPointerEnter={() => setAt(i)}
                  onClick={() => take(t)}
                >
                  {t.name} <span className="quiet">{t.kind}</span>
                </li>
              ))}
            </ul>
            {found.length === 0 && <p className="quiet find-none">Nothing of that name.</p>}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
