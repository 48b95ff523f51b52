import { Caution, Page, Problem } from '../../parts/layout.js';
import { Box, Button, chakra, Flex, Grid, IconButton, Span, Text } from '@chakra-ui/react';
import { CORDS, EVIDENCE_WORDS, findCord, looked } from '@rough-bight/core/catalogue';
import type { Gear, GearList, KitCord } from '@rough-bight/core/rig';
import type { Figure } from '@rough-bight/core/working';
import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useCampActions, useCurrentCamp } from '../../data/camp.js';
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
  const camp = useCurrentCamp();
  const me = useMe();
  const failed = (camp.error ?? me.error) as Error | undefined;
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
  /** What was taken out last, and how it comes back. */
  const [gone, setGone] = useState<{ readonly name: string; readonly back: () => Promise<unknown> } | null>(null);
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
    onRemove: (id) => {
      const { id: own, ...thing } = camp[list].find((x) => x.id === id)!;
      attempt(
        removeGear(list, own).then(() =>
          setGone({ name: thing.name, back: () => addGear(list, thing as unknown as Omit<Gear[L][number], 'id'>) }),
        ),
      );
    },
  });
  return (
    <WorkingContext.Provider value={setFigure}>
      <Page>
        <h1>Kit</h1>
        <Text textStyle="lead">
          Every hank, roof, peg and bed: what it is, how much there is, and what it has been through. Rigs use these.
        </Text>
        {problem !== null && <Problem role="alert">{problem}</Problem>}
        {gone !== null && (
          <Flex align="center" gap="14px" paddingBlock="8px" role="status">
            {gone.name} was taken out of the kit.
            <Button
              onClick={() => {
                attempt(gone.back());
                setGone(null);
              }}
            >
              Put it back
            </Button>
          </Flex>
        )}
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        {camp.kit.length === 0 && <p>No cord in the kit. Add a hank and say how long it is.</p>}
        <chakra.ul borderTop="1.5px solid" borderColor="ink" marginBottom="16px">
          {camp.kit.map((k) => (
            <Hank
              key={k.id}
              hank={k}
              onChange={(next) => attempt(changeCord(next))}
              onRemove={() => {
                const { id, ...hank } = k;
                attempt(removeCord(id).then(() => setGone({ name: k.name, back: () => addCord(hank) })));
              }}
            />
          ))}
        </chakra.ul>
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
        <Caution>
          Rated strengths are the maker’s. Cord you do not know is unknown: test it, or keep it off anything that
          matters.
        </Caution>
      </Page>
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
    <Grid
      as="li"
      position="relative"
      gridTemplateColumns={{ base: '1fr 1fr', lg: '205px 258px 80px 135px 208px minmax(0, 1fr)' }}
      gap="0 16px"
      padding="8px 60px 8px 0"
      borderBottom="1px solid"
      borderColor="hairline"
      alignItems="start"
    >
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
      <Box paddingTop="19px" display="flex" flexDirection="column" lineHeight={1.2}>
        <FigureValue figure={strength} />
        <Span textStyle="quiet">
          {cord.bears ? `new and dry, from ${EVIDENCE_WORDS[cord.strength.kind]}` : 'never counted as strength'}
        </Span>
      </Box>
      <IconButton
        variant="ghost"
        position="absolute"
        right={0}
        top="24px"
        aria-label={`Take ${hank.name} out of the kit`}
        onClick={onRemove}
      >
        <Trash2 size={18} />
      </IconButton>
    </Grid>
  );
}
