import { Span, chakra } from '@chakra-ui/react';
import { usedBy } from '@rough-bight/core/rig';
import type { KitList, RigContext, RidgeRig } from '@rough-bight/core/rig';
import { Fold } from '../../parts/fold.js';
import type { ReactElement } from 'react';
import { Check } from '../../parts/choice.js';

/** What of the kit was brought tonight: sizing takes from nothing else. What is tied into the rig is here. */
export function Brought({
  rig,
  context,
  onChange,
}: {
  readonly rig: RidgeRig;
  readonly context: Pick<RigContext, 'kit' | 'pegs' | 'straps'>;
  readonly onChange: (rig: RidgeRig) => void;
}): ReactElement {
  const used = usedBy(rig);
  const home = new Set(rig.home ?? []);
  const lists: readonly (readonly [KitList, readonly { readonly id: string; readonly name: string }[]])[] = [
    ['cords', context.kit],
    ['pegs', context.pegs],
    ...(rig.bed === undefined ? [] : [['straps', context.straps] as const]),
  ];
  const things = lists.flatMap(([list, all]) => all.map(({ id, name }) => ({ id, name, tied: used[list].has(id) })));
  const here = things.filter((t) => t.tied || !home.has(t.id)).length;
  const set = (id: string, brought: boolean): void => {
    const next = brought ? [...home].filter((x) => x !== id) : [...home, id];
    onChange({ ...rig, home: next });
  };
  return (
    <Fold
      line={
        here === things.length ? 'All of the kit was brought' : `${here} of ${things.length} things brought tonight`
      }
    >
      <chakra.ul display="flex" flexWrap="wrap">
        {things.map((t) => (
          <li key={t.id}>
            <Check checked={t.tied || !home.has(t.id)} disabled={t.tied} onChange={(here) => set(t.id, here)}>
              {t.name}
              {t.tied && <Span textStyle="quiet"> on this rig</Span>}
            </Check>
          </li>
        ))}
      </chakra.ul>
    </Fold>
  );
}
