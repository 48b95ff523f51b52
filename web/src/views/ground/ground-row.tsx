import { Box, Button } from '@chakra-ui/react';
import { writeGeoJson } from '@rough-bight/core/formats';
import type { Place, ThingKind } from '@rough-bight/core/ground';
import { PLACE_LIMITS } from '@rough-bight/core/ground';
import { capital } from '@rough-bight/core/quantity';
import { FileDown, FileUp } from 'lucide-react';
import { Fold } from '../../parts/fold.js';
import type { ReactElement, ReactNode } from 'react';
import type { Camp, Person } from '../../data/types.js';
import { FileChoice } from '../../parts/file-choice.js';
import { ControlRow } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { saveText } from '../../parts/save-text.js';
import { StepRow } from '../../parts/step-row.js';
import type { GroundJudgement } from '../../workers/ground.worker.js';
import { ChooseControls, ChooseQuick } from './choose-controls.js';
import { AddMeasure, MeasureControls } from './measure-controls.js';
import type { GroundEditing, GroundStep } from './steps.js';
import { Palette, ThingsTable } from './thing-controls.js';
import { WindControls, WindQuick } from './wind-controls.js';

interface Props extends GroundEditing {
  readonly camp: Camp;
  readonly me: Person;
  /** Of the place. */
  readonly name: string;
  readonly judgement: GroundJudgement | null;
  /** What has to be said first. */
  readonly said: ReactNode;
  readonly putting: ThingKind | null;
  readonly onPutting: (kind: ThingKind | null) => void;
  readonly onSelect: (id: string) => void;
  readonly onPlaceThem: () => void;
  readonly onFile: (file: File) => void;
}

/** What a step of choosing the ground asks first, and all else of it a touch away. */
export function GroundRow({ step, ...props }: Props & { readonly step: GroundStep }): ReactElement {
  const Of = ROWS[step];
  return <Of key={step} {...props} />;
}

const Look = ({ place, edit, said, name, putting, onPutting, onSelect, onFile }: Props): ReactElement => (
  <StepRow name="Look" said={said} quick={<Palette putting={putting} onPutting={onPutting} />}>
    <ThingsTable place={place} edit={edit} onSelect={onSelect} />
    <LookFiles place={place} edit={edit} name={name} onFile={onFile} />
  </StepRow>
);

/** Nearer than this a mark stands where it was measured, m. */
const NEAR = 0.01;

const Measure = ({ place, edit, said, judgement, onPlaceThem, onFile }: Props): ReactElement => (
  <StepRow name="Measure" said={said} quick={<AddMeasure place={place} edit={edit} />}>
    <MeasureControls
      place={place}
      edit={edit}
      survey={judgement?.survey ?? null}
      off={(judgement?.offDrawing ?? 0) > NEAR}
      onPlaceThem={onPlaceThem}
      onFile={onFile}
    />
  </StepRow>
);

const Wind = ({ place, edit, said }: Props): ReactElement => (
  <StepRow name="Wind" said={said} quick={<WindQuick place={place} edit={edit} />}>
    <WindControls place={place} edit={edit} />
  </StepRow>
);

const Choose = ({ place, edit, said, judgement, camp, me }: Props): ReactElement => (
  <StepRow name="Choose" said={said} quick={<ChooseQuick place={place} edit={edit} kit={camp.kit} />}>
    <ChooseControls place={place} edit={edit} fit={judgement?.fit ?? null} body={me.body} />
  </StepRow>
);

const ROWS: Readonly<Record<GroundStep, (props: Props) => ReactElement>> = {
  look: Look,
  measure: Measure,
  wind: Wind,
  choose: Choose,
};

/** Files in and out. */
function LookFiles({
  edit,
  place,
  name,
  onFile,
}: {
  readonly edit: (next: Place) => null;
  readonly place: Place;
  readonly name: string;
  readonly onFile: (file: File) => void;
}): ReactElement {
  const save = (): void => {
    saveText(
      `${name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.geojson`,
      'application/geo+json',
      writeGeoJson(place),
    );
  };
  return (
    <Box display="flex" flexWrap="wrap" gap="8px" alignItems="center" marginTop="8px">
      <FileChoice accept=".geojson,.json,.gpx,application/geo+json,application/gpx+xml" onFile={onFile}>
        <FileUp size={16} aria-hidden="true" /> Take a GeoJSON or GPX file
      </FileChoice>
      <Button onClick={save}>
        <FileDown size={16} aria-hidden="true" /> Save as GeoJSON
      </Button>
      <Fold
        line={
          place.origin === null
            ? 'Its zero is nowhere on the globe: files go out in metres'
            : `Its zero lies at ${place.origin.latitude.toFixed(5)}, ${place.origin.longitude.toFixed(5)}: files go out in degrees`
        }
      >
        <ControlRow>
          {(['latitude', 'longitude'] as const).map((key) => (
            <NumberField
              key={key}
              label={capital(key)}
              value={place.origin?.[key] ?? 0}
              limit={PLACE_LIMITS[key]}
              step={0.0001}
              decimals={6}
              suffix="°"
              hint={key === 'latitude' ? 'north above zero' : 'east above zero'}
              onCommit={(value) =>
                edit({ ...place, origin: { ...(place.origin ?? { latitude: 0, longitude: 0 }), [key]: value } })
              }
            />
          ))}
          {place.origin !== null && (
            <Button size="sm" onClick={() => edit({ ...place, origin: null })}>
              Take it off the globe
            </Button>
          )}
        </ControlRow>
      </Fold>
    </Box>
  );
}
