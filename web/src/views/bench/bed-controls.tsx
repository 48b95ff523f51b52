import { Button, Table } from '@chakra-ui/react';
import { ADJUSTMENTS, SOILS, WOODS, findBedCloth } from '@rough-bight/core/catalogue';
import { capital, say, sayHeight } from '@rough-bight/core/quantity';
import {
  BED_ANCHOR_NAMES,
  BED_LIMITS,
  BENEATH,
  bedStem,
  freshBed,
  measuredSpan,
  strapsFor,
} from '@rough-bight/core/rig';
import { freshSupport, holdsOnGround, isShared } from '@rough-bight/core/support';
import { headWords } from '@rough-bight/core/words';
import type { GuyReport } from '@rough-bight/core/pitch';
import type { Bed, BedAnchor, BedEnd, BedPole, Beneath, RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { BedResult, Drip } from '@rough-bight/core/shelter';
import type { ReactElement } from 'react';
import { Check, Choice, Segments, TextField } from '../../parts/choice.js';
import { BodyMarkChoice } from '../../parts/body-mark.js';
import { NumberField } from '../../parts/number-field.js';
import { SignList } from '../../parts/sign-list.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import { withBedEnd } from '../../scene/bed-moves.js';
import { AnchorFields, lineChoices, treeChoices } from './anchor-fields.js';
import { HangIt } from './hang-it.js';

const B = BED_LIMITS;
const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));
const ANCHOR_OPTIONS = (Object.keys(BED_ANCHOR_NAMES) as BedAnchor['kind'][]).map((id) => ({
  id,
  name: BED_ANCHOR_NAMES[id],
}));
const BENEATH_OPTIONS = (Object.keys(BENEATH) as Beneath[]).map((id) => ({ id, name: BENEATH[id] }));
const HEAD_OPTIONS = [
  { id: '0' as const, name: 'First end' },
  { id: '1' as const, name: 'Second end' },
];

interface Props {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly bed: BedResult | null;
  /** Of the roof over it, as it stands. */
  readonly guys?: readonly GuyReport[];
  readonly shown: string;
  readonly onShow: (bedCase: string) => void;
  /** Puts a changed rig in place; returns why it does not fit together, or null. */
  readonly edit: (rig: RidgeRig) => string | null;
  /** Puts one in place that is already known to fit. */
  readonly put: (rig: RidgeRig) => void;
}

/** Hanging a bed: which, on what, for whom, and how it is then set. */
export function BedControls(props: Props): ReactElement {
  const { rig, context, put } = props;
  if (rig.bed === undefined) return <NoBed rig={rig} context={context} put={put} />;
  return (
    <div className="controls bed-controls">
      <WhichBed {...props} />
      <HangIt rig={rig} context={context} bed={props.bed} edit={props.edit} onTake={put} />
      <Cases {...props} />
      {([0, 1] as const).map((i) => (
        <EndControls key={i} i={i} {...props} />
      ))}
      <WhoControls {...props} />
      <MoreControls {...props} />
    </div>
  );
}

function NoBed({ rig, context, put }: Pick<Props, 'rig' | 'context' | 'put'>): ReactElement {
  const units = useUnits();
  const straps = context.straps[0];
  if (context.beds.length === 0 || straps === undefined)
    return (
      <p className="quiet">
        The kit holds {context.beds.length === 0 ? 'no hammock' : 'no straps'} yet. Add{' '}
        {context.beds.length === 0 ? 'one' : 'a pair'} under Kit, then hang it here.
      </p>
    );
  return (
    <div className="controls">
      <div className="control-group control-group-wide">
        <h3>Hang a bed on this rig</h3>
        <div className="verdict-buttons">
          {context.beds.map((bed) => (
            <Button
              key={bed.id}
              onClick={() =>
                put({
                  ...rig,
                  bed: strapsFor(rig, freshBed({ bed, straps }, context.body), { bed, straps }, context.body),
                })
              }
            >
              Hang {bed.name}
            </Button>
          ))}
        </div>
        <p className="quiet">
          {context.beds
            .map((b) => `${b.name}: ${say(b.length, 'length', units)} of ${findBedCloth(b.cloth)?.name ?? b.cloth}`)
            .join('; ')}
          .
        </p>
      </div>
      <p className="caution">
        No higher than you are willing to fall. Look up first: nothing dead, hung or rocking over a sleeper. Then knock
        on the trunk, then push it.
      </p>
    </div>
  );
}

