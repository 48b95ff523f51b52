import type { ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { learnersOf } from '../../data/learnt.js';
import type { Camp, Person } from '../../data/types.js';
import { Choice } from '../../parts/choice.js';

/** Who guesses or pitches: one who measures here, or a learner of the camp. Their name stands in the address. */
export function useWho(
  camp: Camp,
  me: Person,
): { readonly who: { readonly id: string; readonly name: string }; readonly choose: ReactElement | null } {
  const [search, setSearch] = useSearchParams();
  const all = [{ id: me.id, name: me.name }, ...learnersOf(camp)];
  const who = all.find((w) => w.id === search.get('who')) ?? all[0]!;
  return {
    who,
    choose:
      all.length < 2 ? null : (
        <Choice
          label="Who"
          value={who.id}
          options={all}
          onChange={(id) => {
            setSearch(id === me.id ? {} : { who: id }, { replace: true });
          }}
        />
      ),
  };
}
