import { Button, IconButton } from '@chakra-ui/react';
import { MOST_HUNG, RIDGE_LIMITS, straightDistance } from '@rough-bight/core/rig';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;

/** What hangs on the line. */
export const HangControls = (editing: Editing): ReactElement => (
  <div className="controls">
    <OnLine {...editing} title="On the line" />
  </div>
);

/** Things hung on the line, each a place that pulls it down. */
export function OnLine({ rig, body, edit, title }: Editing & { readonly title: string }): ReactElement {
  return (
    <div className="control-group control-group-wide">
      <h3 className="control-title">{title}</h3>
      {rig.hung.length === 0 && (
        <p className="quiet">
          Nothing. A lantern, a drying coat, a pack, a loose sheet: each pulls the line down where it hangs.
        </p>
      )}
      {rig.hung.map((h, i) => {
        const change = (part: Partial<typeof h>): string | null =>
          edit({ ...rig, hung: rig.hung.map((x, k) => (k === i ? { ...x, ...part } : x)) });
        return (
          <div className="control-row control-row-one" key={h.id}>
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
            <IconButton
              variant="ghost"
              aria-label={`Take ${h.name === '' ? 'it' : h.name} off the line`}
              onClick={() => edit({ ...rig, hung: rig.hung.filter((_, k) => k !== i) })}
            >
              <Trash2 size={18} />
            </IconButton>
          </div>
        );
      })}
      {rig.hung.length < MOST_HUNG && (
        <Button
          onClick={() =>
            edit({
              ...rig,
              hung: [
                ...rig.hung,
                {
                  id: crypto.randomUUID().slice(0, 8),
                  name: 'something',
                  mass: 0.5,
                  wetMass: 0.5,
                  area: 0,
                  at: Math.round(straightDistance(rig, body) * 50) / 100,
                },
              ],
            })
          }
        >
          <Plus size={16} aria-hidden="true" /> Hang something
        </Button>
      )}
    </div>
  );
}