function WhichBed({ rig, context, edit, put }: Props): ReactElement {
  const bed = rig.bed!;
  const units = useUnits();
  const kit = context.beds.find((b) => b.id === bed.bed);
  /** Another bed or other straps, with the straps set anew: their loops are elsewhere. */
  const swapped = (part: Partial<Pick<Bed, 'bed' | 'straps' | 'ridgeCord'>>): string | null => {
    const next = { ...bed, ...part };
    const found = context.beds.find((b) => b.id === next.bed);
    const straps = context.straps.find((s) => s.id === next.straps);
    const hung =
      found === undefined || straps === undefined ? next : strapsFor(rig, next, { bed: found, straps }, context.body);
    return edit({ ...rig, bed: hung });
  };
  return (
    <div className="control-group">
      <h3>Bed</h3>
      <div className="control-row">
        <Choice
          label="Bed"
          value={bed.bed}
          options={context.beds.map((b) => ({ id: b.id, name: b.name }))}
          hint={
            kit === undefined
              ? ''
              : `${say(kit.length, 'length', units)}, ${kit.limit > 0 ? `to ${say(kit.limit, 'mass', units)}` : 'limit not known'}`
          }
          onChange={(id) =>
            swapped({ bed: id, ridgeCord: (context.beds.find((b) => b.id === id)?.ridgeLength ?? 0) > 0 })
          }
        />
        <Choice
          label="Straps"
          value={bed.straps}
          options={context.straps.map((s) => ({ id: s.id, name: s.name }))}
          onChange={(id) => swapped({ straps: id })}
        />
      </div>
      {kit !== undefined && kit.ridgeLength > 0 && (
        <Check checked={bed.ridgeCord} onChange={(ridgeCord) => edit({ ...rig, bed: { ...bed, ridgeCord } })}>
          with its ridge-cord of {say(kit.ridgeLength, 'length', units)}
        </Check>
      )}
      <p>
        <Button
          onClick={() => {
            const { bed: gone, ...rest } = rig;
            void gone;
            put(rest);
          }}
        >
          Take the bed down
        </Button>
      </p>
    </div>
  );
}

function Cases({ bed, shown, onShow }: Props): ReactElement {
  const units = useUnits();
  return (
    <div className="control-group control-group-wide">
      <h3>In it</h3>
      {bed === null ? (
        <p className="quiet">Being worked out.</p>
      ) : (
        <Table.Root className="bed-cases">
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader scope="col">Case</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">On it</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Harder strap</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Over the ground</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {bed.cases.map((c) => (
              <Table.Row key={c.id} className={!c.converged || c.grounded ? 'guy-bad' : ''}>
                <Table.ColumnHeader scope="row">
                  <Button variant="plain" size="xs" aria-pressed={shown === c.id} onClick={() => onShow(c.id)}>
                    {capital(c.name)}
                  </Button>{' '}
                  <span className="quiet">
                    <Told said={c.when} />
                  </span>
                </Table.ColumnHeader>
                <Table.Cell>{c.force > 0 ? say(c.force, 'force', units) : '–'}</Table.Cell>
                <Table.Cell>{c.converged ? say(Math.max(...c.straps), 'force', units) : 'gives way'}</Table.Cell>
                <Table.Cell>{c.grounded ? 'on the ground' : say(c.height, 'length', units)}</Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      )}
      <p className="quiet">Touch a case to draw it.</p>
    </div>
  );
}

/** A pole as one sets it, where the second tree would stand. */
function freshPole(rig: RidgeRig, context: RigContext, i: 0 | 1): BedPole {
  return {
    kind: 'pole',
    foot: [i === 0 ? 0 : measuredSpan(rig, context.body), 0],
    wood: 'ash',
    thickness: 0.1,
    dug: 0.25,
    lean: 0.12,
    stays: 2,
    out: 2,
    spread: 0.8,
    cord: context.kit[0]?.id ?? '',
    haul: 120,
    anchor: { kind: 'weight', name: 'a log', mass: 300 },
    offCentre: 0.01,
  };
}

function freshAnchor(kind: BedAnchor['kind'], rig: RidgeRig, context: RigContext, i: 0 | 1): BedAnchor {
  if (kind === 'trunk') return { kind };
  if (kind === 'pole') return freshPole(rig, context, i);
  const { name, wood, girth } = rig.trunks[i];
  return {
    kind,
    name: `beside ${name}`,
    wood,
    girth,
    at: [i === 0 ? 0 : measuredSpan(rig, context.body), 0.5],
    signs: [],
  };
}

const END_NAME = ['First end', 'Second end'] as const;

