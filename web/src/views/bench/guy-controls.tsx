import { Button, Table } from '@chakra-ui/react';
import { SOILS } from '@rough-bight/core/catalogue';
import type { Place } from '@rough-bight/core/ground';
import { guysToTrees } from '@rough-bight/core/pitch';
import { ratioOf } from '@rough-bight/core/rig';
import type { GuyReport } from '@rough-bight/core/pitch';
import { capital, say } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { GUY_HITCHES, PITCH_LIMITS, guyOf, treeOf } from '@rough-bight/core/rig';
import type { Guy, GuyHitch, Pitch, RidgeRig } from '@rough-bight/core/rig';
import type { KitPegs } from '@rough-bight/core/support';
import { guyLine, guyTree, isHold, isShared, keyOfLine, lineOfHold } from '@rough-bight/core/support';
import { ArrowUpToLine, RotateCcw } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { withGuy, withoutOwn } from '../../scene/pitch-moves.js';
import type { RoofReport } from '../../workers/report.js';
import { AnchorFields, lineChoices, treeChoices } from './anchor-fields.js';
import type { LineChoice, TreeChoice } from './anchor-fields.js';
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

/** Guys: what they are tied with and to, one by one or all alike. */
export function GuyControls({
  editing,
  pegs,
  place,
  report,
  chosen,
  onChoose,
}: {
  readonly editing: Editing;
  readonly pegs: readonly KitPegs[];
  /** Where the rig stands, if it stands on a measured place. */
  readonly place: Place | undefined;
  readonly report: RoofReport | null;
  readonly chosen: string | null;
  readonly onChoose: (row: string | null) => void;
}): ReactElement {
  const { rig, body, kit, edit } = editing;
  const units = useUnits();
  const pitch = rig.pitch!;
  const set = (change: Partial<Pitch>): string | null => edit({ ...rig, pitch: { ...pitch, ...change } });
  const reports = report?.roof.guys.filter((g) => g.kind !== 'tie') ?? [];
  // what holds several is told with the line that has it
  const held = chosen !== null && isHold(chosen) ? keyOfLine(lineOfHold(chosen)) : null;
  const picked = reports.find((g) => g.id === chosen || g.key === held);
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
  const [refused, setRefused] = useState<{ readonly rig: RidgeRig; readonly why: string } | null>(null);
  /** What a button does; it has no field to say beside why it cannot be. */
  const go = (next: RidgeRig): void => {
    const why = edit(next);
    setRefused(why === null ? null : { rig, why });
  };
  const cords = kit.map((k) => ({ id: k.id, name: k.name }));
  const choices = treeChoices(rig, body, (key) => reports.find((g) => g.key === key)?.name);
  return (
    <div className="controls">
      <div className="control-group control-group-wide">
        {picked === undefined ? (
          <>
            <h3>All guys and pegs</h3>
            <GuyFields
              guy={pitch.guy}
              cords={cords}
              pegs={pegs}
              trees={[]}
              lines={[]}
              body={body}
              onChange={(part) => set({ guy: { ...pitch.guy, ...part } })}
            />
            <Choice
              label="Ground"
              value={pitch.soil}
              options={SOIL_OPTIONS}
              onChange={(soil) => set({ soil })}
              hint={SOILS.find((s) => s.id === pitch.soil)?.feel ?? ''}
            />
            <PulledPeg pitch={pitch} pegs={pegs} set={set} />
          </>
        ) : (
          <>
            <h3>
              {capital(picked.name)} alone <Button onClick={() => onChoose(null)}>Done</Button>
            </h3>
            <GuyFields
              guy={guyOf(pitch, picked.key)}
              cords={cords}
              pegs={pegs}
              trees={choices.filter((t) => t.id !== guyTree(picked.key))}
              lines={lineChoices(rig, body, reports, guyLine(picked.key))}
              body={body}
              near={[picked.foot[0], picked.foot[1]]}
              onChange={(part) => edit(withGuy(rig, picked.key, part))}
            />
            {picked.stick > 0 && (
              <NumberField
                label="Stick under it"
                value={picked.stick}
                limit={{ ...P.guyStick, min: 0.1 }}
                step={0.05}
                hint="from the ground to the tie-out"
                onCommit={(stick) => edit(withGuy(rig, picked.key, { stick }))}
              />
            )}
            <div className="verdict-buttons">
              {pitch.own[picked.key] !== undefined && (
                <Button onClick={() => go(withoutOwn(rig, picked.key))}>
                  <RotateCcw size={16} aria-hidden="true" /> As all the others
                </Button>
              )}
              {guyOf(pitch, picked.key).foot !== null && !isShared(guyOf(pitch, picked.key).anchor) && (
                <Button onClick={() => go(withGuy(rig, picked.key, { foot: null }))}>Follow the cloth</Button>
              )}
              {picked.kind === 'guy' && (
                <Button
                  onClick={() => go(withGuy(rig, picked.key, { stick: picked.stick > 0 ? 0 : RAISED, foot: null }))}
                >
                  {picked.stick > 0 ? 'Take the stick away' : 'Raise it on a stick'}
                </Button>
              )}
              <Button onClick={() => set({ order: [picked.key, ...pitch.order.filter((k) => k !== picked.key)] })}>
                <ArrowUpToLine size={16} aria-hidden="true" /> Haul it first
              </Button>
              <Button onClick={() => go(withGuy(rig, picked.key, { off: true }))}>Leave it off</Button>
            </div>
          </>
        )}
      </div>
      <div className="control-group control-group-wide">
        {refused !== null && refused.rig === rig && (
          <p className="field-problem" role="alert">
            {refused.why}
          </p>
        )}
        <Table.Root interactive>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader scope="col">Guy</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Pull</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Rise</Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Foot</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {reports.map((g) => {
              const row = report!.roof.rows.find((r) => r.id === g.id);
              return (
                <Table.Row key={g.id} className={row !== undefined && ratioOf(row) < 1 ? 'guy-bad' : ''}>
                  <Table.ColumnHeader scope="row">
                    <Button
                      variant="plain"
                      size="xs"
                      aria-pressed={chosen === g.id}
                      onClick={() => onChoose(chosen === g.id ? null : g.id)}
                    >
                      {g.name}
                    </Button>
                  </Table.ColumnHeader>
                  <Table.Cell>{say(g.tension, 'force', units)}</Table.Cell>
                  <Table.Cell>{((g.rise * 180) / Math.PI).toFixed(0)}°</Table.Cell>
                  <Table.Cell>
                    {footWords(rig, g, reports)}
                    {g.stick > 0 ? `, stick of ${say(g.stick, 'length', units)}` : ''}
                  </Table.Cell>
                </Table.Row>
              );
            })}
          </Table.Body>
        </Table.Root>
        {keys.length > 0 && (
          <p className="quiet">
            {keys.length === 1 ? 'One is left off.' : `${keys.length} are left off.`}{' '}
            {keys.map((key) => (
              <Button key={key} onClick={() => go(withGuy(rig, key, { off: false }))}>
                Put {report?.roof.topology.keys.find((k) => k.id === key)?.name ?? key} back
              </Button>
            ))}
          </p>
        )}
        {report !== null &&
          report.roof.pegs.map((p) => (
            <p key={p.id} className={p.wanted > p.have ? 'field-problem' : 'quiet'}>
              {p.wanted} of {p.have} {p.name}
            </p>
          ))}
        {result !== undefined && result.topology.spare.length > 0 && (
          <p className="spare-guys">
            <span className="quiet">More tie-outs along its edges:</span>{' '}
            {result.topology.spare.map((k) => (
              <Button key={k.id} onClick={() => go(withGuy(rig, k.id, { off: false }))}>
                Guy at {k.name}
              </Button>
            ))}
          </p>
        )}
        {trees.length > 0 && (
          <section className="to-trees" aria-label="What could hold a guy here">
            <h3>
              {wanting ? 'Short of pegs: give these to what stands here' : 'What stands here and could hold a guy'}
            </h3>
            <ul>
              {trees.slice(0, 4).map((t) => (
                <li key={t.key}>
                  <span>
                    {capital(t.guy)} to {t.to}{' '}
                    <span className="quiet">
                      {say(t.distance, 'length', units)}, {say(t.off, 'angle', units)} off its line
                    </span>
                  </span>
                  <Button onClick={() => go(withGuy(rig, t.key, { anchor: t.anchor, foot: t.foot }))}>Give it</Button>
                </li>
              ))}
            </ul>
            <p className="quiet">Look up, knock and push before you trust any of them.</p>
          </section>
        )}
      </div>
    </div>
  );
}

function GuyFields({
  guy,
  cords,
  pegs,
  trees,
  lines,
  body,
  near = null,
  onChange,
}: {
  readonly guy: Guy;
  readonly cords: readonly { readonly id: string; readonly name: string }[];
  readonly pegs: readonly KitPegs[];
  readonly trees: readonly TreeChoice[];
  readonly lines: readonly LineChoice[];
  readonly body: BodyMeasures;
  readonly near?: readonly [x: number, y: number] | null;
  readonly onChange: (part: Partial<Guy>) => string | null;
}): ReactElement {
  const { anchor } = guy;
  return (
    <div className="control-row">
      <Choice label="Cord" value={guy.cord} options={cords} onChange={(cord) => onChange({ cord })} />
      <NumberField
        label="Hauled with"
        value={guy.haul}
        limit={P.haul}
        step={5}
        onCommit={(haul) => onChange({ haul })}
      />
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
      <AnchorFields
        anchor={anchor}
        pegs={pegs}
        trees={trees}
        lines={lines}
        body={body}
        near={near}
        onChange={(next) => onChange({ anchor: next })}
      />
    </div>
  );
}
