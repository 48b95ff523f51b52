import { Button } from '@chakra-ui/react';
import type { JudgedSpan } from '@rough-bight/core/ground';
import { CRITERION_NAMES, FIRE_CAUTION, inPaces } from '@rough-bight/core/ground';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import { ChevronDown, ChevronRight, Flag } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import type { StoredRig } from '../../data/types.js';
import { FigureValue } from '../../parts/figure.js';
import { useUnits } from '../../parts/units.js';
import type { Explained, GroundJudgement, ListedSpan } from '../../workers/ground.worker.js';
import { Choice } from '../../parts/choice.js';

interface Props {
  readonly judgement: GroundJudgement;
  readonly explained: Explained | null;
  readonly open: string | null;
  readonly body: BodyMeasures;
  readonly rigs: readonly StoredRig[];
  readonly onOpen: (id: string | null) => void;
  readonly onStart: (span: JudgedSpan) => void;
  readonly onMoveRig: (rig: StoredRig, span: JudgedSpan) => void;
  readonly onPlaceThem: () => void;
}

const SHOWN = 12;
/** A drawing this far from its measures ranks something else than what stands there, m. Judgement. */
const OFF = 0.1;

/** How many pairs of anchors: "1 pair stands", "4 pairs stand". */
const pairs = (count: number): string => `${count} more ${count === 1 ? 'pair stands' : 'pairs stand'}`;

