import { Buttons, ControlGroup, ControlRow, Controls, Problem } from '../../parts/layout.js';
import { Button, chakra, Span, Table, Text } from '@chakra-ui/react';
import { SOILS } from '@rough-bight/core/catalogue';
import type { Place } from '@rough-bight/core/ground';
import { guysToTrees } from '@rough-bight/core/pitch';
import { ratioOf } from '@rough-bight/core/rig';
import type { GuyReport } from '@rough-bight/core/pitch';
import { capital, say, tell } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { GUY_HITCHES, PITCH_LIMITS, guyOf, treeOf } from '@rough-bight/core/rig';
import type { Guy, GuyHitch, Pitch, RidgeRig } from '@rough-bight/core/rig';
import type { KitPegs } from '@rough-bight/core/support';
import { guyLine, guyTree, isShared, keyOfLine } from '@rough-bight/core/support';
import { sayOver, sentenceOf } from '@rough-bight/core/words';
import { ArrowUpToLine, RotateCcw } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { Sortable, useRow } from '../../parts/sortable.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import { withGuy, withoutOwn } from '../../scene/pitch-moves.js';
import type { RoofReport } from '../../workers/report.js';
import { AnchorFields, lineChoices, treeChoices } from './anchor-fields.js';
import type { LineChoice, TreeChoice } from './anchor-fields.js';
import { ElasticFields } from './elastic-fields.js';
import { TabChoice } from './tab-choice.js';
import { PulledPeg } from './peg-pull.js';
import type { Editing } from './editing.js';

const P = PITCH_LIMITS;
const SOIL_OPTIONS = SOILS.map((s) => ({ id: s.id, name: s.name }));
const HITCH_OPTIONS = (Object.keys(GUY_HITCHES) as GuyHitch[]).map((id) => ({ id, name: GUY_HITCHES[id] }));

/** A stick as long as most that are cut for it, m: its length is then set by hand. */
const RAISED = 1.2;

/** Where a guy's foot is, in words. */
function footWords(rig: RidgeRig, g: GuyReport, guys: readonly GuyReport[]): string {
  const { anchor, foot } = guyOf(rig.pitch!, g.key);
  if (anchor.kind === 'same') {
    const key = keyOfLine(anchor.line);
    return `with the ${key === null ? 'back-stay' : (guys.find((o) => o.key === key)?.name ?? 'guy that is gone')}`;
  }
  if (anchor.kind === 'tree') return `on ${treeOf(rig, anchor.tree)?.name ?? 'a tree that is gone'}`;
  if (foot === null) return 'follows the cloth';
  return g.off > 0.3 ? `${((g.off * 180) / Math.PI).toFixed(0)}° off the cloth’s line` : 'where you put it';
}

/** What the guys of a rig are shown and changed by. */
interface Guys {
  readonly editing: Editing;
  readonly pegs: readonly KitPegs[];
  readonly report: RoofReport | null;
}

/** All guys alike: their cord, how hard each is hauled, and what the pegs stand in. */
export function GuyQuick({ editing: { rig, kit, edit } }: { readonly editing: Editing }): ReactElement {
  const pitch = rig.pitch!;
  return (
    <>
      <GuyCord
        guy={pitch.guy}
        kit={kit}
        onChange={(part) => edit({ ...rig, pitch: { ...pitch, guy: { ...pitch.guy, ...part } } })}
      />
      <Choice
        label="Ground"
        value={pitch.soil}
        options={SOIL_OPTIONS}
        onChange={(soil) => edit({ ...rig, pitch: { ...pitch, soil } })}
        hint={SOILS.find((s) => s.id === pitch.soil)?.feel ?? ''}
      />
    </>
  );
}

