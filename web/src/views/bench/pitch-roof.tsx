import { findCord } from '@rough-bight/core/catalogue';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { freshPitch, measuredSpan } from '@rough-bight/core/rig';
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
  const thickness = (id: string): number => findCord(camp.kit.find((k) => k.id === id)?.cord ?? '')?.diameter ?? 0;
  const cords = camp.kit
    .filter((k) => findCord(k.cord)?.bears === true)
    .sort((a, b) => thickness(a.id) - thickness(b.id));
  const span = measuredSpan(rig, body);
  const roofs = camp.roofs.filter((r) => r.length < span - 0.4);
  const pegs = [...camp.pegs].sort((a, b) => b.count - a.count)[0];
  if (camp.roofs.length === 0 || pegs === undefined || cords.length === 0)
    return (
      <p className="quiet">
        To pitch a roof <Link to="/kit">the kit</Link> needs one, and pegs.
      </p>
    );
  return (
    <p className="verdict-buttons">
      {roofs.map((roof) => (
        <button
          key={roof.id}
          type="button"
          className="button"
          onClick={() => {
            const ridge = thickness(rig.cord);
            // a hitch wants cord of half the ridge's thickness
            const hitch = [...cords].sort(
              (a, b) => Math.abs(thickness(a.id) - ridge / 2) - Math.abs(thickness(b.id) - ridge / 2),
            )[0]!;
            const guy = cords.find((c) => thickness(c.id) >= 0.0025) ?? cords[0]!;
            onPitch({
              ...rig,
              pitch: freshPitch(
                'gable',
                roof,
                { guyCord: guy.id, hitchCord: hitch.id, pegs: pegs.id },
                Math.round(50 * span) / 100,
              ),
            });
          }}
        >
          Pitch {roof.name}
        </button>
      ))}
      {roofs.length === 0 && <span className="quiet">Every roof of the kit is longer than this span.</span>}
    </p>
  );
}
