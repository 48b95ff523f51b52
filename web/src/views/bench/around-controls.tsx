import { Button, Flex, Span, Text } from '@chakra-ui/react';
import { AROUND_LIMITS, MOST_WALLS, WALL_KINDS, WALL_NAMES, fireToLee, wallToWindward } from '@rough-bight/core/around';
import type { Fire, FireResult, Wall, WallKind } from '@rough-bight/core/around';
import { groundOf } from '@rough-bight/core/pitch';
import { say } from '@rough-bight/core/quantity';
import { measuredSpan, roofedIn } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Flame, Fence, Mountain } from 'lucide-react';
import type { ReactElement } from 'react';
import { Buttons, ControlGroup, ControlRow, Facts } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { withWall } from '../../scene/around-moves.js';
import { turnedTo } from '../../scene/under-moves.js';
import type { RoofReport } from '../../workers/report.js';
import type { Editing } from './editing.js';

const ICONS = { brush: Fence, bank: Mountain } as const;

/** What a thing on the ground is moved by, m. */
const STEP = 0.05;

/** A rig without one of its walls; without any where that was the last. */
function without(rig: RidgeRig, id: string): RidgeRig {
  const { walls = [], ...rest } = rig;
  const left = walls.filter((w) => w.id !== id);
  return left.length === 0 ? rest : { ...rest, walls: left };
}

/** How open a roof is to the wind, and what one puts round it against wind and rain or for warmth. */
export function AroundControls({
  editing: { rig, body, edit },
  report,
}: {
  readonly editing: Editing;
  readonly report: RoofReport | null;
}): ReactElement | null {
  const units = useUnits();
  if (report === null) return null;
  const { roof } = report;
  const { walls = [], fire } = rig;
  const cloth = { corners: roof.topology.corners, at: roof.shapes[0]!.at };
  const { upwind } = roofedIn(rig, { ...cloth, ground: groundOf(rig, measuredSpan(rig, body)) });
  const put = (kind: WallKind): void =>
    void edit({ ...rig, walls: [...walls, wallToWindward(crypto.randomUUID().slice(0, 8), kind, cloth, upwind)] });
  return (
    <ControlGroup flexBasis="100%">
      <h3>Warm or airy</h3>
      <Facts>
        <dt>Its sides are open by</dt>
        <dd>{say(roof.cover.openness, 'share', units)}</dd>
        <dt>Wind that comes in under it</dt>
        <dd>{upwind === null ? 'calm' : say(roof.open, 'share', units)}</dd>
        <dt>Lowest edge</dt>
        <dd>{say(roof.cover.lowestEdge, 'length', units)}</dd>
        {roof.fire !== null && (
          <>
            <dt>Fire from the cloth</dt>
            <dd>{say(roof.fire.fromCloth, 'length', units)}</dd>
          </>
        )}
      </Facts>
      {walls.map((w) => (
        <Flex key={w.id} layerStyle="row" justify="space-between" align="center" gap="12px">
          <Span>
            {WALL_NAMES[w.kind]}, {say(w.length, 'length', units)} long
          </Span>
          <Button size="sm" onClick={() => edit(without(rig, w.id))}>
            Take it away
          </Button>
        </Flex>
      ))}
      <Buttons>
        {WALL_KINDS.map((kind) => {
          const Icon = ICONS[kind];
          return (
            <Button key={kind} disabled={walls.length >= MOST_WALLS} onClick={() => put(kind)}>
              <Icon size={18} aria-hidden="true" /> {kind === 'brush' ? 'Brush to windward' : 'A bank to windward'}
            </Button>
          );
        })}
        {fire === undefined && (
          <Button onClick={() => edit({ ...rig, fire: fireToLee(cloth, upwind, rig.wind.beaufort) })}>
            <Flame size={18} aria-hidden="true" /> Fire to leeward
          </Button>
        )}
      </Buttons>
      <Text textStyle="quiet">
        From above each can be dragged. Walls keep off wind and driven rain from who lies there; what the rig must bear
        is judged as if none stood there. Warm is low, small and closed, with leaves below; airy is high with every edge
        off the ground.
      </Text>
    </ControlGroup>
  );
}

/** One wall: where it stands, how it runs, how long and how high it is. */
export function WallFields({
  editing: { rig, edit },
  wall,
  onGone,
}: {
  readonly editing: Editing;
  readonly wall: Wall;
  readonly onGone: () => void;
}): ReactElement {
  const set = (part: Partial<Wall>): string | null => edit(withWall(rig, wall.id, (w) => ({ ...w, ...part })));
  return (
    <>
      <ControlRow>
        <NumberField
          label="Long"
          value={wall.length}
          limit={AROUND_LIMITS.length}
          step={0.5}
          onCommit={(length) => set({ length })}
        />
        <NumberField
          label="High"
          value={wall.height}
          limit={AROUND_LIMITS.height}
          step={0.1}
          onCommit={(height) => set({ height })}
        />
        <TowardField label="Runs toward" value={wall.toward} onCommit={(toward) => set({ toward })} />
        <PlaceFields at={wall.at} onCommit={(at) => set({ at })} />
      </ControlRow>
      <Button
        onClick={() => {
          edit(without(rig, wall.id));
          onGone();
        }}
      >
        Take it away
      </Button>
    </>
  );
}

/** The fire: where it is, and how far that is from the cloth. */
export function FireFields({
  editing: { rig, edit },
  fire,
  result,
  onGone,
}: {
  readonly editing: Editing;
  readonly fire: Fire;
  readonly result: FireResult | null;
  readonly onGone: () => void;
}): ReactElement {
  const units = useUnits();
  const near = result !== null && (result.windward || result.fromCloth < result.least);
  return (
    <>
      {result !== null && (
        <Span {...(near ? { color: 'danger' } : {})}>
          {say(result.fromCloth, 'length', units)} from the cloth,{' '}
          {result.windward ? 'to windward of it' : 'not to windward'}; {say(result.least, 'length', units)} is the least
          in this wind.
        </Span>
      )}
      <ControlRow>
        <PlaceFields at={fire.at} onCommit={(at) => edit({ ...rig, fire: { at } })} />
      </ControlRow>
      <Button
        onClick={() => {
          const { fire: out, ...rest } = rig;
          void out;
          edit(rest);
          onGone();
        }}
      >
        No fire
      </Button>
    </>
  );
}

/** Which way something lies on the rig's plan. */
export function TowardField({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  readonly onCommit: (toward: number) => string | null;
}): ReactElement {
  return (
    <NumberField
      label={label}
      value={value}
      limit={AROUND_LIMITS.toward}
      step={Math.PI / 36}
      hint="from along the span, to the left"
      onCommit={(toward) => onCommit(turnedTo(toward))}
    />
  );
}

/** Where something is on the rig's plan. */
export function PlaceFields({
  at,
  onCommit,
}: {
  readonly at: readonly [number, number];
  readonly onCommit: (at: [number, number]) => string | null;
}): ReactElement {
  return (
    <>
      <NumberField
        label="Along the span"
        value={at[0]}
        limit={AROUND_LIMITS.at}
        step={STEP}
        onCommit={(x) => onCommit([x, at[1]])}
      />
      <NumberField
        label="To its left"
        value={at[1]}
        limit={AROUND_LIMITS.at}
        step={STEP}
        onCommit={(y) => onCommit([at[0], y])}
      />
    </>
  );
}
