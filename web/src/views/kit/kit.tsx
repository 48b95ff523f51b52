import { Button, IconButton } from '@chakra-ui/react';
import { CORDS, EVIDENCE_WORDS, findCord, looked } from '@rough-bight/core/catalogue';
import type { Gear, GearList, KitCord } from '@rough-bight/core/rig';
import type { Figure } from '@rough-bight/core/working';
import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions, useCamps } from '../../data/camp.js';
import { useMe } from '../../data/me.js';
import type { Camp } from '../../data/types.js';
import { Choice, TextField } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { NumberField } from '../../parts/number-field.js';
import { Loading, Trouble } from '../../parts/states.js';
import { UnitsContext, WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import { Beds, StrapPairs } from './beds.js';
import { Pegs, Roofs } from './gear.js';
import { SUN_OPTIONS, WEAR_OPTIONS } from './roof-more.js';

/** The cords at hand, and what they have been through. */
export default function KitView(): ReactElement {
  const camps = useCamps();
  const camp = useCamp(camps.data?.[0]?.id);
  const me = useMe();
  const failed = (camps.error ?? camp.error ?? me.error) as Error | undefined;
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what="the kit" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <KitPage camp={camp.data} />
    </UnitsContext.Provider>
  );
}

const HANK = { quantity: 'length', min: 0.1, max: 1000 } as const;
const CORD_OPTIONS = CORDS.map((c) => ({ id: c.id, name: c.name }));

function KitPage({ camp }: { readonly camp: Camp }): ReactElement {
  const { addCord, changeCord, removeCord, addGear, changeGear, removeGear } = useCampActions(camp.id);
  const [problem, setProblem] = useState<string | null>(null);
  const [figure, setFigure] = useState<Figure | null>(null);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Kit' }] });
  useEffect(() => {
    document.title = 'Kit, Rough Bight';
  }, []);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  const of = <L extends GearList>(
    list: L,
  ): {
    onAdd: (thing: Omit<Gear[L][number], 'id'>) => void;
    onChange: (thing: Gear[L][number]) => void;
    onRemove: (id: string) => void;
  } => ({
    onAdd: (thing) => attempt(addGear(list, thing)),
    onChange: (thing) => attempt(changeGear(list, thing)),
    onRemove: (id) => attempt(removeGear(list, id)),
  });
  return (
    <WorkingContext.Provider value={setFigure}>
      <main className="page kit">
        <h1>Kit</h1>
        <p className="page-lead">
          Every hank, roof, peg and bed: what it is, how much there is, and what it has been through. Rigs use these.
        </p>
        {problem !== null && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        {camp.kit.length === 0 && <p>No cord in the kit. Add a hank and say how long it is.</p>}
        <ul className="hanks">
          {camp.kit.map((k) => (
            <Hank
              key={k.id}
              hank={k}
              onChange={(next) => attempt(changeCord(next))}
              onRemove={() => attempt(removeCord(k.id))}
            />
          ))}
        </ul>
        <Button
          variant="solid"
          onClick={() =>
            attempt(addCord({ name: 'new hank', cord: 'nylon-550-4', length: 10, sun: 'new', wear: 'sound' }))
          }
        >
          <Plus size={16} aria-hidden="true" /> Add a hank
        </Button>
        <Roofs roofs={camp.roofs} {...of('roofs')} />
        <Pegs pegs={camp.pegs} {...of('pegs')} />
        <Beds beds={camp.beds} {...of('beds')} />
        <StrapPairs straps={camp.straps} {...of('straps')} />
        <p className="caution">
          Rated strengths are the maker’s. Cord you do not know is unknown: test it, or keep it off anything that
          matters.
        </p>
      </main>
    </WorkingContext.Provider>
  );
}

function Hank({
  hank,
  onChange,
  onRemove,
}: {
  readonly hank: KitCord;
  readonly onChange: (next: KitCord) => void;
  readonly onRemove: () => void;
}): ReactElement {
  const cord = findCord(hank.cord)!;
  const strength = looked(cord.strength);
  return (
    <li className="hank">
      <TextField label="Name" value={hank.name} max={60} onCommit={(name) => onChange({ ...hank, name })} />
      <Choice
        label="Cord"
        value={hank.cord}
        options={CORD_OPTIONS}
        onChange={(cordId) => onChange({ ...hank, cord: cordId })}
      />
      <NumberField
        label="On hand"
        value={hank.length}
        limit={HANK}
        step={0.5}
        onCommit={(length) => {
          onChange({ ...hank, length });
          return null;
        }}
      />
      <Choice label="Sun" value={hank.sun} options={SUN_OPTIONS} onChange={(sun) => onChange({ ...hank, sun })} />
      <Choice label="Wear" value={hank.wear} options={WEAR_OPTIONS} onChange={(wear) => onChange({ ...hank, wear })} />
      <div className="hank-strength">
        <FigureValue figure={strength} />
        <span className="quiet">
          {cord.bears ? `new and dry, from ${EVIDENCE_WORDS[cord.strength.kind]}` : 'never counted as strength'}
        </span>
      </div>
      <IconButton variant="ghost" aria-label={`Take ${hank.name} out of the kit`} onClick={onRemove}>
        <Trash2 size={18} />
      </IconButton>
    </li>
  );
}