function EndControls({ rig, context, bed: result, guys = [], edit, i }: Props & { readonly i: 0 | 1 }): ReactElement {
  const bed = rig.bed!;
  const units = useUnits();
  const end = bed.ends[i];
  const { anchor } = end;
  const straps = context.straps.find((s) => s.id === bed.straps);
  const set = (part: Partial<BedEnd>): string | null => edit(withBedEnd(rig, i, part));
  const drip = result?.drips.find((d) => d.id === `strap${i}`);
  const way = straps === undefined ? null : ADJUSTMENTS[straps.adjust];
  const put = (part: object): string | null => set({ anchor: { ...anchor, ...part } as BedAnchor });
  return (
    <div className="control-group control-group-wide">
      <h3>
        {END_NAME[i]}: {bedStem(rig, i).name}
      </h3>
      <div className="control-row">
        <Choice<BedAnchor['kind']>
          label="Hung from"
          value={anchor.kind}
          options={ANCHOR_OPTIONS}
          onChange={(kind) => set({ anchor: freshAnchor(kind, rig, context, i) })}
        />
        <NumberField
          label={anchor.kind === 'pole' ? 'Height of its head' : 'Strap at'}
          value={end.height}
          limit={B.height}
          step={0.02}
          hint={sayHeight(end.height, context.body, units.length)}
          onCommit={(height) => set({ height })}
        />
        {anchor.kind !== 'pole' && (
          <BodyMarkChoice height={end.height} body={context.body} onHeight={(height) => set({ height })} />
        )}
        <NumberField
          whole
          label="Wraps"
          value={end.wraps}
          limit={B.wraps}
          step={1}
          onCommit={(wraps) => set({ wraps })}
        />
        {way !== null &&
          straps !== undefined &&
          (straps.adjust === 'hitch' ? (
            <NumberField
              label="Free strap"
              value={end.free}
              limit={B.free}
              step={0.02}
              onCommit={(free) => set({ free })}
            />
          ) : (
            <NumberField
              whole
              label={`Hooked to ${way.one}`}
              value={end.loop}
              limit={B.loop}
              step={1}
              suffix={`of ${straps.count}`}
              {...(result === null ? {} : { hint: `${say(result.free[i], 'length', units)} free` })}
              onCommit={(loop) => set({ loop })}
            />
          ))}
      </div>
      {anchor.kind === 'stem' && (
        <div className="control-row">
          <TextField label="Name" value={anchor.name} max={60} onCommit={(name) => put({ name })} />
          <Choice label="Wood" value={anchor.wood} options={WOOD_OPTIONS} onChange={(wood) => put({ wood })} />
          <NumberField
            label="Girth"
            value={anchor.girth}
            limit={B.girth}
            step={0.01}
            onCommit={(girth) => put({ girth })}
          />
          <NumberField
            label="Along the span"
            value={anchor.at[0]}
            limit={B.at}
            step={0.1}
            onCommit={(x) => put({ at: [x, anchor.at[1]] })}
          />
          <NumberField
            label="To its left"
            value={anchor.at[1]}
            limit={B.at}
            step={0.1}
            onCommit={(y) => put({ at: [anchor.at[0], y] })}
          />
        </div>
      )}
      {anchor.kind === 'stem' && (
        <SignList title={`Signs on ${anchor.name}`} signs={anchor.signs} onSigns={(signs) => put({ signs })} />
      )}
      {anchor.kind === 'pole' && (
        <PoleFields rig={rig} end={i} pole={anchor} guys={guys} context={context} onChange={put} />
      )}
      <DripLine drip={drip} tail={end.drip} onTie={(at) => set({ drip: at })} />
      <p className="caution">
        {anchor.kind === 'pole'
          ? 'A pole is only as good as its foot and its stays: sit gently, look at both, sit again. No one stands behind the stays.'
          : 'Look up, knock, push. Dead, hollow, leaning, rocking, fungus on it, or thinner than half a metre round: choose another. Local tree protection comes first.'}
      </p>
    </div>
  );
}

