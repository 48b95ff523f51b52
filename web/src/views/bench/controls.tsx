import { Button, Text } from '@chakra-ui/react';
import type { GuyReport } from '@rough-bight/core/pitch';
import { hangsBy } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';
import { Hand } from 'lucide-react';
import { Suspense, lazy, memo } from 'react';
import type { ComponentType, ReactElement, ReactNode } from 'react';
import { Problem } from '../../parts/layout.js';
import { StepRow } from '../../parts/step-row.js';
import type { Camp } from '../../data/types.js';
import { isLine, roofOf } from '../../workers/report.js';
import type { RigQuestion } from '../../workers/rig.worker.js';
import type { Editing } from './editing.js';
import { RidgeControls, RidgeQuick } from './ridge-controls.js';
import type { Step } from './steps.js';
import { withoutRoof } from './without-roof.js';

/** A component of a step, fetched with the first step that wants it. */
const part = <M extends object, K extends keyof M>(load: () => Promise<M>, name: K): M[K] =>
  lazy(async () => ({ default: (await load())[name] as ComponentType })) as unknown as M[K];

const ground = () => import('./ground-controls.js');
const GroundControls = part(ground, 'GroundControls');
const GroundQuick = part(ground, 'GroundQuick');
const hang = () => import('./hang-controls.js');
const HangControls = part(hang, 'HangControls');
const HangOne = part(hang, 'HangOne');
const OnLine = part(hang, 'OnLine');
const PitchRoof = part(() => import('./pitch-roof.js'), 'PitchRoof');
const roof = () => import('./roof-controls.js');
const RoofControls = part(roof, 'RoofControls');
const RoofQuick = part(roof, 'RoofQuick');
const guy = () => import('./guy-controls.js');
const GuyControls = part(guy, 'GuyControls');
const GuyQuick = part(guy, 'GuyQuick');
const BedStep = part(() => import('./bed-controls.js'), 'BedStep');
const cases = () => import('./pitch-weather.js');
const PitchWeather = part(cases, 'PitchWeather');
const WindFrom = part(cases, 'WindFrom');
const LookAhead = part(() => import('./weather/look-ahead.js'), 'LookAhead');
const weather = () => import('./weather-controls.js');
const WeatherControls = part(weather, 'WeatherControls');
const WeatherQuick = part(weather, 'WeatherQuick');
const StrongWind = part(weather, 'StrongWind');

/** What the address of a rig names besides the step. */
export type Shown = 'view' | 'case' | 'bed' | 'panel' | 'with' | 'was' | 'weather';

/** What is chosen on the bench, and how to choose. */
export interface Chosen {
  readonly caseId: string;
  readonly bedCase: string;
  /** Row of the ledger. */
  readonly chosen: string | null;
  readonly onChoose: (row: string | null) => void;
  /** Names what is shown in the address; null takes it out. */
  readonly show: (key: Shown, value: string | null) => void;
  readonly put: (rig: RidgeRig) => void;
}

interface Props extends Omit<Chosen, 'onChoose'> {
  readonly editing: Editing;
  readonly camp: Camp;
  readonly question: RigQuestion;
  readonly report: RigReport | null;
  readonly problem: { readonly message: string } | null;
  readonly moving: boolean;
  /** Opens what can be changed of a guy, beside where it was touched. */
  readonly onGuy: (guy: GuyReport, at: Element) => void;
}

/** The controls of the step that is open: its few numbers in a row, the rest a touch away. */
export const Controls = memo(function Controls({ step, ...props }: Props & { readonly step: Step }): ReactElement {
  const { problem } = props;
  const said = problem !== null && (
    <Problem role="alert" padding="4px 16px">
      Not worked out.
      {props.report !== null && ' The picture shows the last rig that could be worked out, without its numbers.'}
    </Problem>
  );
  const Of = STEP_CONTROLS[step];
  return (
    <Suspense fallback={<Text textStyle="quiet">Fetching this step…</Text>}>
      <Of key={step} {...props} said={said} />
    </Suspense>
  );
});

