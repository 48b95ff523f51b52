import { MOST_HUNG, RIDGE_LIMITS, straightDistance } from '@rough-bight/core/rig';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;

/** What hangs on the line. */
export function HangControls(editing: Editing): ReactElement {
  const { rig, edit } = editing;
  const { roof } = rig;
  const set = (part: Partial<typeof roof>): string | null => edit({ ...rig, roof: { ...roof, ...part } });
  return (
    <div className="controls">
      <div className="control-group control-group-wide">
        <h3>
          <label className="check">
            <input type="checkbox" checked={roof.on} onChange={(e) => set({ on: e.target.checked })} />A roof, at two
            friction hitches
          </label>
        </h3>
        {roof.on && (
          <div className="control-row">
            <NumberField
              label="Mass"
              value={roof.mass}
              limit={L.mass}
              step={0.1}
              hint="dry"
              onCommit={(mass) => set({ mass })}
            />
            <NumberField
              label="Soaked"
              value={roof.wetMass}
              limit={L.mass}
              step={0.1}
              hint="with water on it"
              onCommit={(wetMass) => set({ wetMass })}
            />
            <NumberField
              label="First hitch"
              value={roof.at[0]}
              limit={L.at}
              step={0.05}
              hint="from the first tie"
              onCommit={(x) => set({ at: [x, roof.at[1]] })}
            />
            <NumberField
              label="Second hitch"
              value={roof.at[1]}
              limit={L.at}
              step={0.05}
              hint="from the first tie"
              onCommit={(x) => set({ at: [roof.at[0], x] })}
            />
            <NumberField
              label="Faces the wind"
              value={roof.area}
              limit={L.area}
              step={0.5}
              hint="area"
              onCommit={(area) => set({ area })}
            />
          </div>
        )}
      </div>
      <AlsoOnLine {...editing} />
    </div>
  );
}

/** What hangs on the line besides the roof, each a place that pulls it down. */
export function AlsoOnLine({ rig, body, edit }: Editing): ReactElement {
  return (
    <div className="control-group control-group-wide">
      <h3 className="control-title">Also on the line</h3>
      {rig.hung.length === 0 && (
        <p className="quiet">Nothing. A lantern, a drying coat, a pack: each pulls the line down where it hangs.</p>
      )}
      {rig.hung.map((h, i) => {
        const change = (part: Partial<typeof h>): string | null =>
          edit({ ...rig, hung: rig.hung.map((x, k) => (k === i ? { ...x, ...part } : x)) });
        return (
          <div className="control-row control-row-one" key={h.id}>
            <TextField label="What" value={h.name} max={60} onCommit={(name) => change({ name })} />
            <NumberField label="Mass" value={h.mass} limit={L.mass} step={0.1} onCommit={(mass) => change({ mass })} />
            <NumberField
              label="At"
              value={h.at}
              limit={L.at}
              step={0.05}
              hint="from the first tie"
              onCommit={(at) => change({ at })}
            />
            <button
              type="button"
              className="icon-button"
              aria-label={`Take ${h.name === '' ? 'it' : h.name} off the line`}
              onClick={() => edit({ ...rig, hung: rig.hung.filter((_, k) => k !== i) })}
            >
              <Trash2 size={18} />
            </button>
          </div>
        );
      })}
      {rig.hung.length < MOST_HUNG && (
        <button
          type="button"
          className="button"
          onClick={() =>
            edit({
              ...rig,
              hung: [
                ...rig.hung,
                {
                  id: crypto.randomUUID().slice(0, 8),
                  name: 'something',
                  mass: 0.5,
                  at: Math.round(straightDistance(rig, body) * 50) / 100,
                },
              ],
            })
          }
        >
          <Plus size={16} aria-hidden="true" /> Hang something
        </button>
      )}
    </div>
  );
}