/** One guy alone: what it is tied with and to, and what can be done with it. */
export function GuyAlone({ editing, pegs, report, guy }: Guys & { readonly guy: GuyReport }): ReactElement {
  const { rig, body, kit, edit } = editing;
  const pitch = rig.pitch!;
  const { refused, go } = useDeed(editing);
  const guys = report?.roof.guys.filter((g) => g.kind !== 'tie') ?? [];
  const { key } = guy;
  const own = guyOf(pitch, key);
  const kept = report?.roof.kept.find((k) => k.id === guy.id);
  const short = report?.findings.find((f) => f.code === 'guy-short' && f.about === guy.id);
  const units = useUnits();
  const trees = treeChoices(rig, body, (k) => guys.find((g) => g.key === k)?.name);
  const change = (part: Partial<Guy>): string | null => edit(withGuy(rig, key, part));
  return (
    <>
      <ControlRow>
        <GuyCord guy={own} kit={kit} onChange={change} />
        <GuyHeld
          guy={own}
          pegs={pegs}
          trees={trees.filter((t) => t.id !== guyTree(key))}
          lines={lineChoices(rig, body, guys, guyLine(key))}
          body={body}
          near={[guy.foot[0], guy.foot[1]]}
          lives={guy.kind === 'guy' && guy.holds === 'cloth'}
          onChange={change}
        />
        {guy.stick > 0 && (
          <NumberField
            label="Stick under it"
            value={guy.stick}
            limit={{ ...P.guyStick, min: 0.1 }}
            step={0.05}
            hint="from the ground to the tie-out"
            onCommit={(stick) => change({ stick })}
          />
        )}
      </ControlRow>
      {kept !== undefined && kept.over >= 0 && (
        <Text textStyle="quiet">
          {tell(sayOver(kept.over, kept.secondLine), units) || 'Nothing to speak of is over.'}
        </Text>
      )}
      {short !== undefined && (
        <Problem role="alert">
          <Told said={sentenceOf(short)} />
        </Problem>
      )}
      <Buttons>
        {pitch.own[key] !== undefined && (
          <Button onClick={() => go(withoutOwn(rig, key))}>
            <RotateCcw size={16} aria-hidden="true" /> As all the others
          </Button>
        )}
        {own.foot !== null && !isShared(own.anchor) && (
          <Button onClick={() => go(withGuy(rig, key, { foot: null }))}>Follow the cloth</Button>
        )}
        {guy.kind === 'guy' && (
          <Button onClick={() => go(withGuy(rig, key, { stick: guy.stick > 0 ? 0 : RAISED, foot: null }))}>
            {guy.stick > 0 ? 'Take the stick away' : 'Raise it on a stick'}
          </Button>
        )}
        <Button
          onClick={() => go({ ...rig, pitch: { ...pitch, order: [key, ...pitch.order.filter((k) => k !== key)] } })}
        >
          <ArrowUpToLine size={16} aria-hidden="true" /> Haul it first
        </Button>
        <Button onClick={() => go(withGuy(rig, key, { off: true }))}>Leave it off</Button>
      </Buttons>
      {refused !== null && <Problem role="alert">{refused}</Problem>}
    </>
  );
}

/** What a button does; it has no field to say beside why it cannot be. */
function useDeed({ rig, edit }: Editing): {
  readonly refused: string | null;
  readonly go: (next: RidgeRig) => void;
} {
  const [refused, setRefused] = useState<{ readonly rig: RidgeRig; readonly why: string } | null>(null);
  return {
    refused: refused !== null && refused.rig === rig ? refused.why : null,
    go: (next) => {
      const why = edit(next);
      setRefused(why === null ? null : { rig, why });
    },
  };
}

