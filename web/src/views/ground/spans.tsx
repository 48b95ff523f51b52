import { VerdictBox } from '../workbench.js';
import { paint } from '../../app/theme/paint.js';
import { Buttons, Caution, Notes } from '../../parts/layout.js';
import { Box, Button, chakra, Span, Text, VisuallyHidden } from '@chakra-ui/react';
import type { JudgedSpan } from '@rough-bight/core/ground';
import { FIRE_CAUTION } from '@rough-bight/core/around';
import { CRITERION_NAMES, inPaces } from '@rough-bight/core/ground';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { ChevronDown, ChevronRight, Flag } from 'lucide-react';
import { useState } from 'react';
import { Fold } from '../../parts/fold.js';
import type { ReactElement } from 'react';
import type { StoredRig } from '../../data/types.js';
import type { Column } from '../../parts/data-table.js';
import { FigureValue } from '../../parts/figure.js';
import { InTurn } from '../../parts/in-turn.js';
import { TableDialog } from '../../parts/table-dialog.js';
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
  const { judgement, open, body, onOpen } = props;
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
      <InTurn>
        <VerdictBox aria-live="polite" aria-label="Verdict">
          {best === undefined ? (
            <>
              <Text as="h1" {...(judgement.place.things.length >= 2 ? { color: 'danger' } : {})}>
                {none[0]}
              </Text>
              <p>{none[1]}</p>
            </>
          ) : (
            <>
              <h1>
                Best: {best.title}, {say(best.span.span, 'length', units)}.
              </h1>
              <p>{best.summary}</p>
              <Buttons>
                {open !== best.span.id && (
                  <Button variant="solid" onClick={() => onOpen(best.span.id)}>
                    Show why
                  </Button>
                )}
              </Buttons>
            </>
          )}
        </VerdictBox>
      </InTurn>
      {judgement.offDrawing > OFF && (
        <Box layerStyle="finding" margin="10px 16px">
          <p>
            Ranked as drawn: the measures say otherwise by up to {say(judgement.offDrawing, 'length', units)}. Move the
            marks to where the measures put them, then this ranking counts.
          </p>
          <Button marginTop="6px" onClick={props.onPlaceThem}>
            Move the marks
          </Button>
        </Box>
      )}
      {judgement.good.length > 1 && (
        <Box padding="6px 18px" textAlign="right">
          <TableDialog
            name="Spans"
            rows={judgement.good}
            columns={columns(units, body)}
            rowId={(listed) => listed.span.id}
          />
        </Box>
      )}
      <chakra.ol flex="none" aria-label="Spans, best first">
        {judgement.good.slice(0, all ? undefined : SHOWN).map((l, i) => (
          <InTurn key={l.span.id}>
            <SpanRow listed={l} rank={i + 1} {...props} />
          </InTurn>
        ))}
      </chakra.ol>
      {judgement.good.length > SHOWN && (
        <Button margin="8px 18px" alignSelf="flex-start" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${judgement.good.length} of ${judgement.goodCount}`}
        </Button>
      )}
      {judgement.outCount > 0 && (
        <chakra.section borderTop="1.5px solid" borderColor="ink">
          <Button
            unstyled
            display="flex"
            gap="6px"
            alignItems="center"
            minHeight="44px"
            paddingInline="18px"
            fontWeight={700}
            width="100%"
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
            <chakra.ul flex="none" aria-label="Spans ruled out">
              {out.map((l) => (
                <InTurn key={l.span.id}>
                  <SpanRow listed={l} rank={null} {...props} />
                </InTurn>
              ))}
            </chakra.ul>
          )}
        </chakra.section>
      )}
      <Notes aria-label="Cautions">
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
      </Notes>
    </>
  );
}

/** What spans are told by in a table: the whole score, and each of what it is made of. */
const columns = (units: UnitChoice, body: BodyMeasures): readonly Column<ListedSpan>[] => [
  { id: 'span', name: 'Between', value: (l) => l.title, head: true },
  { id: 'score', name: 'Of ten', value: (l) => l.span.score * 10, cell: (l) => (l.span.score * 10).toFixed(1) },
  { id: 'length', name: 'Apart', unit: 'm', value: (l) => l.span.span, cell: (l) => say(l.span.span, 'length', units) },
  { id: 'paces', name: 'Paces', value: (l) => l.span.span / body.pace, cell: (l) => inPaces(l.span.span, body) },
  { id: 'why', name: 'Why', value: (l) => l.summary },
];

/** How good a span is, as ten turns of rope. */
function Score({ score }: { readonly score: number }): ReactElement {
  const full = Math.round(score * 10);
  return (
    <svg width={62} height={14} viewBox="0 0 62 14" aria-hidden="true">
      {Array.from({ length: 10 }, (_, i) => (
        <path key={i} {...(i < full ? paint.scoreOn : paint.scoreOff)} d={`M${1 + i * 6} 13L${5 + i * 6} 1`} />
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
    <chakra.li layerStyle="row" padding="4px 18px 8px 14px">
      <Button
        unstyled
        display="grid"
        gridTemplateColumns="26px minmax(0, 1fr) auto"
        gap="6px"
        width="100%"
        minHeight="44px"
        alignItems="center"
        aria-expanded={isOpen}
        onClick={() => onOpen(isOpen ? null : span.id)}
      >
        <Span fontFamily="heading" fontWeight={700} fontSize="17px" color="ink2">
          {rank ?? '–'}
        </Span>
        <Span fontWeight={700} lineHeight={1.25}>
          {title}
          <Span textStyle="quiet">
            {' '}
            {say(span.span, 'length', units)}, {inPaces(span.span, body)}
          </Span>
        </Span>
        {rank !== null && (
          <Span display="flex" flexDirection="column" alignItems="flex-end" textStyle="figure">
            <b>{(span.score * 10).toFixed(1)}</b>
            <Score score={span.score} />
          </Span>
        )}
      </Button>
      {!isOpen && rank !== 1 && (
        <Text textStyle="quiet" paddingStart="32px">
          {summary}
        </Text>
      )}
      {isOpen && explained?.span.id === span.id && (
        <Breakdown explained={explained} rigs={rigs} onStart={onStart} onMoveRig={onMoveRig} />
      )}
    </chakra.li>
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
    <Box padding="2px 0 8px 32px">
      <ul>
        {reasons.map((r) => (
          <chakra.li
            key={r.criterion}
            padding={r.rules ? '5px 0 5px 10px' : '5px 0'}
            fontSize="14px"
            borderBottom="1px solid"
            borderColor="hairline"
            {...(r.rules ? { boxShadow: 'inset 4px 0 0 var(--rb-colors-danger)' } : {})}
          >
            <Span display="flex" justifyContent="space-between" alignItems="center">
              <b>{CRITERION_NAMES[r.criterion]}</b>
              {r.rules ? (
                <Span color="danger" fontWeight={700}>
                  rules it out
                </Span>
              ) : (
                <Score score={r.score} />
              )}
              {!r.rules && <VisuallyHidden>{(r.score * 10).toFixed(0)} of ten</VisuallyHidden>}
            </Span>
            <p>{r.text}</p>
            {r.figures.length > 0 && (
              <Fold line="Numbers">
                <ul>
                  {r.figures.map((f) => (
                    <li key={f.title}>
                      <span>{f.title}</span> <FigureValue figure={f} band />
                    </li>
                  ))}
                </ul>
              </Fold>
            )}
          </chakra.li>
        ))}
      </ul>
      {!ruled && (
        <>
          <Text marginTop="8px" fontSize="14px">
            <b>Fire:</b> {fire.text}
          </Text>
          <Caution>{FIRE_CAUTION}</Caution>
          <Buttons>
            <Button variant="solid" onClick={() => onStart(span)}>
              <Flag size={16} aria-hidden="true" /> Start a rig here
            </Button>
          </Buttons>
          {chosen !== undefined && (
            <Box display="flex" gap="8px" alignItems="flex-end" marginTop="8px" fontSize="14px">
              <Choice label="Or move" value={rig} options={rigs} onChange={setRig} />
              <Button onClick={() => onMoveRig(chosen, span)}>here</Button>
            </Box>
          )}
        </>
      )}
    </Box>
  );
}
