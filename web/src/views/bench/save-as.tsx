import { Button, chakra } from '@chakra-ui/react';
import type { Drawn } from '@rough-bight/core/formats';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { BedShape, RigReport } from '@rough-bight/core/shelter';
import { Download } from 'lucide-react';
import type { ReactElement } from 'react';
import { usePeople } from '../../data/me.js';
import { saveText } from '../../parts/save-text.js';
import { useUnits } from '../../parts/units.js';

/** The rig as a file: whole, drawn to scale, or as a scene in depth. */
export function SaveAs({
  id,
  name,
  report,
  body,
  caseId,
  bed,
}: {
  readonly id: string;
  readonly name: string;
  readonly report: RigReport;
  readonly body: BodyMeasures;
  readonly caseId: string;
  readonly bed: BedShape | null;
}): ReactElement {
  const units = useUnits();
  const { me } = usePeople();
  // what writes them is fetched when it is wanted
  const draw = async (view: Drawn): Promise<void> => {
    const { rigSvg } = await import('@rough-bight/core/formats');
    saveText(
      `${id}-${view}.svg`,
      'image/svg+xml',
      rigSvg(view, { name, report, body, units, caseId, ...(bed === null ? {} : { bed }) }),
    );
  };
  const scene = async (): Promise<void> => {
    const { rigGltf } = await import('@rough-bight/core/formats');
    saveText(`${id}.gltf`, 'model/gltf+json', rigGltf(name, report, body, caseId, bed ?? undefined));
  };
  return (
    <chakra.section
      order={{ base: 6, lg: 'initial' }}
      padding="12px 18px 24px"
      display="flex"
      flexWrap="wrap"
      gap="8px"
      alignItems="center"
      aria-label="Save as a file"
    >
      <h2>Save as</h2>
      <Button asChild>
        <a
          href={`/api/rigs/${encodeURIComponent(id)}/file?as=${encodeURIComponent(me?.id ?? '')}`}
          download={`${id}.rig.json`}
        >
          <Download size={16} aria-hidden="true" /> Rig file
        </a>
      </Button>
      <Button onClick={() => void draw('plan')}>Plan to scale</Button>
      <Button onClick={() => void draw('side')}>Side view to scale</Button>
      <Button onClick={() => void scene()}>Scene in depth</Button>
    </chakra.section>
  );
}
