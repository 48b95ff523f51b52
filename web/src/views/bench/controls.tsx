import { Button } from '@chakra-ui/react';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import type { RigReport } from '@rough-bight/core/shelter';
import { Suspense, lazy, memo, useMemo } from 'react';
import type { ReactElement } from 'react';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp } from '../../data/types.js';
import { isLine, isRoof } from '../../workers/report.js';
import type { RigQuestion } from '../../workers/rig.worker.js';
import { editing } from './editing.js';
import { GroundControls } from './ground-controls.js';
import { HangControls, OnLine } from './hang-controls.js';
import { PitchRoof } from './pitch-roof.js';
import { PitchWeather } from './pitch-weather.js';
import { RidgeControls } from './ridge-controls.js';
import { RoofControls, withoutRoof } from './roof-controls.js';
import type { Step } from './steps.js';
import { WeatherControls } from './weather-controls.js';

// steps that not every rig comes to
const BedControls = lazy(() => import('./bed-controls.js').then((m) => ({ default: m.BedControls })));
const GuyControls = lazy(() => import('./guy-controls.js').then((m) => ({ default: m.GuyControls })));

/** What the address of a rig names besides the step. */
export type Shown = 'view' | 'case' | 'bed' | 'panel' | 'with';

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

/** The controls of the step that is open. */
export const Controls = memo(function Controls({
  store,
  camp,
  step,
  question,
  report,
  problem,
  moving,
  caseId,
  bedCase,
  chosen,
  onChoose,
  show,
  put,
}: Chosen & {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly step: Step;
  readonly question: RigQuestion;
  readonly report: RigReport | null;
  readonly problem: { readonly message: string } | null;
  readonly moving: boolean;
}): ReactElement {
  const { rig, context, units } = question;
  const edits = useMemo(() => editing(store, rig, context, units), [store, rig, context, units]);
  const line = report !== null && isLine(report) ? report : null;
  const roof = report !== null && isRoof(report) ? report : null;
  const { pitch } = rig;
  return (
    <Suspense fallback={<p className="quiet">Fetching this step…</p>}>
      {problem !== null && (
        <p className="field-problem under-problem" role="alert">
          {problem.message} The picture shows the last rig that could be worked out, without its numbers.
        </p>
      )}
      {step === 'ground' && <GroundControls {...edits} />}
      {step === 'ridge' && (
        <RidgeControls
          editing={edits}
          report={line}
          question={pitch !== undefined || moving ? null : question}
          whole={pitch !== undefined}
        />
      )}
      {step === 'hang' &&
        (pitch === undefined ? (
          <>
            <PitchRoof rig={rig} camp={camp} body={context.body} onPitch={put} />
            <HangControls {...edits} />
          </>
        ) : (
          <>
            <RoofControls editing={edits} roofs={camp.roofs} report={roof} />
            {PITCH_TRAITS[pitch.form].hangs === 'ridge' && <OnLine {...edits} title="Also on the line" />}
            <p>
              <Button onClick={() => put(withoutRoof(rig))}>Take the roof off</Button>
            </p>
          </>
        ))}
      {step === 'guy' &&
        (pitch === undefined ? (
          <p className="quiet">No roof is pitched on this line, so there is nothing to guy. Pitch one under Hang.</p>
        ) : (
          <GuyControls
            editing={edits}
            pegs={camp.pegs}
            place={camp.places.find((p) => p.id === rig.site?.place)?.document}
            report={roof}
            chosen={chosen}
            onChoose={onChoose}
          />
        ))}
      {step === 'bed' && (
        <BedControls
          rig={rig}
          context={context}
          bed={report?.bed ?? null}
          guys={roof?.roof.guys ?? []}
          shown={bedCase}
          onShow={(id) => show('bed', id)}
          edit={edits.edit}
          put={put}
        />
      )}
      {step === 'weather' && (
        <>
          {pitch !== undefined && (
            <PitchWeather editing={edits} report={roof} caseId={caseId} onCase={(id) => show('case', id)} />
          )}
          <WeatherControls editing={edits} report={line} />
        </>
      )}
    </Suspense>
  );
});
