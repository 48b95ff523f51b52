import { Button, Menu, Portal, Text } from '@chakra-ui/react';
import { Tent } from 'lucide-react';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { freshKit, freshPitch, measuredSpan } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { Camp } from '../../data/types.js';

/** Takes a roof from the kit and pitches it as a gable, with the thinnest cords that bear and the most pegs there are. */
export function PitchRoof({
  rig,
  camp,
  body,
  onPitch,
}: {
  readonly rig: RidgeRig;
  readonly camp: Camp;
  readonly body: BodyMeasures;
  readonly onPitch: (rig: RidgeRig) => void;
}): ReactElement {
  const fresh = freshKit(camp.kit, camp.pegs, rig.cord);
  const span = measuredSpan(rig, body);
  const roofs = camp.roofs.filter((r) => r.length < span - 0.4);
  if (camp.roofs.length === 0 || fresh === null)
    return (
      <Text textStyle="quiet">
        To pitch a roof <Link to="/kit">the kit</Link> needs one, and pegs.
      </Text>
    );
  if (roofs.length === 0) return <Text textStyle="quiet">Every roof of the kit is longer than this span.</Text>;
  return (
    <Menu.Root
      onSelect={({ value }) => {
        const roof = roofs.find((r) => r.id === value);
        if (roof !== undefined)
          onPitch({ ...rig, pitch: freshPitch('gable', roof, fresh, Math.round(50 * span) / 100) });
      }}
    >
      <Menu.Trigger asChild>
        <Button alignSelf="center" flex="none !important">
          <Tent size={16} aria-hidden="true" /> Pitch a roof
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {roofs.map((roof) => (
              <Menu.Item key={roof.id} value={roof.id}>
                {roof.name}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