function PoleFields({
  rig,
  end,
  pole,
  guys,
  context,
  onChange,
}: {
  readonly rig: RidgeRig;
  readonly end: 0 | 1;
  readonly pole: BedPole;
  readonly guys: readonly GuyReport[];
  readonly context: RigContext;
  readonly onChange: (part: Partial<BedPole>) => string | null;
}): ReactElement {
  const number = (
    label: string,
    key: 'thickness' | 'dug' | 'lean' | 'out' | 'spread' | 'haul' | 'offCentre',
    step: number,
    hint = '',
  ): ReactElement => (
    <NumberField
      label={label}
      value={pole[key]}
      limit={B[key]}
      step={step}
      hint={hint}
      onCommit={(value) => onChange({ [key]: value })}
    />
  );
  return (
    <>
      <div className="control-row">
        <NumberField
          label="Foot along the span"
          value={pole.foot[0]}
          limit={B.at}
          step={0.1}
          onCommit={(x) => onChange({ foot: [x, pole.foot[1]] })}
        />
        <NumberField
          label="To its left"
          value={pole.foot[1]}
          limit={B.at}
          step={0.1}
          onCommit={(y) => onChange({ foot: [pole.foot[0], y] })}
        />
        <Choice label="Wood" value={pole.wood} options={WOOD_OPTIONS} onChange={(wood) => onChange({ wood })} />
        {number('Thick', 'thickness', 0.01)}
        {number('Foot dug in', 'dug', 0.05)}
        {number('Leans', 'lean', 0.035, 'away from the bed')}
        {number('Lines off centre', 'offCentre', 0.005, 'on its head')}
      </div>
      <div className="control-row">
        <Segments
          label="Back-stays"
          showLabel
          value={String(pole.stays) as '1' | '2'}
          options={[
            { id: '1', name: 'One' },
            { id: '2', name: 'Two, spread' },
          ]}
          onChange={(n) => onChange({ stays: n === '1' ? 1 : 2 })}
        />
        <Choice
          label="Their cord"
          value={pole.cord}
          options={context.kit.map((k) => ({ id: k.id, name: k.name }))}
          onChange={(cord) => onChange({ cord })}
        />
        {number('Hauled with', 'haul', 10)}
        {!isShared(pole.anchor) && number('Held', 'out', 0.1, 'beyond the foot')}
        {pole.stays === 2 &&
          !isShared(pole.anchor) &&
          pole.together !== true &&
          number('Spread', 'spread', 0.1, 'each from the middle')}
        {pole.stays === 2 && holdsOnGround(pole.anchor.kind) && (
          <Check checked={pole.together === true} onChange={(together) => onChange({ together })}>
            both to one
          </Check>
        )}
      </div>
      <div className="control-row">
        <AnchorFields
          anchor={pole.anchor}
          pegs={context.pegs}
          trees={treeChoices(rig, context.body)}
          lines={lineChoices(rig, context.body, guys, `stays${end}`)}
          body={context.body}
          near={pole.foot}
          onChange={(anchor) => onChange({ anchor })}
        />
      </div>
    </>
  );
}

/** Whether water comes in along a line, and the tail that stops it. */
export function DripLine({
  drip,
  tail,
  onTie,
}: {
  readonly drip: Drip | undefined;
  /** Where a tail is tied, m; null where none is. */
  readonly tail: number | null;
  readonly onTie: (at: number | null) => void;
}): ReactElement | null {
  const units = useUnits();
  if (drip === undefined && tail === null) return null;
  const where =
    drip === undefined ? '' : ` ${say(drip.tailAt, 'length', units)} from its outer end, just inside the roof’s edge`;
  return (
    <p className={drip?.wets === true ? 'drip-line field-problem' : 'drip-line quiet'}>
      {drip === undefined
        ? 'It does not come in under the roof.'
        : !drip.runsIn
          ? `Water does not run in: the line rises inward.`
          : drip.breaks === 'tail'
            ? `Water runs in and drips off its tail.`
            : drip.breaks === 'connector'
              ? 'Water runs in and drips off the metal hook before the bed.'
              : drip.wets
                ? `Water runs in, ${say(-drip.slope, 'angle', units)} down, and into the bed. A tail belongs${where}${drip.id.startsWith('ridge') ? ', or run the line over the cloth' : ''}.`
                : `Water runs in, but not onto the bed.`}{' '}
      {tail === null ? (
        drip !== undefined &&
        drip.runsIn &&
        drip.breaks === null && (
          <Button onClick={() => onTie(Math.round(drip.tailAt * 100) / 100)}>Tie a tail there</Button>
        )
      ) : (
        <Button onClick={() => onTie(null)}>Take the tail off</Button>
      )}
    </p>
  );
}

