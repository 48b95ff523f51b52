import type { ReactElement } from 'react';
import { Navigate } from 'react-router';
import { useCamps } from '../../data/camp.js';
import { Loading, Trouble } from '../../parts/states.js';

/** The first camp there is. */
export function FirstCamp(): ReactElement {
  const { data, error } = useCamps();
  if (error !== undefined) return <Trouble error={error as Error} />;
  if (data === undefined) return <Loading what="the camp" />;
  const first = data.find((c) => !c.away);
  return <Navigate replace to={first === undefined ? '/camps' : `/camps/${first.id}`} />;
}
