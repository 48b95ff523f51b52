import { diameterOf } from '@rough-bight/core/anchor';
import { WOODS } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import { RIDGE_LIMITS, measuredSpan } from '@rough-bight/core/rig';
import type { Trunk } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { Choice, Segments, TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { SignList } from '../../parts/sign-list.js';
import { useUnits } from '../../parts/units.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;
const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));

/** The place: how far apart, on what slope, between which trunks. */
export function GroundControls({ rig, body, edit }: Editing): ReactElement {
  const units = useUnits();
  const trunk = (i: 0 | 1, part: Partial<Trunk>): string | null =>
    edit({
      ...rig,
      trunks: i === 0 ? [{ ...rig.trunks[0], ...part }, rig.trunks[1]] : [rig.trunks[0], { ...rig.trunks[1], ...part }],
    });
  return (
    <div className="controls">
      {rig.site !== undefined && (
        <p className="site-line">
          It stands on a drawn place.{' '}
          <Link to={`/places/${rig.site.place}/choose`}>See the plan and its other spans</Link>
        </p>
      )}
      <div className="control-group">
        <h3>Span</h3>
        <Segments
          label="Measured by"
          value={rig.span.how}
          options={[
            { id: 'tape', name: 'Taped' },
            { id: 'paces', name: 'Paced' },
          ]}
          onChange={(how) =>
            edit({
              ...rig,
              span: {
                ...rig.span,
                how,
                ...(how === 'tape' && rig.span.how === 'paces'
                  ? // what was paced is known no better for standing in the other field
                    {
                      tape: Math.round(measuredSpan(rig, body) * 100) / 100,
                      sd: Math.round(1000 * measuredSpan(rig, body) * body.paceSpread) / 1000,
                    }
                  : {}),
              },
            })
          }
        />
        {rig.span.how === 'tape' ? (
          <NumberField
            label="Between the trunks"
            value={rig.span.tape}
            limit={L.span}
            step={0.05}
            hint={
              rig.span.sd === undefined
                ? 'tie to tie, level'
                : `from the ground, known within ${say(1.645 * rig.span.sd, 'length', units)}; typing one here says it was taped`
            }
            onCommit={(tape) => edit({ ...rig, span: { ...rig.span, tape, sd: undefined } })}
          />
        ) : (
          <NumberField
            label="Paces"
            value={rig.span.paces}
            limit={L.paces}
            step={0.5}
            suffix="paces"
            hint={`${say(measuredSpan(rig, body), 'length', units)}, within ${say(body.paceSpread * measuredSpan(rig, body) * 1.645, 'length', units)}`}
            onCommit={(paces) => edit({ ...rig, span: { ...rig.span, paces } })}
          />
        )}
        <NumberField
          label="Ground rises"
          value={rig.groundRise}
          limit={L.groundRise}
          step={0.05}
          hint="at the second trunk"
          onCommit={(groundRise) => edit({ ...rig, groundRise })}
        />
      </div>
      {([0, 1] as const).map((i) => {
        const t = rig.trunks[i];
        return (
          <div className="control-group" key={i}>
            <h3>{i === 0 ? 'First trunk' : 'Second trunk'}</h3>
            <div className="control-row">
              <TextField wide label="Name" value={t.name} max={60} onCommit={(name) => trunk(i, { name })} />
              <Choice label="Wood" value={t.wood} options={WOOD_OPTIONS} onChange={(wood) => trunk(i, { wood })} />
              <NumberField
                label="Girth"
                value={t.girth}
                limit={L.girth}
                step={0.01}
                hint={`${say(diameterOf(t.girth), 'length', units)} through`}
                onCommit={(girth) => trunk(i, { girth })}
              />
            </div>
            <SignList title="Look up" signs={t.signs} onSigns={(signs) => trunk(i, { signs })} />
          </div>
        );
      })}
      <p className="caution">
        A sound-looking tree can be rotten. These numbers only rule trunks out: look up, knock, push; in doubt take
        another or ask an arborist.
      </p>
    </div>
  );
}