function WhoControls({ rig, edit, bed: result }: Props): ReactElement {
  const bed = rig.bed!;
  const set = (part: Partial<Bed>): string | null => edit({ ...rig, bed: { ...bed, ...part } });
  return (
    <div className="control-group">
      <h3>Who lies in it</h3>
      <div className="control-row">
        <NumberField
          label="Weighs"
          value={bed.mass}
          limit={B.mass}
          step={1}
          hint="all in it, with bedding"
          onCommit={(mass) => set({ mass })}
        />
        <NumberField
          label="Tall"
          value={bed.stature}
          limit={B.stature}
          step={0.01}
          onCommit={(stature) => set({ stature })}
        />
        <NumberField
          whole
          label="People"
          value={bed.people}
          limit={B.people}
          step={1}
          onCommit={(people) => set({ people })}
        />
      </div>
      <Segments
        label="Head at the"
        showLabel
        value={String(bed.head) as '0' | '1'}
        options={HEAD_OPTIONS}
        onChange={(head) => set({ head: head === '0' ? 0 : 1 })}
      />
      {result !== null && (
        <p className="quiet">
          The head belongs at the {result.headAt.end === 0 ? 'first' : 'second'} end:{' '}
          {headWords(bedStem(rig, result.headAt.end).name, result.headAt.because)}.
        </p>
      )}
      <div className="control-row">
        <NumberField
          label="Sits at"
          value={bed.sitAt}
          limit={B.sitAt}
          step={0.05}
          hint="of the cloth from its first end"
          onCommit={(sitAt) => set({ sitAt })}
        />
        <NumberField
          label="Drops in by"
          value={bed.drop}
          limit={B.drop}
          step={0.05}
          onCommit={(drop) => set({ drop })}
        />
        <NumberField
          label="Swings"
          value={bed.swing}
          limit={B.swing}
          step={0.087}
          hint="each way"
          onCommit={(swing) => set({ swing })}
        />
        <NumberField
          label="Leans out by"
          value={bed.reach}
          limit={B.reach}
          step={0.05}
          onCommit={(reach) => set({ reach })}
        />
      </div>
    </div>
  );
}

function MoreControls({ rig, edit, context, bed: result }: Props): ReactElement {
  const bed = rig.bed!;
  const { sideStay } = bed;
  const set = (part: Partial<Bed>): string | null => edit({ ...rig, bed: { ...bed, ...part } });
  const ridge = ([0, 1] as const).map((i) => result?.drips.find((d) => d.id === `ridge${i}`));
  return (
    <div className="control-group">
      <h3>Under and beside it</h3>
      <div className="control-row">
        <Choice<Beneath>
          label="Beneath lies"
          value={bed.beneath}
          options={BENEATH_OPTIONS}
          onChange={(beneath) => set({ beneath })}
        />
        {rig.pitch === undefined && (
          <Choice
            label="Ground"
            value={bed.soil}
            options={SOILS.map((s) => ({ id: s.id, name: s.name }))}
            onChange={(soil) => set({ soil })}
          />
        )}
      </div>
      {ridge.map((drip, i) =>
        drip === undefined && !bed.ridgeDrip[i] ? null : (
          <div key={i}>
            <b>Ridgeline, {rig.trunks[i]!.name}</b>
            <DripLine
              drip={drip}
              tail={bed.ridgeDrip[i] ? (drip?.tailAt ?? 0) : null}
              onTie={(at) =>
                set({
                  ridgeDrip: bed.ridgeDrip.map((t, k) => (k === i ? at !== null : t)) as unknown as Bed['ridgeDrip'],
                })
              }
            />
          </div>
        ),
      )}
      <Check
        checked={sideStay !== null}
        onChange={(held) =>
          set({
            sideStay: held
              ? {
                  cord: context.kit[0]?.id ?? '',
                  side: 'left',
                  out: 1.2,
                  haul: 20,
                  anchor: freshSupport('peg', context.pegs),
                }
              : null,
          })
        }
      >
        a side stay holds one side open
      </Check>
      {sideStay !== null && (
        <div className="control-row">
          <Segments
            label="Side"
            value={sideStay.side}
            options={[
              { id: 'left', name: 'Left' },
              { id: 'right', name: 'Right' },
            ]}
            onChange={(side) => set({ sideStay: { ...sideStay, side } })}
          />
          <Choice
            label="Its cord"
            value={sideStay.cord}
            options={context.kit.map((k) => ({ id: k.id, name: k.name }))}
            onChange={(cord) => set({ sideStay: { ...sideStay, cord } })}
          />
          <NumberField
            label="Held"
            value={sideStay.out}
            limit={B.sideStayOut}
            step={0.1}
            hint="out from the bed"
            onCommit={(out) => set({ sideStay: { ...sideStay, out } })}
          />
          <NumberField
            label="Hauled with"
            value={sideStay.haul}
            limit={B.haul}
            step={5}
            onCommit={(haul) => set({ sideStay: { ...sideStay, haul } })}
          />
          <AnchorFields
            anchor={sideStay.anchor}
            pegs={context.pegs}
            trees={[]}
            lines={[]}
            onGround
            body={context.body}
            onChange={(anchor) => set({ sideStay: { ...sideStay, anchor } })}
          />
        </div>
      )}
    </div>
  );
}
