import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import { useCamp } from '../data/camp.js';
import { useMe } from '../data/me.js';
import type { Camp, Person } from '../data/types.js';
import { Loading, Trouble } from '../parts/states.js';
import { UnitsContext } from '../parts/units.js';

/** What such a view is of. */
export interface InCamp {
  readonly camp: Camp;
  readonly me: Person;
  readonly people: readonly Person[];
}

/** A view of the camp of its address, told in the units of whoever looks. @param what it is, while it loads: "the cord" */
export function OfCamp({
  what,
  children,
}: {
  readonly what: string;
  readonly children: (of: InCamp) => ReactElement;
}): ReactElement {
  const { campId } = useParams();
  const camp = useCamp(campId);
  const me = useMe();
  const failed = (camp.error ?? me.error) as Error | undefined;
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what={what} />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      {children({ camp: camp.data, me: me.data, people: me.people ?? [] })}
    </UnitsContext.Provider>
  );
}
