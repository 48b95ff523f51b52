import { Combobox, Dialog, Portal, Span, VisuallyHidden, createListCollection } from '@chakra-ui/react';
import { codeOf } from '@rough-bight/core/card';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useCamps, useCurrentCamp } from '../data/camp.js';
import { STEPS } from '../views/bench/steps.js';

interface Target {
  readonly value: string;
  readonly label: string;
  readonly kind: string;
  readonly go: () => void;
}

/** How many are shown at once. */
const SHOWN = 9;

/** Finds anything by name: rigs, their steps, places, what is in the kit, views, and the few commands. */
export default function FindDialog({
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
  const { data: camp } = useCurrentCamp();
  const [text, setText] = useState('');
  const targets = useMemo((): Target[] => {
    const to = (path: string) => () => void navigate(path);
    const thing =
      (kind: string, path: string) =>
      ({ id, name }: { readonly id: string; readonly name: string }) => ({
        value: `${kind} ${id}`,
        label: name,
        kind,
        go: to(path),
      });
    return [
      ...(camps ?? []).flatMap((c) => [
        thing('camp', `/camps/${c.id}`)(c),
        {
          value: `cord ${c.id}`,
          label: `${c.name}, cord for tonight, code ${codeOf(c.id)}`,
          kind: 'view',
          go: to(`/camps/${c.id}/cord`),
        },
        { value: `drills ${c.id}`, label: `${c.name}, drills`, kind: 'view', go: to(`/camps/${c.id}/drills`) },
        { value: `class ${c.id}`, label: `${c.name}, class`, kind: 'view', go: to(`/camps/${c.id}/class`) },
        {
          value: `watch ${c.id}`,
          label: `${c.name}, against the watch`,
          kind: 'view',
          go: to(`/camps/${c.id}/pitch`),
        },
        { value: `cards ${c.id}`, label: `${c.name}, cards for tonight`, kind: 'view', go: to(`/camps/${c.id}/card`) },
      ]),
      ...(camp?.places ?? []).flatMap((p) => [
        thing('place', `/places/${p.id}/look`)(p),
        { value: `choose ${p.id}`, label: `Choose a span at ${p.name}`, kind: 'do', go: to(`/places/${p.id}/choose`) },
      ]),
      ...(camp?.rigs ?? []).flatMap((r) => [
        thing('rig', `/rigs/${r.id}/ridge`)(r),
        {
          value: `work ${r.id}`,
          label: `${r.name}, work, code ${codeOf(r.id)}`,
          kind: 'step',
          go: to(`/rigs/${r.id}/work`),
        },
        { value: `card ${r.id}`, label: `${r.name}, card`, kind: 'step', go: to(`/rigs/${r.id}/card`) },
        ...STEPS.map((s) => ({
          value: `${r.id} ${s}`,
          label: `${r.name}, ${s}`,
          kind: 'step',
          go: to(`/rigs/${r.id}/${s}`),
        })),
        { value: `size ${r.id}`, label: `Size ${r.name}`, kind: 'do', go: to(`/rigs/${r.id}/ridge?panel=size`) },
      ]),
      { value: 'tying', label: 'Tying: every hitch, knot and bend', kind: 'view', go: to('/tying') },
      ...(camp?.roofs ?? []).map(thing('roof, tarp', '/kit#roofs')),
      ...(camp?.kit ?? []).map(thing('cord', '/kit#cords')),
      ...(camp?.pegs ?? []).map(thing('pegs', '/kit#pegs')),
      ...(camp?.beds ?? []).map(thing('bed, hammock', '/kit#beds')),
      ...(camp?.straps ?? []).map(thing('straps', '/kit#beds')),
      { value: 'kit', label: 'Kit', kind: 'view', go: to('/kit') },
      { value: 'me', label: 'Me', kind: 'view', go: to('/me') },
      { value: 'net', label: 'Open a net file', kind: 'view', go: to('/net') },
      { value: 'cautions', label: 'Cautions', kind: 'view', go: to('/cautions') },
      { value: 'theme', label: 'Daylight or ember', kind: 'do', go: onTheme },
    ];
  }, [camps, camp, navigate, onTheme]);
  const collection = useMemo(() => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    const found = targets.filter((t) => words.every((w) => `${t.label} ${t.kind}`.toLowerCase().includes(w)));
    return createListCollection({ items: found.slice(0, SHOWN) });
  }, [targets, text]);
  const take = (value: string | undefined): void => {
    const target = targets.find((t) => t.value === value);
    if (target === undefined) return;
    setText('');
    onClose();
    target.go();
  };
  return (
    <Dialog.Root open={open} onOpenChange={(e) => !e.open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content padding="10px">
            <VisuallyHidden>
              <Dialog.Title>Find</Dialog.Title>
            </VisuallyHidden>
            <Combobox.Root
              collection={collection}
              value={[]}
              inputValue={text}
              open
              openOnClick
              inputBehavior="autohighlight"
              selectionBehavior="clear"
              onInputValueChange={(e) => setText(e.inputValue)}
              onValueChange={(e) => take(e.value[0])}
            >
              <Combobox.Control>
                <Combobox.Input
                  autoFocus
                  aria-label="Find a rig, a step, a thing of the kit or a view"
                  placeholder="A rig, a step, a tarp, a view"
                />
              </Combobox.Control>
              <Combobox.Content>
                <Combobox.Empty>Nothing of that name.</Combobox.Empty>
                {collection.items.map((t) => (
                  <Combobox.Item key={t.value} item={t}>
                    {t.label} <Span textStyle="quiet">{t.kind}</Span>
                  </Combobox.Item>
                ))}
              </Combobox.Content>
            </Combobox.Root>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
