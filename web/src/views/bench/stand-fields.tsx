import { RIDGE_LIMITS, isStem, usualPole } from '@rough-bight/core/rig';
import type { Stand, Trunk } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { ControlRow } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { AnchorFields } from './anchor-fields.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;

/** What a line is tied to at an end. */
const IS = {
  stem: 'a rooted stem',
  pole: 'a pole between two stays',
  lump: 'a boulder or log that lies there',
  word: 'something on my word',
} as const;
type Is = keyof typeof IS;
const OPTIONS = (Object.keys(IS) as Is[]).map((id) => ({ id, name: IS[id] }));

const isOf = (t: Trunk): Is => t.stand?.kind ?? (isStem(t) ? 'stem' : 'word');

/** The same trunk as something else: what it was is forgotten, its name, wood and girth stay. */
function turned(trunk: Trunk, is: Is, { rig, pegs }: Pick<Editing, 'rig' | 'pegs'>): Trunk {
  const { stand: _stand, branch: _branch, standsOnWord: _word, ...bare } = trunk;
  void [_stand, _branch, _word];
  if (is === 'stem') return bare;
  if (is === 'word') return { ...bare, standsOnWord: true };
  const cord = rig.pitch?.guy.cord ?? rig.cord;
  const stand: Stand = is === 'lump' ? { kind: 'lump', mass: 300 } : usualPole(cord, pegs);
  return { ...bare, stand };
}

/** Whether an end is a rooted stem, or a pole, a boulder, and then how that is held. */
export function StandFields({
  rig,
  kit,
  pegs,
  body,
  i,
  put,
}: Pick<Editing, 'rig' | 'kit' | 'pegs' | 'body'> & {
  readonly i: 0 | 1;
  readonly put: (trunk: Trunk) => string | null;
}): ReactElement {
  const trunk = rig.trunks[i];
  const { stand } = trunk;
  const set = (part: Partial<Stand>): string | null => put({ ...trunk, stand: { ...stand, ...part } as Stand });
  return (
    <ControlRow>
      <Choice<Is>
        wide
        label="It is"
        value={isOf(trunk)}
        options={OPTIONS}
        onChange={(is) => put(turned(trunk, is, { rig, pegs }))}
      />
      {stand?.kind === 'lump' && (
        <NumberField label="Weighs" value={stand.mass} limit={L.lump} step={10} onCommit={(mass) => set({ mass })} />
      )}
      {stand?.kind === 'pole' && (
        <>
          <NumberField
            label="Stays reach out"
            value={stand.out}
            limit={L.stayOut}
            step={0.1}
            hint="beyond the pole"
            onCommit={(out) => set({ out })}
          />
          <NumberField
            label="Aside"
            value={stand.spread}
            limit={L.staySpread}
            step={0.1}
            hint="either way"
            onCommit={(spread) => set({ spread })}
          />
          <Choice
            label="Cord of its stays"
            value={stand.cord}
            options={kit.map((k) => ({ id: k.id, name: k.name }))}
            onChange={(cord) => set({ cord })}
          />
          <AnchorFields
            anchor={stand.anchor}
            pegs={pegs}
            trees={[]}
            lines={[]}
            body={body}
            onGround
            onChange={(anchor) => set({ anchor })}
          />
        </>
      )}
    </ControlRow>
  );
}