/** Guys: what all are tied to, and each with its pull; one is changed where it is touched. */
export function GuyControls({
  editing,
  pegs,
  place,
  report,
  chosen,
  onTouch,
}: Guys & {
  /** Where the rig stands, if it stands on a measured place. */
  readonly place: Place | undefined;
  readonly chosen: string | null;
  /** Opens what can be changed of a guy, beside where it was touched. */
  readonly onTouch: (guy: GuyReport, at: Element) => void;
}): ReactElement {
  const { rig, body, edit } = editing;
  const units = useUnits();
  const pitch = rig.pitch!;
  const set = (change: Partial<Pitch>): string | null => edit({ ...rig, pitch: { ...pitch, ...change } });
  const reports = report?.roof.guys.filter((g) => g.kind !== 'tie') ?? [];
  const spares = new Set(report?.roof.topology.spare.map((k) => k.id));
  const keys = Object.keys(pitch.own).filter((key) => pitch.own[key]!.off === true && !spares.has(key));
  const result = report?.roof;
  const trees = useMemo(
    () =>
      result === undefined || place === undefined
        ? []
        : guysToTrees(rig, { body }, result, place).filter((t) => guyOf(rig.pitch!, t.key).anchor.kind === 'peg'),
    [rig, body, result, place],
  );
  const wanting = result?.pegs.some((p) => p.wanted > p.have) === true;
  const { refused, go } = useDeed(editing);
  return (
    <Controls>
      <ControlGroup>
        <h3>All guys and pegs</h3>
        <ControlRow>
          <GuyHeld
            guy={pitch.guy}
            pegs={pegs}
            trees={[]}
            lines={[]}
            body={body}
            onChange={(part) => set({ guy: { ...pitch.guy, ...part } })}
          />
        </ControlRow>
        <PulledPeg pitch={pitch} pegs={pegs} set={set} />
      </ControlGroup>
      <ControlGroup wide>
        {refused !== null && <Problem role="alert">{refused}</Problem>}
        <Sortable
          things={reports.map((g) => ({ id: g.key, name: g.name }))}
          onOrder={(order) => go({ ...rig, pitch: { ...pitch, order } })}
        >
          <Table.Root interactive aria-label="Guys, as they are hauled">
            <Table.Header>
              <Table.Row>
                <Table.ColumnHeader scope="col">Hauled in this order</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Pull</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Rise</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Foot</Table.ColumnHeader>
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {reports.map((g) => (
                <GuyRow
                  key={g.key}
                  guy={g}
                  short={
                    report!.roof.rows.some((r) => r.id === g.id && ratioOf(r) < 1) ||
                    report!.roof.kept.some((k) => k.id === g.id && k.over < 0)
                  }
                  chosen={chosen === g.id}
                  foot={`${footWords(rig, g, reports)}${g.stick > 0 ? `, stick of ${say(g.stick, 'length', units)}` : ''}`}
                  onTouch={onTouch}
                />
              ))}
            </Table.Body>
          </Table.Root>
        </Sortable>
        {keys.length > 0 && (
          <Text textStyle="quiet">
            {keys.length === 1 ? 'One is left off.' : `${keys.length} are left off.`}{' '}
            {keys.map((key) => (
              <Button key={key} onClick={() => go(withGuy(rig, key, { off: false }))}>
                Put {report?.roof.topology.keys.find((k) => k.id === key)?.name ?? key} back
              </Button>
            ))}
          </Text>
        )}
        {report !== null &&
          report.roof.pegs.map((p) => (
            <Text key={p.id} textStyle={p.wanted > p.have ? 'problem' : 'quiet'}>
              {p.wanted} of {p.have} {p.name}
            </Text>
          ))}
        {result !== undefined && result.topology.spare.length > 0 && (
          <Text display="flex" flexWrap="wrap" gap="2px 12px" alignItems="center">
            <Span textStyle="quiet">More tie-outs along its edges:</Span>{' '}
            {result.topology.spare.map((k) => (
              <Button key={k.id} variant="plain" size="xs" onClick={() => go(withGuy(rig, k.id, { off: false }))}>
                Guy at {k.name}
              </Button>
            ))}
          </Text>
        )}
        {trees.length > 0 && (
          <chakra.section aria-label="What could hold a guy here">
            <h3>
              {wanting ? 'Short of pegs: give these to what stands here' : 'What stands here and could hold a guy'}
            </h3>
            <ul>
              {trees.slice(0, 4).map((t) => (
                <li key={t.key}>
                  <span>
                    {capital(t.guy)} to {t.to}{' '}
                    <Span textStyle="quiet">
                      {say(t.distance, 'length', units)}, {say(t.off, 'angle', units)} off its line
                    </Span>
                  </span>
                  <Button onClick={() => go(withGuy(rig, t.key, { anchor: t.anchor, foot: t.foot }))}>Give it</Button>
                </li>
              ))}
            </ul>
            <Text textStyle="quiet">Look up, knock and push before you trust any of them.</Text>
          </chakra.section>
        )}
      </ControlGroup>
    </Controls>
  );
}

