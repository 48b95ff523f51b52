import { Button, Text } from '@chakra-ui/react';
import { HEEL_PULL, findSoil } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import type { Pitch } from '@rough-bight/core/rig';
import type { KitPegs, PegPull } from '@rough-bight/core/support';
import { SUPPORT_LIMITS } from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';

const ENDS = [
  { id: 'held', name: 'it held' },
  { id: 'moved', name: 'it moved' },
];
const GROUND = [
  { id: 'dry', name: 'dry ground' },
  { id: 'wet', name: 'soaked ground' },
];

/** A peg pulled there, by heel or spring balance: it replaces the model of that peg in that soil. */
export function PulledPeg({
  pitch,
  pegs,
  set,
}: {
  readonly pitch: Pitch;
  readonly pegs: readonly KitPegs[];
  readonly set: (change: Partial<Pitch>) => string | null;
}): ReactElement | null {
  const units = useUnits();
  const { anchor } = pitch.guy;
  if (anchor.kind !== 'peg') return null;
  const { pulls = [], soil } = pitch;
  const isThis = (p: PegPull): boolean => p.pegs === anchor.pegs && p.soil === soil;
  const pulled = pulls.find(isThis);
  const put = (next: PegPull | null): string | null =>
    set({ pulls: [...pulls.filter((p) => !isThis(p)), ...(next === null ? [] : [next])] });
  const what = `${pegs.find((p) => p.id === anchor.pegs)?.name ?? 'one'} in ${findSoil(soil)?.name ?? 'this ground'}`;
  if (pulled === undefined)
    return (
      <Text textStyle="quiet">
        Soil by feel is good to a factor of two.{' '}
        <Button onClick={() => put({ pegs: anchor.pegs, soil, force: HEEL_PULL.typical, moved: false, wet: false })}>
          I pulled one
        </Button>
      </Text>
    );
  return (
    <>
      <NumberField
        label={`Pulled ${what}`}
        value={pulled.force}
        limit={SUPPORT_LIMITS.pull}
        step={10}
        hint={`along its guy, by heel (about ${say(HEEL_PULL.typical, 'force', units)}) or spring balance`}
        onCommit={(force) => put({ ...pulled, force })}
      />
      <Choice
        label="And"
        value={pulled.moved ? 'moved' : 'held'}
        options={ENDS}
        onChange={(end) => put({ ...pulled, moved: end === 'moved' })}
      />
      <Choice
        label="In"
        value={pulled.wet ? 'wet' : 'dry'}
        options={GROUND}
        onChange={(ground) => put({ ...pulled, wet: ground === 'wet' })}
      />
      <Text textStyle="quiet">
        It stands for all pegs of this sort here. <Button onClick={() => put(null)}>Forget it</Button>
      </Text>
    </>
  );
}
