import { Button } from '@chakra-ui/react';
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
      <p className="quiet">
        To pitch a roof <Link to="/kit">the kit</Link> needs one, and pegs.
      </p>
    );
  return (
    <p className="verdict-buttons">
      {roofs.map((roof) => (
        <Button
          key={roof.id}
          onClick={() => {
            onPitch({
              ...rig,
              pitch: freshPitch('gable', roof, fresh, Math.round(50 * span) / 100),
            });
          }}
        >
          Pitch {roof.name}
        </Button>
      ))}
      {roofs.length === 0 && <span className="quiet">Every roof of the kit is longer than this span.</span>}
    </p>
  );
}