/** One guy of the list. */
function GuyRow({
  guy,
  short,
  chosen,
  foot,
  onTouch,
}: {
  readonly guy: GuyReport;
  readonly short: boolean;
  readonly chosen: boolean;
  readonly foot: string;
  readonly onTouch: (guy: GuyReport, at: Element) => void;
}): ReactElement {
  const units = useUnits();
  const { ref, style, grip } = useRow({ id: guy.key, name: guy.name });
  return (
    <Table.Row ref={ref} style={style} {...(short ? { color: 'danger' } : {})}>
      <Table.ColumnHeader scope="row" whiteSpace="nowrap">
        <Button variant="plain" size="xs" aria-pressed={chosen} onClick={(e) => onTouch(guy, e.currentTarget)}>
          {guy.name}
        </Button>
        {grip}
      </Table.ColumnHeader>
      <Table.Cell>{say(guy.tension, 'force', units)}</Table.Cell>
      <Table.Cell>{((guy.rise * 180) / Math.PI).toFixed(0)}°</Table.Cell>
      <Table.Cell>{foot}</Table.Cell>
    </Table.Row>
  );
}

/** Its cord, and how hard it is hauled. */
function GuyCord({
  guy,
  kit,
  onChange,
}: {
  readonly guy: Guy;
  readonly kit: Editing['kit'];
  readonly onChange: (part: Partial<Guy>) => string | null;
}): ReactElement {
  return (
    <>
      <Choice
        label="Cord"
        value={guy.cord}
        options={kit.map((k) => ({ id: k.id, name: k.name }))}
        onChange={(cord) => onChange({ cord })}
      />
      <NumberField
        label="Hauled with"
        value={guy.haul}
        limit={P.haul}
        step={5}
        onCommit={(haul) => onChange({ haul })}
      />
    </>
  );
}

/** How it is made fast, and to what. */
function GuyHeld({
  guy,
  pegs,
  trees,
  lines,
  body,
  near = null,
  lives = true,
  onChange,
}: {
  readonly guy: Guy;
  readonly pegs: readonly KitPegs[];
  readonly trees: readonly TreeChoice[];
  readonly lines: readonly LineChoice[];
  readonly body: BodyMeasures;
  readonly near?: readonly [x: number, y: number] | null;
  /** Whether it can live on the cloth: a guy from its edge. */
  readonly lives?: boolean;
  readonly onChange: (part: Partial<Guy>) => string | null;
}): ReactElement {
  return (
    <>
      <Choice<GuyHitch>
        label="Made fast by"
        value={guy.hitch}
        options={HITCH_OPTIONS}
        onChange={(hitch) => onChange({ hitch })}
      />
      {(guy.hitch === 'adjustable' || guy.hitch === 'elastic') && (
        <NumberField
          whole
          label="Wraps"
          value={guy.wraps}
          limit={P.hitchWraps}
          step={1}
          onCommit={(wraps) => onChange({ wraps })}
        />
      )}
      {guy.hitch === 'elastic' && <ElasticFields elastic={guy.elastic} onChange={(elastic) => onChange({ elastic })} />}
      <TabChoice tab={guy.tab} onChange={(tab) => onChange({ tab })} />
      {lives && (
        <NumberField
          label="Length on the cloth"
          value={guy.kept ?? 0}
          limit={P.kept}
          step={0.5}
          hint={(guy.kept ?? 0) > 0 ? 'as it lives there' : '0: cut to need'}
          onCommit={(kept) => onChange({ kept })}
        />
      )}
      <AnchorFields
        anchor={guy.anchor}
        pegs={pegs}
        trees={trees}
        lines={lines}
        body={body}
        near={near}
        onChange={(anchor) => onChange({ anchor })}
      />
    </>
  );
}
