import { Accordion, Text } from '@chakra-ui/react';
import { KIT_LISTS, usedBy } from '@rough-bight/core/rig';
import type { KitList } from '@rough-bight/core/rig';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { deedsInBar, useShell } from '../../app/shell-context.js';
import { kitOf, useCampActions, useCurrentCamp } from '../../data/camp.js';
import { useDeeds } from '../../data/deeds.js';
import { useMe } from '../../data/me.js';
import type { Camp, StoredRig } from '../../data/types.js';
import { Caution, Page, Problem } from '../../parts/layout.js';
import { Loading, Trouble } from '../../parts/states.js';
import { UnitsContext, WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import type { ListActions } from './things.js';
import { Things } from './things.js';

/** The things at hand, and what they have been through. */
export default function KitView(): ReactElement {
  const camp = useCurrentCamp();
  const me = useMe();
  const failed = (camp.error ?? me.error) as Error | undefined;
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what="the kit" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <KitPage camp={camp.data} body={me.data.body} />
    </UnitsContext.Provider>
  );
}

/** Rigs of a camp by the id of each thing of the kit that they use. */
function useUsers(rigs: readonly StoredRig[]): (list: KitList, id: string) => readonly StoredRig[] {
  const users = useMemo(() => {
    const found = new Map<string, StoredRig[]>();
    for (const rig of rigs) {
      const used = usedBy(rig.document);
      for (const list of KIT_LISTS)
        for (const id of used[list]) found.set(`${list} ${id}`, [...(found.get(`${list} ${id}`) ?? []), rig]);
    }
    return found;
  }, [rigs]);
  return (list, id) => users.get(`${list} ${id}`) ?? [];
}

function KitPage({ camp, body }: { readonly camp: Camp; readonly body: BodyMeasures }): ReactElement {
  const { addThing, changeThing, removeThing } = useCampActions(camp.id);
  const [query, setQuery] = useSearchParams();
  const [problem, setProblem] = useState<string | null>(null);
  const [figure, setFigure] = useState<Figure | null>(null);
  const [shut, setShut] = useState<readonly KitList[]>([]);
  const usersOf = useUsers(camp.rigs);
  const kit = kitOf(camp);
  useEffect(() => {
    document.title = 'Kit, Rough Bight';
  }, []);
  const open = (id: string | null): void => setQuery(id === null ? {} : { thing: id }, { replace: true });
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Kit' }],
    ...deedsInBar(useDeeds(camp.id), attempt),
  });
  // what is looked at is not shut away
  const shown = KIT_LISTS.filter((l) => !shut.includes(l) || kit[l].some((t) => t.id === query.get('thing')));
  const actions = <L extends KitList>(list: L): ListActions<L> => ({
    onAdd: (thing) => attempt(addThing(list, thing).then((made) => open(made.id))),
    onChange: (thing) => attempt(changeThing(list, thing)),
    onRemove: (thing) => attempt(removeThing(list, thing).then(() => open(null))),
  });
  return (
    <WorkingContext.Provider value={setFigure}>
      <Page>
        <h1>Kit</h1>
        <Text textStyle="lead">
          Every hank, roof, peg and bed, drawn to scale. Rigs use these; touch one to change it.
        </Text>
        {problem !== null && <Problem role="alert">{problem}</Problem>}
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        <Accordion.Root
          multiple
          value={[...shown]}
          onValueChange={({ value }) => setShut(KIT_LISTS.filter((l) => !value.includes(l)))}
        >
          {KIT_LISTS.map((list) => (
            <Things
              key={list}
              list={list}
              things={kit[list]}
              body={body}
              usersOf={(id) => usersOf(list, id)}
              open={query.get('thing')}
              onOpen={open}
              {...actions(list)}
            />
          ))}
        </Accordion.Root>
        <Caution marginTop="24px">
          Rated strengths are the maker’s. Cord you do not know is unknown: test it, or keep it off anything that
          matters.
        </Caution>
      </Page>
    </WorkingContext.Provider>
  );
}
