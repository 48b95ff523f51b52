import { ELASTIC_LIMITS, USUAL_ELASTIC } from '@rough-bight/core/cordage';
import type { Elastic } from '@rough-bight/core/cordage';
import type { ReactElement } from 'react';
import { NumberField } from '../../parts/number-field.js';

/** Elastic let into a line: how far it draws out, and the pull at which it has. */
export function ElasticFields({
  elastic = USUAL_ELASTIC,
  onChange,
}: {
  readonly elastic?: Elastic | undefined;
  readonly onChange: (elastic: Elastic) => string | null;
}): ReactElement {
  return (
    <>
      <NumberField
        label="Elastic draws out by"
        value={elastic.draw}
        limit={ELASTIC_LIMITS.draw}
        step={0.02}
        hint="until cord bears"
        onCommit={(draw) => onChange({ ...elastic, draw })}
      />
      <NumberField
        label="under"
        value={elastic.pull}
        limit={ELASTIC_LIMITS.pull}
        step={5}
        hint="hang a mass on it"
        onCommit={(pull) => onChange({ ...elastic, pull })}
      />
    </>
  );
}
