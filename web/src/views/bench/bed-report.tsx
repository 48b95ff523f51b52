import { Caution, Facts } from '../../parts/layout.js';
import { Box, Button, chakra, Span, Table, Text } from '@chakra-ui/react';
import { ofCode } from '@rough-bight/core/findings';
import { capital, say, saySmall } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { BENEATH, bedStem } from '@rough-bight/core/rig';
import { sentenceOf } from '@rough-bight/core/words';
import { derive } from '@rough-bight/core/working';
import type { Figure } from '@rough-bight/core/working';
import type { BedResult, RoofAdvice } from '@rough-bight/core/shelter';
import { Fold } from '../../parts/fold.js';
import type { ReactElement } from 'react';
import { FigureValue } from '../../parts/figure.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';

/** How the bed lies: height, angles, pulls, what its trunks bear, and the roof over it. */
export function BedReport({
  rig,
  bed,
  body,
  advice,
  onTake,
}: {
  readonly rig: RidgeRig;
  readonly bed: BedResult;
  readonly body: BodyMeasures;
  readonly advice: readonly RoofAdvice[] | null;
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const feetUp = bed.lying.headUp.value < 0;
  const units = useUnits();
  const { lying, over } = bed;
  const m = (x: number): string => say(x, 'length', units);
  return (
    <chakra.section
      aria-label="The bed"
      order={{ base: 4, lg: 0 }}
      padding="12px 16px"
      borderBottom="1.5px solid"
      borderColor="ink"
      css={{
        '& h2': { fontSize: '17px' },
        '& h3': { marginTop: '14px' },
        '& > p': { marginTop: '8px' },
      }}
    >
      <h2>{capital(bed.name)}</h2>
      <Caution marginBlock="6px">
        Whoever falls out falls {m(lying.height.value)}, sitting up more, onto {BENEATH[rig.bed!.beneath]}. No higher
        than you are willing to fall; nothing hard or sharp beneath.
      </Caution>
      <Facts gridTemplateColumns="minmax(0, 1fr) minmax(0, 1.1fr)" css={{ '& dd': { whiteSpace: 'normal' } }}>
        <dt>
          Lowest place, lain in <Span textStyle="quiet">{saySmall(lying.height.value, body)}</Span>
        </dt>
        <dd>
          <FigureValue figure={lying.height} big band />
        </dd>
        <dt>Under the line of its ends</dt>
        <dd>
          <FigureValue figure={lying.sag} />
        </dd>
        <dt>{feetUp ? 'Feet over head' : 'Head over feet'}</dt>
        <dd>
          <FigureValue figure={feetUp ? theOtherWay(lying.headUp, 'feet over head') : lying.headUp} />
        </dd>
        {lying.ridge !== null && (
          <>
            <dt>Its ridge-cord</dt>
            <dd>
              <FigureValue figure={lying.ridge} />
            </dd>
          </>
        )}
        {bed.settles > 0.005 && (
          <>
            <dt>By morning</dt>
            <dd>{m(bed.settles)} lower</dd>
          </>
        )}
        {bed.draws !== null && (
          <>
            <dt>The ridge’s ends come nearer</dt>
            <dd>
              {say(bed.draws.by, 'diameter', units)}{' '}
              <Span textStyle="quiet">
                {say(bed.draws.before, 'force', units)} becomes {say(bed.draws.after, 'force', units)}
              </Span>
            </dd>
          </>
        )}
      </Facts>
      <Table.Root>
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader scope="col">Lying</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">First end</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">Second end</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          <Both name="Below level" figures={lying.angles} />
          <Both name="Strap" figures={lying.straps} />
          <Both name="Level pull" figures={[lying.ends[0].level, lying.ends[1].level]} />
          <Both name="Weight on it" figures={[lying.ends[0].down, lying.ends[1].down]} />
          {(lying.feet[0] !== null || lying.feet[1] !== null) && (
            <Both name="Bending at its foot" figures={lying.feet} />
          )}
          {(bed.bark[0] !== null || bed.bark[1] !== null) && <Both name="On the bark" figures={bed.bark} />}
        </Table.Body>
      </Table.Root>
      {bed.bears.length > 0 && (
        <Fold
          line={`What each trunk${bed.bears.some((b) => b.role === 'hold') ? ' and shared hold' : ''} bears, roof and bed together`}
        >
          {bed.bears.map((t) => (
            <Table.Root key={t.id}>
              <Table.Caption>{capital(t.name)}</Table.Caption>
              <Table.Header>
                <Table.Row>
                  <Table.ColumnHeader scope="col">Case</Table.ColumnHeader>
                  <Table.ColumnHeader scope="col">Roof</Table.ColumnHeader>
                  <Table.ColumnHeader scope="col">Bed</Table.ColumnHeader>
                  <Table.ColumnHeader scope="col">Together</Table.ColumnHeader>
                  {t.role === 'trunk' && <Table.ColumnHeader scope="col">At its foot</Table.ColumnHeader>}
                </Table.Row>
              </Table.Header>
              <Table.Body>
                {t.loads.map((l) => (
                  <Table.Row key={l.caseId}>
                    <Table.ColumnHeader scope="row">{capital(l.said)}</Table.ColumnHeader>
                    <Table.Cell>{say(l.roof, 'force', units)}</Table.Cell>
                    <Table.Cell>{say(l.bed, 'force', units)}</Table.Cell>
                    <Table.Cell>{say(l.pull, 'force', units)}</Table.Cell>
                    {t.role === 'trunk' && <Table.Cell>{say(l.asked, 'moment', units)}</Table.Cell>}
                  </Table.Row>
                ))}
              </Table.Body>
            </Table.Root>
          ))}
        </Fold>
      )}
      {over !== null && (
        <>
          <h3>The roof over it</h3>
          <Facts>
            <dt>Reaches beyond its ends</dt>
            <dd>
              <FigureValue figure={over.figures.overhang[0]} /> and <FigureValue figure={over.figures.overhang[1]} />
            </dd>
            <dt>
              In this rain, <FigureValue figure={over.figures.slant} /> from upright
            </dt>
            <dd>
              <FigureValue figure={over.figures.overhangInRain[0]} /> and{' '}
              <FigureValue figure={over.figures.overhangInRain[1]} />; <FigureValue figure={over.figures.dryInRain} />{' '}
              of the bed dry
            </dd>
            <dt>Above its ends</dt>
            <dd>
              {over.figures.above === null ? 'open sky' : <FigureValue figure={over.figures.above} />}{' '}
              <Span textStyle="quiet">{m(over.wished)} suits this weather</Span>
            </dd>
            <dt>Over the head of who sits</dt>
            <dd>{over.figures.headRoom === null ? 'open sky' : <FigureValue figure={over.figures.headRoom} />}</dd>
            {over.figures.gap !== null && (
              <>
                <dt>Nearest to the cloth</dt>
                <dd>
                  <FigureValue figure={over.figures.gap} /> <Span textStyle="quiet">{over.gaps[0]!.what}</Span>
                </dd>
              </>
            )}
          </Facts>
          {advice === null ? (
            <Text textStyle="quiet">What to lower or turn is being tried.</Text>
          ) : (
            advice.map((a) => (
              <Text key={a.id}>
                <b>{a.text}</b> <Span textStyle="quiet">{capital(a.effect)}.</Span>{' '}
                {a.rig !== null && <Button onClick={() => onTake(a.rig!)}>Do that</Button>}
              </Text>
            ))
          )}
        </>
      )}
      {bed.poles.map((p) => (
        <p key={p.end}>
          <b>{capital(bedStem(rig, p.end).name)}</b>:{' '}
          {p.sideways === null
            ? 'falls over sideways when someone leans out'
            : `its head goes ${m(p.sideways)} sideways when someone leans out`}
          . On the first sitting it comes in {m(p.comesIn)} and the bed {m(p.comesDown)} down; haul the back-stay in by{' '}
          {m(p.haulIn)} and sit again.
        </p>
      ))}
      <Box textStyle="quiet">
        {ofCode(bed.findings, 'comfort').map((f) => (
          <p key={f.facts.what}>
            <Told said={sentenceOf(f)} />
          </p>
        ))}
      </Box>
    </chakra.section>
  );
}

/** A difference told from its other side. */
const theOtherWay = (f: Figure, title: string): Figure =>
  derive({ symbol: '−t', title, quantity: f.quantity, formula: '−t' }, [f], (t) => -t!);

function Both({
  name,
  figures,
}: {
  readonly name: string;
  readonly figures: readonly [
    Parameters<typeof FigureValue>[0]['figure'] | null,
    Parameters<typeof FigureValue>[0]['figure'] | null,
  ];
}): ReactElement {
  return (
    <Table.Row>
      <Table.ColumnHeader scope="row">{name}</Table.ColumnHeader>
      {figures.map((f, i) => (
        <Table.Cell key={i}>{f === null ? '–' : <FigureValue figure={f} />}</Table.Cell>
      ))}
    </Table.Row>
  );
}
