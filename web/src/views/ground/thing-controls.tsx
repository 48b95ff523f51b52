import { Caution, ControlRow } from '../../parts/layout.js';
import { Box, Button, Flex, IconButton, Table, Text } from '@chakra-ui/react';
import type { Sign } from '@rough-bight/core/anchor';
import { FEATURES, WOODS, likelyWoods, weakestOf } from '@rough-bight/core/catalogue';
import type { Feature } from '@rough-bight/core/catalogue';
import type { Place, Thing, ThingKind } from '@rough-bight/core/ground';
import {
  KINDS,
  PLACE_LIMITS,
  THINGS,
  cornersOf,
  felledOf,
  felledWords,
  isArea,
  kindOf,
  rainToFill,
} from '@rough-bight/core/ground';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { capital, tell } from '@rough-bight/core/quantity';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Fold } from '../../parts/fold.js';
import type { ReactElement } from 'react';
import { Check, TextField } from '../../parts/choice.js';
import { DescribedFields } from '../../parts/described-field.js';
import { FigureValue } from '../../parts/figure.js';
import { useUnits } from '../../parts/units.js';
import { NumberField } from '../../parts/number-field.js';
import { KindIcon } from '../../parts/plan-marks.js';
import { Told } from '../../parts/told.js';
import { SignList } from '../../parts/sign-list.js';
import { withThing, withoutThing } from '../../scene/plan-moves.js';
import type { GroundEditing } from './steps.js';

/** What can be put down: take a kind, then touch the plan. */
export function Palette({
  putting,
  onPutting,
}: {
  readonly putting: ThingKind | null;
  readonly onPutting: (kind: ThingKind | null) => void;
}): ReactElement {
  return (
    <Flex gap="2px 4px" overflowX="auto" role="group" aria-label="Put down" tabIndex={0}>
      {KINDS.map((kind) => (
        <Button
          unstyled
          key={kind}
          flex="none"
          display="inline-flex"
          alignItems="center"
          gap="6px"
          minHeight="54px"
          padding="0 9px 0 5px"
          fontSize="14px"
          _hover={{ bg: 'cloth2' }}
          _pressed={{ boxShadow: 'inset 0 -3.5px 0 var(--rb-colors-act)', fontWeight: 700 }}
          aria-pressed={putting === kind}
          onClick={() => onPutting(putting === kind ? null : kind)}
        >
          <KindIcon kind={kind} />
          {capital(THINGS[kind].name)}
        </Button>
      ))}
    </Flex>
  );
}

/** Everything about one thing. */
export function ThingControls({
  place,
  edit,
  thing,
  body,
  onGone,
}: GroundEditing & { readonly thing: Thing; readonly body: BodyMeasures; readonly onGone: () => void }): ReactElement {
  const put = (part: Partial<Record<string, unknown>>): null =>
    edit(withThing(place, thing.id, (t) => ({ ...t, ...part }) as Thing));
  const kind = kindOf(thing);
  const falls = kind.falls(thing);
  return (
    <Box>
      <Box display="flex" alignItems="center" gap="10px">
        <KindIcon kind={thing.kind} />
        <TextField label={capital(kind.name)} value={thing.name} max={60} onCommit={(name) => put({ name })} />
        <IconButton
          variant="ghost"
          aria-label={`Take ${thing.name} off the plan`}
          onClick={() => {
            edit(withoutThing(place, thing.id));
            onGone();
          }}
        >
          <Trash2 size={18} />
        </IconButton>
      </Box>
      <ControlRow>
        <NumberField
          label="East"
          value={thing.at[0]}
          limit={PLACE_LIMITS.at}
          step={0.1}
          onCommit={(e) => put({ at: [e, thing.at[1]] })}
        />
        <NumberField
          label="North"
          value={thing.at[1]}
          limit={PLACE_LIMITS.at}
          step={0.1}
          onCommit={(n) => put({ at: [thing.at[0], n] })}
        />
        <DescribedFields
          fields={kind.fields}
          of={thing}
          unasked={kind.unasked}
          lists={{ pegs: [], trees: [], lines: [], body }}
          onPut={(key, value) => put({ [key]: value })}
        />
        {kind.raised && (
          <NumberField
            label="Foot raised"
            value={thing.foot}
            limit={PLACE_LIMITS.foot}
            step={0.05}
            hint="on a bank, over the slope"
            onCommit={(foot) => put({ foot })}
          />
        )}
      </ControlRow>
      {isArea(thing) && (
        <Text>
          {thing.outline.length} corners.{' '}
          <Button
            size="sm"
            onClick={() => {
              const { closed } = cornersOf(thing.kind);
              const [a, b] = [thing.outline.at(-1)!, closed ? thing.outline[0]! : thing.outline.at(-2)!];
              const next = closed ? [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] : [2 * a[0] - b[0], 2 * a[1] - b[1]];
              put({ outline: [...thing.outline, next] });
            }}
          >
            Add a corner
          </Button>{' '}
          <Button
            size="sm"
            disabled={thing.outline.length <= cornersOf(thing.kind).least}
            onClick={() => put({ outline: thing.outline.slice(0, -1) })}
          >
            Take the last away
          </Button>
        </Text>
      )}
      {thing.kind === 'hollow' && (
        <p>
          Full after <FigureValue figure={rainToFill(place, thing)} band /> of rain.
        </p>
      )}
      {'signs' in thing && <LookUp thing={thing} onSigns={(signs) => put({ signs })} />}
      {'wood' in thing && <WhichTree wood={thing.wood} onWood={(wood) => put({ wood })} />}
      {falls !== null && (
        <Fold line="Brought down">
          <p>
            <Told said={felledWords(felledOf(falls, place))} />
          </p>
        </Fold>
      )}
      {thing.kind === 'hazard' && (
        <Caution>Nobody lies, cooks or waits inside its reach, whatever the weather. Tell the land manager.</Caution>
      )}
      {thing.kind === 'pole' && (
        <Caution>A pole stands on a dug-in foot and hangs on its back-stay: set both before anyone is near it.</Caution>
      )}
    </Box>
  );
}

