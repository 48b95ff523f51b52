import { ControlGroup, ControlRow, Controls } from '../../parts/layout.js';
import { Button, chakra, IconButton, Text } from '@chakra-ui/react';
import { MOST_HUNG, RIDGE_LIMITS, straightDistance, wrapsOf } from '@rough-bight/core/rig';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;

/** What hangs on the line. */
export const HangControls = (editing: Editing): ReactElement => (
  <Controls>
    <OnLine {...editing} title="On the line" />
  </Controls>
);

/** Things hung on the line, each a place that pulls it down. */
export function OnLine({ rig, body, edit, title }: Editing & { readonly title: string }): ReactElement {
  return (
    <ControlGroup wide>
      <chakra.h3 marginTop="14px">{title}</chakra.h3>
      {rig.hung.length === 0 && (
        <Text textStyle="quiet">
          Nothing. A lantern, a drying coat, a pack, a loose sheet: each pulls the line down where it hangs.
        </Text>
      )}
      {rig.hung.map((h, i) => (
        <ControlRow one key={h.id}>
          <HungFields rig={rig} edit={edit} i={i} />
        </ControlRow>
      ))}
      <HangOne rig={rig} body={body} edit={edit} />
    </ControlGroup>
  );
}

/** One thing more on the line, in its middle to begin with. */
export function HangOne({ rig, body, edit }: Pick<Editing, 'rig' | 'body' | 'edit'>): ReactElement | null {
  if (rig.hung.length >= MOST_HUNG) return null;
  const thing = {
    id: crypto.randomUUID().slice(0, 8),
    name: 'something',
    mass: 0.5,
    wetMass: 0.5,
    area: 0,
    at: Math.round(straightDistance(rig, body) * 50) / 100,
  };
  return (
    <Button flex="none !important" alignSelf="center" onClick={() => edit({ ...rig, hung: [...rig.hung, thing] })}>
      <Plus size={16} aria-hidden="true" /> Hang something
    </Button>
  );
}

/** One thing on the line: what it is, what it weighs dry and wet, and where it hangs. */
export function HungFields({ rig, edit, i }: Pick<Editing, 'rig' | 'edit'> & { readonly i: number }): ReactElement {
  const h = rig.hung[i]!;
  const change = (part: Partial<typeof h>): string | null =>
    edit({ ...rig, hung: rig.hung.map((x, k) => (k === i ? { ...x, ...part } : x)) });
  return (
    <>
      <TextField label="What" value={h.name} max={60} onCommit={(name) => change({ name })} />
      <NumberField
        label="Mass"
        value={h.mass}
        limit={L.mass}
        step={0.1}
        hint="dry"
        // what never soaks weighs the same wet
        onCommit={(mass) => change({ mass, wetMass: h.wetMass === h.mass ? mass : Math.max(mass, h.wetMass) })}
      />
      <NumberField
        label="Soaked"
        value={h.wetMass}
        limit={L.mass}
        step={0.1}
        onCommit={(wetMass) => change({ wetMass })}
      />
      <NumberField
        label="Cloth"
        value={h.area}
        limit={L.area}
        step={0.5}
        hint="in the wind"
        onCommit={(area) => change({ area })}
      />
      <NumberField
        label="At"
        value={h.at}
        limit={L.at}
        step={0.05}
        hint="from the first tie"
        onCommit={(at) => change({ at })}
      />
      <NumberField
        whole
        label="Hitch wraps"
        value={wrapsOf(h)}
        limit={L.hungWraps}
        step={1}
        hint={wrapsOf(h) === 0 ? 'hooked over it' : 'of its loop'}
        onCommit={(wraps) => change({ wraps })}
      />
      <IconButton
        variant="ghost"
        aria-label={`Take ${h.name === '' ? 'it' : h.name} off the line`}
        onClick={() => edit({ ...rig, hung: rig.hung.filter((_, k) => k !== i) })}
      >
        <Trash2 size={18} />
      </IconButton>
    </>
  );
}