type StepControls = (props: Props & { readonly said: ReactNode }) => ReactElement;

const Ground: StepControls = ({ editing, said }) => (
  <StepRow name="Ground" said={said} quick={<GroundQuick {...editing} />}>
    <GroundControls {...editing} />
  </StepRow>
);

const Ridge: StepControls = ({ editing, said, question, report, moving }) => {
  const whole = question.rig.pitch !== undefined;
  return (
    <StepRow name="Ridge" said={said} quick={<RidgeQuick editing={editing} />}>
      <RidgeControls editing={editing} report={report} question={whole || moving ? null : question} />
    </StepRow>
  );
};

const Hang: StepControls = ({ editing, said, camp, report, put }) => {
  const { rig, body } = editing;
  const { pitch } = rig;
  if (pitch === undefined)
    return (
      <StepRow
        name="Hang"
        said={said}
        quick={
          <>
            <PitchRoof rig={rig} camp={camp} body={body} onPitch={put} />
            <HangOne {...editing} />
          </>
        }
      >
        <HangControls {...editing} />
      </StepRow>
    );
  return (
    <StepRow name="Hang" said={said} quick={<RoofQuick editing={editing} />}>
      <RoofControls editing={editing} roofs={camp.roofs} report={roofOf(report)} />
      {hangsBy(pitch) === 'ridge' && <OnLine {...editing} title="Also on the line" />}
      <Button marginTop="10px" onClick={() => put(withoutRoof(rig))}>
        Take the roof off
      </Button>
    </StepRow>
  );
};

const Guys: StepControls = ({ editing, said, camp, report, chosen, onGuy, show }) =>
  editing.rig.pitch === undefined ? (
    <Text textStyle="quiet" padding="14px 16px">
      No roof is pitched on this line, so there is nothing to guy. Pitch one under Hang.
    </Text>
  ) : (
    <StepRow
      name="Guy"
      said={said}
      quick={
        <>
          <GuyQuick editing={editing} />
          <Button flex="none !important" alignSelf="center" onClick={() => show('panel', 'trim')}>
            <Hand size={18} aria-hidden="true" /> Trim it
          </Button>
        </>
      }
    >
      <GuyControls
        editing={editing}
        pegs={camp.pegs}
        place={camp.places.find((p) => p.id === editing.rig.site?.place)?.document}
        report={roofOf(report)}
        chosen={chosen}
        onTouch={onGuy}
      />
    </StepRow>
  );

const Bed: StepControls = ({ editing, said, question, report, bedCase, show, put }) => (
  <BedStep
    said={said}
    report={roofOf(report)}
    rig={question.rig}
    context={question.context}
    bed={report?.bed ?? null}
    guys={roofOf(report)?.roof.guys ?? []}
    shown={bedCase}
    onShow={(id) => show('bed', id)}
    edit={editing.edit}
    put={put}
  />
);

const Weather: StepControls = ({ editing, said, report, caseId, show }) => {
  const pitched = editing.rig.pitch !== undefined;
  return (
    <StepRow
      name="Weather"
      said={
        <>
          <StrongWind rig={editing.rig} />
          {said}
        </>
      }
      quick={
        <>
          <WeatherQuick editing={editing} />
          {pitched && <WindFrom editing={editing} />}
          <LookAhead
            whose={pitched ? 'roof' : editing.rig.bed !== undefined ? 'bed' : 'line'}
            onPanel={(panel) => show('panel', panel)}
          />
        </>
      }
    >
      {pitched ? (
        <PitchWeather editing={editing} report={roofOf(report)} caseId={caseId} onCase={(id) => show('case', id)} />
      ) : (
        <WeatherControls editing={editing} report={report !== null && isLine(report) ? report : null} />
      )}
    </StepRow>
  );
};

const STEP_CONTROLS: Readonly<Record<Step, StepControls>> = {
  ground: Ground,
  ridge: Ridge,
  hang: Hang,
  guy: Guys,
  bed: Bed,
  weather: Weather,
};