function LookUp({
  thing,
  onSigns,
}: {
  readonly thing: Extract<Thing, { readonly signs: unknown }>;
  readonly onSigns: (signs: readonly Sign[]) => null;
}): ReactElement {
  return (
    <>
      <SignList title="Look up, knock, push" signs={thing.signs} onSigns={onSigns} />
      <Caution>
        Any of these rules a tree out. Finding none does not pass it: in doubt take another, or ask an arborist.
      </Caution>
    </>
  );
}

/** Woods by what anyone can see. */
function WhichTree({ wood, onWood }: { readonly wood: string; readonly onWood: (wood: string) => null }): ReactElement {
  const [seen, setSeen] = useState<readonly Feature[]>([]);
  const likely = likelyWoods(seen);
  const first = likely[0];
  const level = likely.filter((w) => w.fits.length === first?.fits.length && w.against.length === first.against.length);
  const weakest = level.length > 0 ? weakestOf(level.map((w) => w.id)) : null;
  return (
    <Fold line="Which tree is it?">
      <Box display="flex" flexWrap="wrap">
        {(Object.keys(FEATURES) as Feature[]).map((f) => (
          <Check
            key={f}
            checked={seen.includes(f)}
            onChange={(is) => setSeen(is ? [...seen, f] : seen.filter((x) => x !== f))}
          >
            {FEATURES[f]}
          </Check>
        ))}
      </Box>
      {seen.length > 0 && (
        <p role="status">
          {weakest === null
            ? 'No wood here shows all that. Leave it as a tree you cannot name: it is reckoned weaker than any.'
            : `${capital(level.map((w) => w.name).join(' or '))}${level.length > 1 ? ': where they fit alike, the weaker is taken.' : ' fits best.'}`}{' '}
          {weakest !== null && weakest !== wood && (
            <Button size="sm" onClick={() => onWood(weakest)}>
              Take {WOODS.find((w) => w.id === weakest)?.name}
            </Button>
          )}
        </p>
      )}
    </Fold>
  );
}

/** The same things as a table. */
export function ThingsTable({
  place,
  edit,
  onSelect,
}: GroundEditing & { readonly onSelect: (id: string) => void }): ReactElement {
  const units = useUnits();
  const set = (id: string, part: Partial<Thing>): null =>
    edit(withThing(place, id, (t) => ({ ...t, ...part }) as Thing));
  return (
    <Box
      position="relative"
      overflowX="auto"
      maxWidth="100%"
      tabIndex={0}
      role="region"
      aria-label="Everything on the plan"
    >
      <Table.Root>
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader scope="col">Name</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">Kind</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">East</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">North</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">What is known</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {place.things.map((t) => (
            <Table.Row key={t.id}>
              <Table.ColumnHeader scope="row">
                <Button variant="plain" size="xs" onClick={() => onSelect(t.id)}>
                  {t.name}
                </Button>
              </Table.ColumnHeader>
              <Table.Cell>{kindOf(t).name}</Table.Cell>
              <Table.Cell>
                <NumberField
                  label={`${t.name}, east`}
                  bare
                  value={t.at[0]}
                  limit={PLACE_LIMITS.at}
                  step={0.1}
                  onCommit={(e) => set(t.id, { at: [e, t.at[1]] })}
                />
              </Table.Cell>
              <Table.Cell>
                <NumberField
                  label={`${t.name}, north`}
                  bare
                  value={t.at[1]}
                  limit={PLACE_LIMITS.at}
                  step={0.1}
                  onCommit={(n) => set(t.id, { at: [t.at[0], n] })}
                />
              </Table.Cell>
              <Table.Cell textStyle="quiet">{tell(kindOf(t).known(t), units)}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

/** A name that nothing of the place has: "tree 4". */
export function nextName(place: Place, kind: ThingKind): string {
  const base = THINGS[kind].name;
  for (let k = place.things.filter((t) => t.kind === kind).length + 1; ; k++)
    if (!place.things.some((t) => t.name === `${base} ${k}`)) return `${base} ${k}`;
}