/** The spans, best first, with their reasons; then those ruled out and why. */
export function Spans(props: Props): ReactElement {
  const { judgement, open, onOpen } = props;
  const units = useUnits();
  const [all, setAll] = useState(false);
  const [outOpen, setOutOpen] = useState(false);
  const best = judgement.good[0];
  const out = judgement.out;
  const chosenOut = out.some((l) => l.span.id === open);
  const none =
    judgement.place.things.length < 2
      ? ['Nothing to tie to yet.', 'Put two trees on the plan, or bring a file of them.']
      : [
          'No span here will do.',
          out[0] === undefined
            ? 'No two anchors are the right distance apart.'
            : `Nearest: ${out[0].title}. ${out[0].summary}`,
        ];
  return (
    <>
      <section
        className={best === undefined && judgement.place.things.length >= 2 ? 'verdict verdict-fails' : 'verdict'}
        aria-live="polite"
        aria-label="Verdict"
      >
        {best === undefined ? (
          <>
            <h1>{none[0]}</h1>
            <p>{none[1]}</p>
          </>
        ) : (
          <>
            <h1>
              Best: {best.title}, {say(best.span.span, 'length', units)}.
            </h1>
            <p>{best.summary}</p>
            <div className="verdict-buttons">
              {open !== best.span.id && (
                <Button variant="solid" onClick={() => onOpen(best.span.id)}>
                  Show why
                </Button>
              )}
            </div>
          </>
        )}
        {judgement.offDrawing > OFF && (
          <div className="finding">
            <p>
              Ranked as drawn: the measures say otherwise by up to {say(judgement.offDrawing, 'length', units)}. Move
              the marks to where the measures put them, then this ranking counts.
            </p>
            <Button onClick={props.onPlaceThem}>Move the marks</Button>
          </div>
        )}
      </section>
      <ol className="spans" aria-label="Spans, best first">
        {judgement.good.slice(0, all ? undefined : SHOWN).map((l, i) => (
          <SpanRow key={l.span.id} listed={l} rank={i + 1} {...props} />
        ))}
      </ol>
      {judgement.good.length > SHOWN && (
        <Button className="span-more" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${judgement.good.length} of ${judgement.goodCount}`}
        </Button>
      )}
      {judgement.outCount > 0 && (
        <section className="spans-out">
          <Button
            unstyled
            className="spans-out-head"
            aria-expanded={outOpen || chosenOut}
            onClick={() => setOutOpen(!outOpen)}
          >
            {outOpen || chosenOut ? (
              <ChevronDown size={17} aria-hidden="true" />
            ) : (
              <ChevronRight size={17} aria-hidden="true" />
            )}
            {judgement.outCount} ruled out
          </Button>
          {(outOpen || chosenOut) && (
            <ul className="spans" aria-label="Spans ruled out">
              {out.map((l) => (
                <SpanRow key={l.span.id} listed={l} rank={null} {...props} />
              ))}
            </ul>
          )}
        </section>
      )}
      <section className="notes" aria-label="Cautions">
        {judgement.tooFar + judgement.tooClose > 0 && (
          <p>
            {[
              judgement.tooFar > 0 ? `${pairs(judgement.tooFar)} too far apart` : '',
              judgement.tooClose > 0 ? `${pairs(judgement.tooClose)} too close` : '',
            ]
              .filter((said) => said !== '')
              .join(', ')}
            .
          </p>
        )}
        <p>
          This ranks what is drawn. It passes no tree: look up, knock, push; in doubt take another or ask an arborist.
          Land rules and tree protection come first.
        </p>
      </section>
    </>
  );
}

/** How good a span is, as ten turns of rope. */
function Score({ score }: { readonly score: number }): ReactElement {
  const full = Math.round(score * 10);
  return (
    <svg className="score" viewBox="0 0 62 14" aria-hidden="true">
      {Array.from({ length: 10 }, (_, i) => (
        <path key={i} className={i < full ? 'score-on' : 'score-off'} d={`M${1 + i * 6} 13L${5 + i * 6} 1`} />
      ))}
    </svg>
  );
}

function SpanRow({
  listed,
  rank,
  body,
  open,
  explained,
  rigs,
  onOpen,
  onStart,
  onMoveRig,
}: Omit<Props, 'judgement'> & { readonly listed: ListedSpan; readonly rank: number | null }): ReactElement {
  const units = useUnits();
  const { span, title, summary } = listed;
  const isOpen = open === span.id;
  return (
    <li className={rank === null ? 'span-row span-out' : 'span-row'}>
      <Button unstyled className="span-head" aria-expanded={isOpen} onClick={() => onOpen(isOpen ? null : span.id)}>
        <span className="span-rank">{rank ?? '–'}</span>
        <span className="span-title">
          {title}
          <span className="quiet">
            {' '}
            {say(span.span, 'length', units)}, {inPaces(span.span, body)}
          </span>
        </span>
        {rank !== null && (
          <span className="span-score">
            <b>{(span.score * 10).toFixed(1)}</b>
            <Score score={span.score} />
          </span>
        )}
      </Button>
      {!isOpen && rank !== 1 && <p className="span-summary">{summary}</p>}
      {isOpen && explained?.span.id === span.id && (
        <Breakdown explained={explained} rigs={rigs} onStart={onStart} onMoveRig={onMoveRig} />
      )}
    </li>
  );
}

function Breakdown({
  explained,
  rigs,
  onStart,
  onMoveRig,
}: { readonly explained: Explained } & Pick<Props, 'rigs' | 'onStart' | 'onMoveRig'>): ReactElement {
  const { span, reasons, fire } = explained;
  const [rig, setRig] = useState(rigs[0]?.id ?? '');
  const chosen = rigs.find((r) => r.id === rig);
  const ruled = span.ruled.length > 0;
  return (
    <div className="breakdown">
      <ul>
        {reasons.map((r) => (
          <li key={r.criterion} className={r.rules ? 'reason reason-rules' : 'reason'}>
            <span className="reason-name">
              <b>{CRITERION_NAMES[r.criterion]}</b>
              {r.rules ? <span className="word-short">rules it out</span> : <Score score={r.score} />}
              {!r.rules && <span className="hidden">{(r.score * 10).toFixed(0)} of ten</span>}
            </span>
            <p>{r.text}</p>
            {r.figures.length > 0 && (
              <details className="reason-figures">
                <summary>Numbers</summary>
                <ul>
                  {r.figures.map((f) => (
                    <li key={f.title}>
                      <span>{f.title}</span> <FigureValue figure={f} band />
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
      {!ruled && (
        <>
          <p className="fire-line">
            <b>Fire:</b> {fire.text}
          </p>
          <p className="caution">{FIRE_CAUTION}</p>
          <div className="verdict-buttons">
            <Button variant="solid" onClick={() => onStart(span)}>
              <Flag size={16} aria-hidden="true" /> Start a rig here
            </Button>
          </div>
          {chosen !== undefined && (
            <div className="move-rig">
              <Choice label="Or move" value={rig} options={rigs} onChange={setRig} />
              <Button onClick={() => onMoveRig(chosen, span)}>here</Button>
            </div>
          )}
        </>
      )}
    </div>
  );
}
