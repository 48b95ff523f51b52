import { Hint } from '../../parts/hint.js';
import { InTurn } from '../../parts/in-turn.js';
import { Buttons } from '../../parts/layout.js';
import { Button, IconButton, Text } from '@chakra-ui/react';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RigReport } from '@rough-bight/core/shelter';
import type { Advice } from '@rough-bight/core/sizing';
import { verdictOf } from '@rough-bight/core/words';
import { History, Ruler } from 'lucide-react';
import { memo } from 'react';
import type { ReactElement } from 'react';
import type { RigQuestion } from '../../workers/rig.worker.js';
import { useRoofAdvice } from '../../workers/use-judge.js';
import { BedReport } from './bed-report.js';
import { casesTogether } from './cases-together.js';
import type { Chosen } from './controls.js';
import { Ledger } from './ledger.js';
import { Cautions, Said } from './said.js';
import { SaveAs } from './save-as.js';
import type { Step } from './steps.js';

/** What it comes to: the verdict, the ledger, what to beware of, and files. */
export const Outcome = memo(function Outcome({
  id,
  name,
  step,
  question,
  report,
  advice,
  caseId,
  bedCase,
  chosen,
  onChoose,
  show,
  put,
}: Chosen & {
  readonly id: string;
  readonly name: string;
  readonly step: Step;
  readonly question: RigQuestion;
  readonly report: RigReport;
  readonly advice: readonly Advice[];
}): ReactElement {
  const { rig, context, units } = question;
  const { bed } = report;
  const roofAdvice = useRoofAdvice(
    bed !== null && report.roof !== null && step === 'bed' && report.full ? question : null,
  );
  const variant = (first: boolean) => (first && step !== 'bed' ? 'solid' : 'outline');
  return (
    <>
      <InTurn>
        <Said verdict={verdictOf(report, context.body)}>
          <Buttons>
            <Button variant={variant(advice.length === 0)} onClick={() => show('panel', 'size')}>
              <Ruler size={16} aria-hidden="true" /> Size it
            </Button>
            {report.roof !== null && <Button onClick={() => show('panel', 'compare')}>Compare</Button>}
            <Hint text="Versions: as it was">
              <IconButton
                minWidth="44px"
                justifyContent="center"
                aria-label="Versions"
                onClick={() => show('panel', 'versions')}
              >
                <History size={16} aria-hidden="true" />
              </IconButton>
            </Hint>
          </Buttons>
          {advice[0] !== undefined && (
            <>
              <Buttons>
                {advice.slice(0, 2).map((a, i) => (
                  <Button key={a.id} variant={variant(i === 0)} title={a.sentence} onClick={() => put(a.rig)}>
                    {a.label}
                  </Button>
                ))}
              </Buttons>
              <Text textStyle="quiet">{advice[0].sentence}</Text>
            </>
          )}
        </Said>
      </InTurn>
      {bed !== null && step === 'bed' && (
        <InTurn>
          <BedReport
            rig={report.rig}
            bed={bed}
            body={context.body}
            advice={report.roof === null ? [] : roofAdvice}
            onTake={put}
          />
        </InTurn>
      )}
      <Ledger
        rows={report.rows}
        cases={casesTogether(report)}
        full={report.full}
        rule={rig.designRule}
        onRule={(designRule) => put({ ...rig, designRule })}
        chosen={chosen}
        onChoose={onChoose}
      />
      <InTurn>
        <Cautions findings={report.findings}>
          {cordWords(report, units)}. Not for climbing, lifting, rescue or highlines. Rated strengths are the maker’s;
          unknown cord is unknown. {report.roof !== null && 'Soil by feel is good to a factor of two. '}Local rules come
          first.
        </Cautions>
      </InTurn>
      <InTurn>
        <SaveAs
          id={id}
          name={name}
          report={report}
          body={context.body}
          caseId={report.full ? caseId : 'pitched'}
          bed={bed?.shapes.find((s) => s.caseId === bedCase) ?? bed?.shapes.at(-1) ?? null}
        />
      </InTurn>
    </>
  );
});

/** Cord that all of it takes, and what is on hand. */
function cordWords({ line, roof }: RigReport, units: UnitChoice): string {
  const m = (x: number): string => say(x, 'length', units);
  return roof !== null
    ? `Cord: ${roof.cords.map((c) => `${m(c.wanted)} of ${c.name} (${m(c.have)})`).join(', ')}`
    : `Cord in hand: ${m(line!.cordNeeded.value)} of ${m(line!.cordOnHand)}`;
}
