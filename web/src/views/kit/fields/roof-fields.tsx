import { Text } from '@chakra-ui/react';
import { CLOTHS, HOLDS } from '@rough-bight/core/catalogue';
import type { Hold, Sun, Wear } from '@rough-bight/core/catalogue';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import { LAYOUTS, ROOF_LIMITS, layoutOf, resized, roofMass, tieOutsOf } from '@rough-bight/core/roof';
import type { KitRoof, Layout } from '@rough-bight/core/roof';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import { BodyLength } from '../../../parts/body-length.js';
import type { BodyRule } from '../../../parts/body-length.js';
import { Choice } from '../../../parts/choice.js';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FormChoice, FormNumber, FormText } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';
import { useUnits } from '../../../parts/units.js';
import { SUN_OPTIONS, WEAR_OPTIONS, named } from './options.js';
import { TieOuts } from './tie-outs.js';

const CLOTH_OPTIONS = named(CLOTHS);
const HOLD_OPTIONS = [
  ...(Object.keys(HOLDS) as Hold[])
    .filter((id) => id !== 'gathered')
    .map((id) => ({ id: id as Hold | 'none', name: `${HOLDS[id].name}s` })),
  { id: 'none' as Hold | 'none', name: 'none, a plain sheet' },
];
const LAYOUT_OPTIONS = [
  ...(Object.keys(LAYOUTS) as Layout[]).map((id) => ({ id: id as Layout | 'own', name: LAYOUTS[id] })),
  { id: 'own' as Layout | 'own', name: 'as they are' },
];

/** A roof: its cloth and edges, by a tape or one's own feet, and its tie-outs where they are. */
export function RoofFields({
  of,
  body,
}: {
  readonly of: DocumentForm<KitRoof>;
  readonly body: BodyMeasures;
}): ReactElement {
  const units = useUnits();
  const roof = useWatch({ control: of.form.control }) as KitRoof;
  const hold = roof.tieOuts[0]?.hold ?? 'none';
  const layout = layoutOf(roof);
  const feet = (label: string): BodyRule => ({
    of: body.foot,
    name: 'my feet',
    label: `${label} in my feet`,
    short: 'feet',
    instead: 'by a tape',
    step: 0.25,
  });
  const measured = (part: Partial<Pick<KitRoof, 'length' | 'width'>>): null => {
    of.put(resized(roof, part));
    return null;
  };
  return (
    <>
      <ControlRow>
        <FormText of={of} name="name" label="Name" max={60} />
        <FormChoice<KitRoof, KitRoof['cloth']> of={of} name="cloth" label="Cloth" options={CLOTH_OPTIONS} />
        <BodyLength
          label="Length"
          value={roof.length}
          limit={ROOF_LIMITS.length}
          step={0.1}
          rule={feet('Length')}
          onCommit={(length) => measured({ length })}
        />
        <BodyLength
          label="Width"
          value={roof.width}
          limit={ROOF_LIMITS.width}
          step={0.1}
          rule={feet('Width')}
          onCommit={(width) => measured({ width })}
        />
        <FormNumber
          of={of}
          name="hollow"
          label="Edges hollow by"
          limit={ROOF_LIMITS.hollow}
          step={0.01}
          hint="at their middles"
        />
        <FormNumber
          of={of}
          name="mass"
          label="Weighs"
          limit={ROOF_LIMITS.mass}
          step={0.05}
          hint={roof.mass > 0 ? 'weighed' : `about ${say(roofMass(roof), 'mass', units)} by its cloth`}
        />
        <FormChoice<KitRoof, Sun> of={of} name="sun" label="Sun" options={SUN_OPTIONS} />
        <FormChoice<KitRoof, Wear> of={of} name="wear" label="Wear" options={WEAR_OPTIONS} />
      </ControlRow>
      <ControlRow>
        <Choice<Hold | 'none'>
          label="Held by"
          value={hold}
          options={HOLD_OPTIONS}
          onChange={(to) =>
            of.put({
              tieOuts:
                to === 'none'
                  ? []
                  : roof.tieOuts.length === 0 || layout !== 'own'
                    ? tieOutsOf(layout === 'own' ? 'middles' : layout, roof.length, roof.width, to)
                    : roof.tieOuts.map((t) => ({ ...t, hold: to })),
            })
          }
        />
        {hold !== 'none' && (
          <Choice<Layout | 'own'>
            label="Tie-outs at"
            value={layout}
            options={LAYOUT_OPTIONS}
            hint={`${roof.tieOuts.length} tie-outs`}
            onChange={(to) => {
              if (to !== 'own') of.put({ tieOuts: tieOutsOf(to, roof.length, roof.width, hold) });
            }}
          />
        )}
      </ControlRow>
      <Text textStyle="quiet">Each tie-out where it is: drag it, or touch it and say how far from the middle.</Text>
      <TieOuts roof={roof} onPut={(tieOuts) => of.put({ tieOuts })} />
    </>
  );
}
