import { ControlRow } from '../../parts/layout.js';
import { Button, chakra, IconButton, Text } from '@chakra-ui/react';
import { HOLDS, SUN, WEAR } from '@rough-bight/core/catalogue';
import type { Hold, Sun, Wear } from '@rough-bight/core/catalogue';
import { MOST_TIE_OUTS, ROOF_LIMITS } from '@rough-bight/core/roof';
import type { KitRoof, TieOut } from '@rough-bight/core/roof';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';

export const SUN_OPTIONS = (Object.keys(SUN) as Sun[]).map((id) => ({ id, name: SUN[id].title }));
export const WEAR_OPTIONS = (Object.keys(WEAR) as Wear[]).map((id) => ({ id, name: WEAR[id].title }));
const HOLD_OPTIONS = (Object.keys(HOLDS) as Hold[]).map((id) => ({ id, name: HOLDS[id].name }));

/** What a roof is besides its size: its edges, its life, and every tie-out where it really is. */
export function RoofMore({
  roof,
  onChange,
}: {
  readonly roof: KitRoof;
  readonly onChange: (roof: KitRoof) => string | null;
}): ReactElement {
  const [open, setOpen] = useState(false);
  return (
    <chakra.details gridColumn="1 / -1" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>Edges, life and where its tie-outs are</summary>
      {open && <Fields roof={roof} onChange={onChange} />}
    </chakra.details>
  );
}

function Fields({
  roof,
  onChange,
}: {
  readonly roof: KitRoof;
  readonly onChange: (roof: KitRoof) => string | null;
}): ReactElement {
  const put = (i: number, part: Partial<TieOut>): string | null =>
    onChange({ ...roof, tieOuts: roof.tieOuts.map((t, k) => (k === i ? { ...t, ...part } : t)) });
  // a tie-out lies on the cloth
  const within = (c: 0 | 1) => {
    const half = (c === 0 ? roof.length : roof.width) / 2;
    return { ...ROOF_LIMITS.at, min: -half, max: half };
  };
  return (
    <>
      <ControlRow>
        <NumberField
          label="Edges hollow by"
          value={roof.hollow}
          limit={ROOF_LIMITS.hollow}
          step={0.01}
          hint="at their middles"
          onCommit={(hollow) => onChange({ ...roof, hollow })}
        />
        <Choice label="Sun" value={roof.sun} options={SUN_OPTIONS} onChange={(sun) => onChange({ ...roof, sun })} />
        <Choice
          label="Wear"
          value={roof.wear}
          options={WEAR_OPTIONS}
          onChange={(wear) => onChange({ ...roof, wear })}
        />
      </ControlRow>
      <Text textStyle="quiet">Each tie-out from the middle of the cloth: along its length and across it.</Text>
      <ul>
        {roof.tieOuts.map((t, i) => (
          <chakra.li display="grid" gridTemplateColumns="1fr 1fr 1.6fr 44px" gap="14px" alignItems="center" key={t.id}>
            <NumberField
              label="Along"
              value={t.at[0]}
              limit={within(0)}
              step={0.05}
              onCommit={(along) => put(i, { at: [along, t.at[1]] })}
            />
            <NumberField
              label="Across"
              value={t.at[1]}
              limit={within(1)}
              step={0.05}
              onCommit={(across) => put(i, { at: [t.at[0], across] })}
            />
            <Choice<Hold> label="Held by" value={t.hold} options={HOLD_OPTIONS} onChange={(hold) => put(i, { hold })} />
            <IconButton
              variant="ghost"
              aria-label={`Take the tie-out at ${t.at.join(', ')} off`}
              onClick={() => onChange({ ...roof, tieOuts: roof.tieOuts.filter((_, k) => k !== i) })}
            >
              <Trash2 size={18} />
            </IconButton>
          </chakra.li>
        ))}
      </ul>
      {roof.tieOuts.length < MOST_TIE_OUTS && (
        <Button
          onClick={() =>
            onChange({
              ...roof,
              tieOuts: [
                ...roof.tieOuts,
                { id: crypto.randomUUID().slice(0, 8), at: [0, 0], hold: roof.tieOuts[0]?.hold ?? 'loop' },
              ],
            })
          }
        >
          <Plus size={16} aria-hidden="true" /> Add a tie-out
        </Button>
      )}
    </>
  );
}
