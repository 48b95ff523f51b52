import { Caution, ControlGroup, ControlRow, Controls } from '../../parts/layout.js';
import { Button, Menu, Portal, Span, Table, Text } from '@chakra-ui/react';
import { ADJUSTMENTS, SOILS, WOODS, findBedCloth } from '@rough-bight/core/catalogue';
import { capital, say, sayHeight } from '@rough-bight/core/quantity';
import {
  BED_ANCHOR_NAMES,
  BED_LIMITS,
  BENEATH,
  bedStem,
  measuredSpan,
  strapsFor,
  withBedOf,
} from '@rough-bight/core/rig';
import { freshSupport, holdsOnGround, isShared } from '@rough-bight/core/support';
import { headWords } from '@rough-bight/core/words';
import type { GuyReport } from '@rough-bight/core/pitch';
import type { Bed as HungBed, BedAnchor, BedEnd, BedPole, Beneath, RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { BedResult, Drip } from '@rough-bight/core/shelter';
import type { ReactElement, ReactNode } from 'react';
import { Check, Choice, Segments, TextField } from '../../parts/choice.js';
import { BodyMarkChoice } from '../../parts/body-mark.js';
import { NumberField } from '../../parts/number-field.js';
import { SignList } from '../../parts/sign-list.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import { withBedEnd } from '../../scene/bed-moves.js';
import { AnchorFields, lineChoices, treeChoices } from './anchor-fields.js';
import { HangAnswers, WishFields, useHanging } from './hang-it.js';
import { StepRow } from '../../parts/step-row.js';
import type { RoofReport } from '../../workers/report.js';
import type { Editing } from './editing.js';
import { UnderControls, UnderQuick } from './under-controls.js';
import { Bed, Wand2 } from 'lucide-react';
import { Link } from 'react-router';
import { useState } from 'react';

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

/** What the controls of a bed are given. */
export interface BedProps {
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

/** The step of the bed: who lies in it and how it should hang in one row, and the button that sees to the rest. */
export function BedStep({
  said,
  report = null,
  ...props
}: BedProps & {
  readonly said: ReactNode;
  /** Of the roof over it all; null without one, and before it is worked out. */
  readonly report?: RoofReport | null;
}): ReactElement {
  const { rig, context, put } = props;
  const editing: Editing = { rig, kit: context.kit, pegs: context.pegs, body: context.body, edit: props.edit };
  const hanging = useHanging(rig, context);
  const [open, setOpen] = useState(false);
  if (rig.bed === undefined)
    return (
      <StepRow
        name="Bed"
        quick={
          <>
            <UnderQuick editing={editing} report={report} />
            <NoBed rig={rig} context={context} put={put} />
          </>
        }
        said={
          <>
            {said}
            <Caution margin="6px 16px 10px">
              No higher than you are willing to fall. Look up first: nothing dead, hung or rocking over a sleeper. Then
              knock on the trunk, then push it.
            </Caution>
          </>
        }
      >
        {report !== null && report.roof.under !== null ? (
          <UnderControls editing={editing} report={report} />
        ) : undefined}
      </StepRow>
    );
  return (
    <StepRow
      name="Bed"
      said={said}
      open={open}
      onOpen={setOpen}
      quick={
        <>
          <Weighs {...props} />
          <WishFields rig={rig} edit={props.edit} />
          <Button
            variant="solid"
            flex="none !important"
            alignSelf="center"
            disabled={hanging.working}
            onClick={() => {
              hanging.find();
              setOpen(true);
            }}
          >
            <Wand2 size={16} aria-hidden="true" /> {hanging.working ? 'Trying every loop…' : 'Hang it for me'}
          </Button>
        </>
      }
    >
      <Controls>
        <HangAnswers
          rig={rig}
          context={context}
          hanging={hanging}
          onTake={(next) => {
            put(next);
            // what was taken is looked at in the scene
            setOpen(false);
          }}
        />
        <WhichBed {...props} />
        <Cases {...props} />
        {([0, 1] as const).map((i) => (
          <ControlGroup wide key={i}>
            <h3>
              {END_NAME[i]}: {bedStem(rig, i).name}
            </h3>
            <EndFields i={i} {...props} />
          </ControlGroup>
        ))}
        <WhoControls {...props} />
        <MoreControls {...props} />
        <UnderControls editing={editing} report={report} />
      </Controls>
    </StepRow>
  );
}

/** All that is in it, with bedding. */
function Weighs({ rig, edit }: BedProps): ReactElement {
  return (
    <NumberField
      label="Weighs"
      value={rig.bed!.mass}
      limit={B.mass}
      step={1}
      hint="all in it, with bedding"
      onCommit={(mass) => edit({ ...rig, bed: { ...rig.bed!, mass } })}
    />
  );
}

function NoBed({ rig, context, put }: Pick<BedProps, 'rig' | 'context' | 'put'>): ReactElement {
  const units = useUnits();
  if (context.beds.length === 0 || context.straps.length === 0)
    return (
      <Text textStyle="quiet">
        The kit holds {context.beds.length === 0 ? 'no hammock' : 'no straps'} yet. Add{' '}
        {context.beds.length === 0 ? 'one' : 'a pair'} under <Link to="/kit">Kit</Link>, then hang it here.
      </Text>
    );
  return (
    <Menu.Root onSelect={({ value }) => put(withBedOf(rig, value, context))}>
      <Menu.Trigger asChild>
        <Button alignSelf="center" flex="none !important">
          <Bed size={16} aria-hidden="true" /> Hang a bed
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {context.beds.map((bed) => (
              <Menu.Item key={bed.id} value={bed.id}>
                {bed.name}
                <Span textStyle="quiet">
                  {say(bed.length, 'length', units)} of {findBedCloth(bed.cloth)?.name ?? bed.cloth}
                </Span>
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

function WhichBed({ rig, context, edit, put }: BedProps): ReactElement {
  const bed = rig.bed!;
  const units = useUnits();
  const kit = context.beds.find((b) => b.id === bed.bed);
  /** Another bed or other straps, with the straps set anew: their loops are elsewhere. */
  const swapped = (part: Partial<Pick<HungBed, 'bed' | 'straps' | 'ridgeCord'>>): string | null => {
    const next = { ...bed, ...part };
    const found = context.beds.find((b) => b.id === next.bed);
    const straps = context.straps.find((s) => s.id === next.straps);
    const hung =
      found === undefined || straps === undefined ? next : strapsFor(rig, next, { bed: found, straps }, context.body);
    return edit({ ...rig, bed: hung });
  };
  return (
    <ControlGroup>
      <h3>Bed</h3>
      <ControlRow>
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
      </ControlRow>
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
    </ControlGroup>
  );
}

function Cases({ bed, shown, onShow }: BedProps): ReactElement {
  const units = useUnits();
  return (
    <ControlGroup wide>
      <h3>In it</h3>
      {bed === null ? (
        <Text textStyle="quiet">Being worked out.</Text>
      ) : (
        <Table.Root>
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
              <Table.Row key={c.id} {...(!c.converged || c.grounded ? { color: 'danger' } : {})}>
                <Table.ColumnHeader scope="row">
                  <Button variant="plain" size="xs" aria-pressed={shown === c.id} onClick={() => onShow(c.id)}>
                    {capital(c.name)}
                  </Button>{' '}
                  <Span textStyle="quiet">
                    <Told said={c.when} />
                  </Span>
                </Table.ColumnHeader>
                <Table.Cell>{c.force > 0 ? say(c.force, 'force', units) : '–'}</Table.Cell>
                <Table.Cell>{c.converged ? say(Math.max(...c.straps), 'force', units) : 'gives way'}</Table.Cell>
                <Table.Cell>{c.grounded ? 'on the ground' : say(c.height, 'length', units)}</Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      )}
      <Text textStyle="quiet">Touch a case to draw it.</Text>
    </ControlGroup>
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

/** What one end hangs from, and how its strap is set. */
export function EndFields({
  rig,
  context,
  bed: result,
  guys = [],
  edit,
  i,
}: BedProps & { readonly i: 0 | 1 }): ReactElement {
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
    <>
      <ControlRow>
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
      </ControlRow>
      {anchor.kind === 'stem' && (
        <ControlRow>
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
        </ControlRow>
      )}
      {anchor.kind === 'stem' && (
        <SignList title={`Signs on ${anchor.name}`} signs={anchor.signs} onSigns={(signs) => put({ signs })} />
      )}
      {anchor.kind === 'pole' && (
        <PoleFields rig={rig} end={i} pole={anchor} guys={guys} context={context} onChange={put} />
      )}
      <DripLine drip={drip} tail={end.drip} onTie={(at) => set({ drip: at })} />
      <Caution>
        {anchor.kind === 'pole'
          ? 'A pole is only as good as its foot and its stays: sit gently, look at both, sit again. No one stands behind the stays.'
          : 'Look up, knock, push. Dead, hollow, leaning, rocking, fungus on it, or too thin to stand unmoved when you lean on it: choose another. Local tree protection comes first.'}
      </Caution>
    </>
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
      <ControlRow>
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
      </ControlRow>
      <ControlRow>
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
      </ControlRow>
      <ControlRow>
        <AnchorFields
          anchor={pole.anchor}
          pegs={context.pegs}
          trees={treeChoices(rig, context.body)}
          lines={lineChoices(rig, context.body, guys, `stays${end}`)}
          body={context.body}
          near={pole.foot}
          onChange={(anchor) => onChange({ anchor })}
        />
      </ControlRow>
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
    <Text
      display="flex"
      flexWrap="wrap"
      gap="8px"
      alignItems="center"
      textStyle={drip?.wets === true ? 'problem' : 'quiet'}
    >
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
    </Text>
  );
}

function WhoControls({ rig, edit, bed: result }: BedProps): ReactElement {
  const bed = rig.bed!;
  const set = (part: Partial<HungBed>): string | null => edit({ ...rig, bed: { ...bed, ...part } });
  return (
    <ControlGroup>
      <h3>Who lies in it</h3>
      <ControlRow>
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
      </ControlRow>
      <Segments
        label="Head at the"
        showLabel
        value={String(bed.head) as '0' | '1'}
        options={HEAD_OPTIONS}
        onChange={(head) => set({ head: head === '0' ? 0 : 1 })}
      />
      {result !== null && (
        <Text textStyle="quiet">
          The head belongs at the {result.headAt.end === 0 ? 'first' : 'second'} end:{' '}
          {headWords(bedStem(rig, result.headAt.end).name, result.headAt.because)}.
        </Text>
      )}
      <ControlRow>
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
      </ControlRow>
    </ControlGroup>
  );
}

function MoreControls({ rig, edit, context, bed: result }: BedProps): ReactElement {
  const bed = rig.bed!;
  const { sideStay } = bed;
  const set = (part: Partial<HungBed>): string | null => edit({ ...rig, bed: { ...bed, ...part } });
  const ridge = ([0, 1] as const).map((i) => result?.drips.find((d) => d.id === `ridge${i}`));
  return (
    <ControlGroup>
      <h3>Under and beside it</h3>
      <ControlRow>
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
      </ControlRow>
      {ridge.map((drip, i) =>
        drip === undefined && !bed.ridgeDrip[i] ? null : (
          <div key={i}>
            <b>Ridgeline, {rig.trunks[i]!.name}</b>
            <DripLine
              drip={drip}
              tail={bed.ridgeDrip[i] ? (drip?.tailAt ?? 0) : null}
              onTie={(at) =>
                set({
                  ridgeDrip: bed.ridgeDrip.map((t, k) =>
                    k === i ? at !== null : t,
                  ) as unknown as HungBed['ridgeDrip'],
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
        <ControlRow>
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
        </ControlRow>
      )}
    </ControlGroup>
  );
}
