import { WOODS } from '@rough-bight/core/catalogue';
import { TOGGLE_LIMITS, USUAL_TOGGLE } from '@rough-bight/core/strength';
import type { Toggle } from '@rough-bight/core/strength';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';

const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));

/** The stick through a loop: how thick, and of what. */
export function ToggleFields({
  toggle = USUAL_TOGGLE,
  onChange,
}: {
  readonly toggle?: Toggle | undefined;
  readonly onChange: (toggle: Toggle) => string | null;
}): ReactElement {
  return (
    <>
      <NumberField
        label="Stick"
        value={toggle.thickness}
        limit={TOGGLE_LIMITS.thickness}
        step={0.001}
        hint="how thick, green"
        onCommit={(thickness) => onChange({ ...toggle, thickness })}
      />
      <Choice
        label="Its wood"
        value={toggle.wood}
        options={WOOD_OPTIONS}
        onChange={(wood) => onChange({ ...toggle, wood })}
      />
    </>
  );
}
