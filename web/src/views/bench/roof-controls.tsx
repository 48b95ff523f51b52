import { USUAL_TOGGLE } from '@rough-bight/core/strength';
import { ToggleFields } from './toggle-fields.js';
import { ControlGroup, ControlRow, Controls, Problem } from '../../parts/layout.js';
import { Button, Span, Text, chakra } from '@chakra-ui/react';
import { FEET, HITCHES, JOINS, LAID, findHitch } from '@rough-bight/core/catalogue';
import type { Foot, Join, Laid } from '@rough-bight/core/catalogue';
import { USUAL_ELASTIC } from '@rough-bight/core/cordage';
import { hitchWords, isLoop } from '@rough-bight/core/hitch';
import { MIDDLES, overSleepers, withDrip, withMiddle } from '@rough-bight/core/pitch';
import type { Lead, Middle } from '@rough-bight/core/pitch';
import { capital, say } from '@rough-bight/core/quantity';
import { LINE_PLACES, PITCH_LIMITS, USUAL_PROPS, hangsBy } from '@rough-bight/core/rig';
import type { LinePlace, Pitch, Props, RoofHitch } from '@rough-bight/core/rig';
import { PITCH_FORMS, PITCH_TRAITS } from '@rough-bight/core/roof';
import { POSTURES, postureUnder } from '@rough-bight/core/under';
import type { KitRoof, PitchForm, Shape } from '@rough-bight/core/roof';
import type { ReactElement } from 'react';
import { Check, Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { NumberField } from '../../parts/number-field.js';
import { Told } from '../../parts/told.js';
import { Sheets } from '../../parts/sheets.js';
import { useUnits } from '../../parts/units.js';
import type { RoofReport } from '../../workers/report.js';
import type { Editing } from './editing.js';
import { TabChoice } from './tab-choice.js';
import { ElasticFields } from './elastic-fields.js';

const P = PITCH_LIMITS;
const FORM_OPTIONS = PITCH_FORMS.map((id) => ({ id, name: PITCH_TRAITS[id].name }));
const LINE_OPTIONS = (Object.keys(LINE_PLACES) as LinePlace[]).map((id) => ({ id, name: LINE_PLACES[id] }));
const HITCH_OPTIONS = HITCHES.map((h) => ({ id: h.id, name: h.name }));
const named = <K extends string>(table: Readonly<Record<K, { readonly name: string }>>) =>
  (Object.keys(table) as K[]).map((id) => ({ id, name: table[id].name }));
const JOIN_OPTIONS = named(JOINS);
const LAID_OPTIONS = named(LAID);
const FOOT_OPTIONS = named(FEET);
const MIDDLE_OPTIONS = (Object.keys(MIDDLES) as Middle[]).map((id) => ({ id, name: MIDDLES[id] }));

/** Numbers that shape a form beside its edges, each where the form reads it. */
const SHAPED = [
  { of: 'awning', label: 'Awning', step: 0.05, hint: 'of the width' },
  { of: 'prop', label: 'Prop', step: 0.05, hint: 'how high' },
  { of: 'lift', label: 'Middle raised', step: 0.02, hint: 'by two sticks in an A' },
  { of: 'flap', label: 'Floor strip', step: 0.05, hint: 'laid inward' },
] as const;

/** In what form it is pitched, how its edges hang, and where it sits on the line. */
export function RoofQuick({ editing }: { readonly editing: Editing }): ReactElement {
  const { rig, edit } = editing;
  const pitch = rig.pitch!;
  const trait = PITCH_TRAITS[pitch.form];
  const set = (change: Partial<Pitch>): string | null => edit({ ...rig, pitch: { ...pitch, ...change } });
  const shape = (change: Partial<Shape>): string | null => set({ shape: { ...pitch.shape, ...change } });
  return (
    <>
      <Choice<PitchForm>
        label="Form"
        value={pitch.form}
        options={FORM_OPTIONS}
        onChange={(form) => set({ form, shape: { ...pitch.shape, ...PITCH_TRAITS[form].usual } })}
      />
      {trait.reads.includes('edges') &&
        ([0, 1] as const).map((i) => (
          <NumberField
            key={i}
            label={i === 0 ? 'Left edge' : 'Right edge'}
            value={pitch.shape.edges[i]}
            limit={P.edge}
            step={0.05}
            hint={pitch.shape.edges[i] <= 0.02 ? 'pegged down' : 'over the ground'}
            onCommit={(z) => shape({ edges: i === 0 ? [z, pitch.shape.edges[1]] : [pitch.shape.edges[0], z] })}
          />
        ))}
      {trait.hangs !== 'first' && (
        <NumberField
          label="Middle of the roof"
          value={pitch.middle}
          limit={P.middle}
          step={0.05}
          hint="from the first tie"
          onCommit={(middle) => set({ middle })}
        />
      )}
      {hangsBy(pitch) === 'ridge' && (
        <NumberField
          label="Stretched with"
          value={pitch.spread}
          limit={P.spread}
          step={5}
          hint="along the ridge"
          onCommit={(spread) => set({ spread })}
        />
      )}
    </>
  );
}

/** One friction hitch that carries the roof on its line. */
export function HitchFields({ editing, i }: { readonly editing: Editing; readonly i: 0 | 1 }): ReactElement {
  const { rig, kit, edit } = editing;
  const pitch = rig.pitch!;
  const h = pitch.hitches[i];
  const { toggle, ...bare } = h;
  const { elastic, ...stiff } = h;
  const type = findHitch(h.type)!;
  const put = (now: RoofHitch): string | null =>
    edit({
      ...rig,
      pitch: { ...pitch, hitches: pitch.hitches.map((x, k) => (k === i ? now : x)) as unknown as Pitch['hitches'] },
    });
  const hitch = (change: Partial<RoofHitch>): string | null => put({ ...h, ...change });
  const cords = kit.map((k) => ({ id: k.id, name: k.name }));
  return (
    <>
      <ControlRow>
        <Choice wide label="Type" value={h.type} options={HITCH_OPTIONS} onChange={(type) => hitch({ type })} />
        <Choice label="Its cord" value={h.cord} options={cords} onChange={(cord) => hitch({ cord })} />
        <NumberField
          whole
          label="Wraps"
          value={h.wraps}
          limit={P.hitchWraps}
          step={1}
          onCommit={(wraps) => hitch({ wraps })}
        />
        {isLoop(type) ? (
          <Choice<Join>
            label="Its join"
            value={h.join ?? 'clear'}
            options={JOIN_OPTIONS}
            onChange={(join) => hitch({ join })}
          />
        ) : (
          <Choice<Laid>
            label="Wrapped"
            value={h.laid ?? 'toward'}
            options={LAID_OPTIONS}
            onChange={(laid) => hitch({ laid })}
          />
        )}
        <NumberField label="Loop" value={h.loop} limit={P.loop} step={0.01} onCommit={(loop) => hitch({ loop })} />
        <NumberField
          label="Tails hang"
          value={h.tail ?? 0}
          limit={P.tail}
          step={0.05}
          hint={(h.tail ?? 0) > 0.3 ? 'into a pail' : 'water runs off'}
          onCommit={(tail) => hitch({ tail })}
        />
        <NumberField
          label="Slid out by"
          value={h.slid}
          limit={P.slid}
          step={0.005}
          decimals={3}
          onCommit={(slid) => hitch({ slid })}
        />
        {toggle !== undefined ? (
          <ToggleFields toggle={toggle} onChange={(stick) => hitch({ toggle: stick })} />
        ) : (
          <TabChoice tab={h.tab} onChange={(tab) => hitch({ tab })} />
        )}
        {elastic !== undefined && <ElasticFields elastic={elastic} onChange={(one) => hitch({ elastic: one })} />}
      </ControlRow>
      <Check checked={h.crossed} onChange={(crossed) => hitch({ crossed })}>
        A turn crosses another
      </Check>
      <Check
        checked={toggle !== undefined}
        onChange={(pinned) => put(pinned ? { ...bare, toggle: USUAL_TOGGLE } : bare)}
      >
        A stick through loop and tie-out
      </Check>
      <Check
        checked={elastic !== undefined}
        onChange={(eased) => put(eased ? { ...stiff, elastic: USUAL_ELASTIC } : stiff)}
      >
        Elastic between hitch and cloth
      </Check>
    </>
  );
}

/** The roof: which, in what form, how shaped, and the hitches that carry it. */
export function RoofControls({
  editing,
  roofs,
  report,
}: {
  readonly editing: Editing;
  readonly roofs: readonly KitRoof[];
  readonly report: RoofReport | null;
}): ReactElement {
  const form = <RoofAndForm editing={editing} roofs={roofs} report={report} />;
  if (hangsBy(editing.rig.pitch!) !== 'ridge') return form;
  return (
    <Sheets
      label="Of the roof"
      of={[
        { id: 'form', name: 'Roof and form', sheet: form },
        { id: 'hitches', name: 'Hitches', sheet: <Hitches editing={editing} report={report} /> },
      ]}
    />
  );
}

/** Which roof, in what shape, and what it covers. */
function RoofAndForm({
  editing: { rig, edit, body },
  roofs,
  report,
}: {
  readonly editing: Editing;
  readonly roofs: readonly KitRoof[];
  readonly report: RoofReport | null;
}): ReactElement {
  const units = useUnits();
  const pitch = rig.pitch!;
  const set = (change: Partial<Pitch>): string | null => edit({ ...rig, pitch: { ...pitch, ...change } });
  const shape = (change: Partial<Shape>): string | null => set({ shape: { ...pitch.shape, ...change } });
  const trait = PITCH_TRAITS[pitch.form];
  const middle = report?.roof.topology.middle ?? null;
  const over = overSleepers(rig);
  return (
    <ControlGroup wide>
      <ControlRow>
        <Choice
          label="Roof"
          value={pitch.roof}
          options={roofs.map((r) => ({ id: r.id, name: r.name }))}
          onChange={(roof) => set({ roof })}
        />
        {trait.hangs === 'ridge' && (
          <Choice<LinePlace>
            label="Ridgeline"
            value={pitch.line}
            options={LINE_OPTIONS}
            onChange={(line) => set({ line })}
          />
        )}
      </ControlRow>
      <Text textStyle="quiet">
        {trait.words} {trait.laid}
      </Text>
      <ControlRow>
        {trait.either !== undefined && (
          <Choice
            label={trait.either.label}
            value={(pitch.shape[trait.either.of] ?? 0) > 0 ? 'some' : 'none'}
            options={[
              { id: 'some', name: trait.either.some },
              { id: 'none', name: trait.either.none },
            ]}
            onChange={(is) =>
              shape({
                [trait.either!.of]: is === 'none' ? 0 : (trait.usual[trait.either!.of] ?? P[trait.either!.of].max),
              })
            }
          />
        )}
        {SHAPED.filter(({ of }) => trait.reads.includes(of) && trait.either?.of !== of).map(
          ({ of, label, step, hint }) => (
            <NumberField
              key={of}
              label={label}
              value={pitch.shape[of]}
              limit={P[of]}
              step={step}
              hint={hint}
              onCommit={(value) => shape({ [of]: value })}
            />
          ),
        )}
        {middle !== null && (
          <Choice<Middle>
            label="Its middle"
            value={middle.how}
            options={MIDDLE_OPTIONS}
            hint={`hangs at ${say(middle.height, 'length', units)}`}
            onChange={(how) => edit({ ...rig, pitch: withMiddle(pitch, middle, how) })}
          />
        )}
        {middle?.how === 'stick' && (
          <NumberField
            label="That stick"
            value={pitch.own[middle.key]!.stick!}
            limit={{ ...P.guyStick, min: 0.3 }}
            step={0.05}
            hint="how long"
            onCommit={(stick) => set({ own: { ...pitch.own, [middle.key]: { ...pitch.own[middle.key], stick } } })}
          />
        )}
      </ControlRow>
      {report !== null && report.roof.topology.sticks.length > 0 && <PropFields rig={rig} edit={edit} />}
      {trait.hangs !== 'first' && over !== null && over.middle !== pitch.middle && (
        <Button alignSelf="start" onClick={() => edit({ ...rig, pitch: over })}>
          Centre it over whoever lies there
        </Button>
      )}
      {report !== null && <Leads leads={report.roof.leads} rig={rig} edit={edit} />}
      {report !== null && (
        <Text textStyle="quiet">
          Covers {say(report.roof.cover.ground, 'area', units)}, headroom{' '}
          {say(report.roof.cover.headroom, 'length', units)} ({POSTURES[postureUnder(report.roof.cover.headroom, body)]}
          ), lowest edge {say(report.roof.cover.lowestEdge, 'length', units)},{' '}
          {say(report.roof.cover.openness, 'share', units)} open at the sides; {say(report.roof.slack, 'share', units)}{' '}
          of the cloth is slack, {say(report.roof.wrinkled, 'share', units)} pulled one way only.
        </Text>
      )}
    </ControlGroup>
  );
}

/** Lines along which water comes in under the roof, each with a drip line or without. */
function Leads({
  leads,
  rig,
  edit,
}: Pick<Editing, 'rig' | 'edit'> & { readonly leads: readonly Lead[] }): ReactElement | null {
  const units = useUnits();
  const ways = leads.filter((l) => l.runsIn);
  if (ways.length === 0) return null;
  return (
    <chakra.fieldset>
      <legend>Water runs in along</legend>
      {ways.map((l) => (
        <Check key={l.id} checked={l.breaks === 'drip'} onChange={(on) => edit(withDrip(rig, l.id, on))}>
          {capital(l.name)}: a drip line {say(l.tailAt, 'length', units)} from the tree
          {l.breaks === 'hitch' && <Span textStyle="quiet"> or as now the hitch’s tails</Span>}
          {l.breaks === null && l.on.length > 0 && <Span color="danger"> drips on {l.on.join(', ')}</Span>}
        </Check>
      ))}
    </chakra.fieldset>
  );
}

/** How the sticks that bear the cloth stand. */
function PropFields({ rig, edit }: Pick<Editing, 'rig' | 'edit'>): ReactElement {
  const pitch = rig.pitch!;
  const props = pitch.props ?? USUAL_PROPS;
  const set = (change: Partial<Props>): string | null =>
    edit({ ...rig, pitch: { ...pitch, props: { ...props, ...change } } });
  return (
    <>
      <ControlRow>
        <NumberField
          label="Sticks"
          value={pitch.stick}
          limit={P.stick}
          step={0.005}
          hint="how thick"
          onCommit={(stick) => edit({ ...rig, pitch: { ...pitch, stick } })}
        />
        <Choice<Foot> label="Their feet" value={props.foot} options={FOOT_OPTIONS} onChange={(foot) => set({ foot })} />
        <NumberField
          label="Raked"
          value={props.rake}
          limit={P.rake}
          step={Math.PI / 36}
          hint="a prop’s head leaning out"
          onCommit={(rake) => set({ rake })}
        />
      </ControlRow>
      <Check checked={props.padded} onChange={(padded) => set({ padded })}>
        Heads under the cloth are padded
      </Check>
    </>
  );
}

/** The two hitches on the ridge, and how they fare. */
function Hitches({ editing, report }: { readonly editing: Editing; readonly report: RoofReport | null }): ReactElement {
  const units = useUnits();
  const reports = report?.roof.hitches ?? [];
  return (
    <Controls>
      {([0, 1] as const).map((i) => {
        const tied = reports.find((r) => r.end === i);
        return (
          <ControlGroup key={i}>
            <h3>{i === 0 ? 'First hitch' : 'Second hitch'}</h3>
            <HitchFields editing={editing} i={i} />
            {tied !== undefined && (
              <>
                <p>
                  Grip ratio <FigureValue figure={tied.dry} band /> dry, <FigureValue figure={tied.wet} /> wet. It is
                  pulled with {say(tied.pull, 'force', units)}, {say(tied.angle, 'angle', units)} off the ridge; the
                  roof hangs {say(tied.hangGap, 'length', units)} below. Cut {say(tied.cut, 'length', units)}.
                </p>
                {tied.advice.map((a) => (
                  <Problem key={a.what}>
                    <Told said={hitchWords(a)} />
                  </Problem>
                ))}
              </>
            )}
          </ControlGroup>
        );
      })}
    </Controls>
  );
}
