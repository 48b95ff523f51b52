import { SIGNS } from '@rough-bight/core/anchor';
import type { Sign } from '@rough-bight/core/anchor';
import { FEATURES, SOILS, WOODS, likelyWoods, weakestOf } from '@rough-bight/core/catalogue';
import type { Feature } from '@rough-bight/core/catalogue';
import type { Field, Place, Thing, ThingKind, Tree } from '@rough-bight/core/ground';
import {
  KINDS,
  KIND_NAMES,
  PLACE_LIMITS,
  isArea,
  leastCorners,
  rainToFill,
  shownFields,
} from '@rough-bight/core/ground';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { capital, say } from '@rough-bight/core/quantity';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Choice, TextField } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { useUnits } from '../../parts/units.js';
import { NumberField } from '../../parts/number-field.js';
import { KindIcon } from '../../parts/plan-marks.js';
import { SignList } from '../../parts/sign-list.js';
import { withThing, withoutThing } from '../../scene/plan-moves.js';
import type { GroundEditing } from './steps.js';

const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));
const SOIL_OPTIONS = SOILS.map((s) => ({ id: s.id, name: s.name }));

/** What can be put down: take a kind, then touch the plan. */
export function Palette({
  putting,
  onPutting,
}: {
  readonly putting: ThingKind | null;
  readonly onPutting: (kind: ThingKind | null) => void;
}): ReactElement {
  return (
    <div className="palette" role="group" aria-label="Put down">
      {KINDS.map((kind) => (
        <button
          key={kind}
          type="button"
          className="palette-kind"
          aria-pressed={putting === kind}
          onClick={() => onPutting(putting === kind ? null : kind)}
        >
          <KindIcon kind={kind} />
          {capital(KIND_NAMES[kind])}
        </button>
      ))}
    </div>
  );
}

/** Everything about one thing. */
export function ThingControls({
  place,
  edit,
  thing,
  body,
  onGone,
}: GroundEditing & { readonly thing: Thing; readonly body: BodyMeasures; readonly onGone: () => void }): ReactElement {
  const put = (part: Partial<Record<string, unknown>>): null =>
    edit(withThing(place, thing.id, (t) => ({ ...t, ...part }) as Thing));
  const fields = shownFields(thing.kind);
  return (
    <div className="thing-controls">
      <div className="thing-head">
        <KindIcon kind={thing.kind} />
        <TextField
          label={capital(KIND_NAMES[thing.kind])}
          value={thing.name}
          max={60}
          onCommit={(name) => put({ name })}
        />
        <button
          type="button"
          className="icon-button"
          aria-label={`Take ${thing.name} off the plan`}
          onClick={() => {
            edit(withoutThing(place, thing.id));
            onGone();
          }}
        >
          <Trash2 size={18} />
        </button>
      </div>
      <div className="control-row">
        <NumberField
          label="East"
          value={thing.at[0]}
          limit={PLACE_LIMITS.at}
          step={0.1}
          onCommit={(e) => put({ at: [e, thing.at[1]] })}
        />
        <NumberField
          label="North"
          value={thing.at[1]}
          limit={PLACE_LIMITS.at}
          step={0.1}
          onCommit={(n) => put({ at: [thing.at[0], n] })}
        />
        {fields.map((f) =>
          f.key === 'girth' ? (
            <GirthField key="girth" girth={(thing as Tree).girth} body={body} onCommit={(girth) => put({ girth })} />
          ) : (
            <FieldControl key={f.key} field={f} thing={thing} onCommit={(value) => put({ [f.key]: value })} />
          ),
        )}
        {!isArea(thing) && thing.kind !== 'sleep' && thing.kind !== 'hazard' && thing.kind !== 'hollow' && (
          <NumberField
            label="Foot raised"
            value={thing.foot}
            limit={PLACE_LIMITS.foot}
            step={0.05}
            hint="on a bank, over the slope"
            onCommit={(foot) => put({ foot })}
          />
        )}
      </div>
      {isArea(thing) && (
        <p className="corner-tools">
          {thing.outline.length} corners.{' '}
          <button
            type="button"
            className="button button-small"
            onClick={() => {
              const [a, b] = [
                thing.outline.at(-1)!,
                thing.kind === 'keep' || thing.kind === 'soil' ? thing.outline[0]! : thing.outline.at(-2)!,
              ];
              const next =
                thing.kind === 'keep' || thing.kind === 'soil'
                  ? [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
                  : [2 * a[0] - b[0], 2 * a[1] - b[1]];
              put({ outline: [...thing.outline, next] });
            }}
          >
            Add a corner
          </button>{' '}
          <button
            type="button"
            className="button button-small"
            disabled={thing.outline.length <= leastCorners(thing.kind)}
            onClick={() => put({ outline: thing.outline.slice(0, -1) })}
          >
            Take the last away
          </button>
        </p>
      )}
      {thing.kind === 'hollow' && (
        <p>
          Full after <FigureValue figure={rainToFill(place, thing)} band /> of rain.
        </p>
      )}
      {'signs' in thing && <LookUp thing={thing} onSigns={(signs) => put({ signs })} />}
      {'wood' in thing && <WhichTree wood={thing.wood} onWood={(wood) => put({ wood })} />}
      {thing.kind === 'hazard' && (
        <p className="caution">
          Nobody lies, cooks or waits inside its reach, whatever the weather. Tell the land manager.
        </p>
      )}
      {thing.kind === 'pole' && (
        <p className="caution">
          A pole stands on a dug-in foot and hangs on its back-stay: set both before anyone is near it.
        </p>
      )}
    </div>
  );
}

function FieldControl({
  field,
  thing,
  onCommit,
}: {
  readonly field: Field;
  readonly thing: Thing;
  readonly onCommit: (value: unknown) => null;
}): ReactElement | null {
  const value = (thing as unknown as Record<string, unknown>)[field.key];
  switch (field.type) {
    case 'number':
      return (
        <NumberField
          label={field.label}
          value={value as number}
          limit={field.limit}
          step={field.step}
          {...(field.hint === undefined ? {} : { hint: field.hint })}
          onCommit={onCommit}
        />
      );
    case 'bearing':
      return (
        <NumberField
          label={field.label}
          value={value as number}
          limit={PLACE_LIMITS.bearing}
          step={Math.PI / 36}
          hint="from north, clockwise"
          onCommit={onCommit}
        />
      );
    case 'flag':
      return (
        <label className="check">
          <input type="checkbox" checked={value as boolean} onChange={(e) => onCommit(e.target.checked)} />
          {field.label}
        </label>
      );
    case 'choice':
      return (
        <Choice
          label={field.label}
          value={value as string}
          options={field.options.map((o) => ({ id: o, name: o }))}
          onChange={onCommit}
        />
      );
    case 'wood':
      return <Choice label={field.label} value={value as string} options={WOOD_OPTIONS} onChange={onCommit} />;
    case 'soil':
      return (
        <Choice
          label={field.label}
          value={value as string}
          options={SOIL_OPTIONS}
          hint={SOILS.find((s) => s.id === value)?.feel ?? ''}
          onChange={onCommit}
        />
      );
    case 'signs':
    case 'outline':
      return null;
  }
}

/** Girth by a cord laid round, or by hand spans. */
function GirthField({
  girth,
  body,
  onCommit,
}: {
  readonly girth: number;
  readonly body: BodyMeasures;
  readonly onCommit: (girth: number) => null;
}): ReactElement {
  const [by, setBy] = useState<'cord' | 'spans'>('cord');
  const units = useUnits();
  const { min, max } = PLACE_LIMITS.girth;
  return (
    <div className="girth">
      {by === 'cord' ? (
        <NumberField
          label="Girth"
          value={girth}
          limit={PLACE_LIMITS.girth}
          step={0.01}
          hint={`${say(girth / Math.PI, 'length', units)} through`}
          onCommit={onCommit}
        />
      ) : (
        <NumberField
          label="Girth in hand spans"
          value={girth / body.handSpan}
          limit={{ quantity: 'count', min: min / body.handSpan, max: max / body.handSpan }}
          step={0.25}
          suffix="spans"
          hint={`${say(girth, 'length', units)} round`}
          onCommit={(spans) => onCommit(Math.min(max, Math.max(min, Math.round(spans * body.handSpan * 100) / 100)))}
        />
      )}
      <button type="button" className="link-button girth-by" onClick={() => setBy(by === 'cord' ? 'spans' : 'cord')}>
        {by === 'cord' ? 'by hand spans' : 'by a cord'}
      </button>
    </div>
  );
}

function LookUp({
  thing,
  onSigns,
}: {
  readonly thing: Tree;
  readonly onSigns: (signs: readonly Sign[]) => null;
}): ReactElement {
  return (
    <>
      <SignList title="Look up, knock, push" signs={thing.signs} onSigns={onSigns} />
      <p className="caution">
        Any of these rules a tree out. Finding none does not pass it: in doubt take another, or ask an arborist.
      </p>
    </>
  );
}

/** Woods by what anyone can see. */
function WhichTree({ wood, onWood }: { readonly wood: string; readonly onWood: (wood: string) => null }): ReactElement {
  const [seen, setSeen] = useState<readonly Feature[]>([]);
  const likely = likelyWoods(seen);
  const first = likely[0];
  const level = likely.filter((w) => w.fits.length === first?.fits.length && w.against.length === first.against.length);
  const weakest = level.length > 0 ? weakestOf(level.map((w) => w.id)) : null;
  return (
    <details className="signs">
      <summary>Which tree is it?</summary>
      <div className="sign-list">
        {(Object.keys(FEATURES) as Feature[]).map((f) => (
          <label key={f} className="check">
            <input
              type="checkbox"
              checked={seen.includes(f)}
              onChange={(e) => setSeen(e.target.checked ? [...seen, f] : seen.filter((x) => x !== f))}
            />
            {FEATURES[f]}
          </label>
        ))}
      </div>
      {seen.length > 0 && (
        <p role="status">
          {weakest === null
            ? 'No wood here shows all that. Leave it as a tree you cannot name: it is reckoned weaker than any.'
            : `${capital(level.map((w) => w.name).join(' or '))}${level.length > 1 ? ': where they fit alike, the weaker is taken.' : ' fits best.'}`}{' '}
          {weakest !== null && weakest !== wood && (
            <button type="button" className="button button-small" onClick={() => onWood(weakest)}>
              Take {WOODS.find((w) => w.id === weakest)?.name}
            </button>
          )}
        </p>
      )}
    </details>
  );
}

/** The same things as a table. */
export function ThingsTable({
  place,
  edit,
  onSelect,
}: GroundEditing & { readonly onSelect: (id: string) => void }): ReactElement {
  const units = useUnits();
  const set = (id: string, part: Partial<Thing>): null =>
    edit(withThing(place, id, (t) => ({ ...t, ...part }) as Thing));
  return (
    <div className="table-scroll" tabIndex={0} role="region" aria-label="Everything on the plan">
      <table className="rows things">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Kind</th>
            <th scope="col">East</th>
            <th scope="col">North</th>
            <th scope="col">What is known</th>
          </tr>
        </thead>
        <tbody>
          {place.things.map((t) => (
            <tr key={t.id}>
              <th scope="row">
                <button type="button" className="link-button" onClick={() => onSelect(t.id)}>
                  {t.name}
                </button>
              </th>
              <td>{KIND_NAMES[t.kind]}</td>
              <td>
                <NumberField
                  label={`${t.name}, east`}
                  bare
                  value={t.at[0]}
                  limit={PLACE_LIMITS.at}
                  step={0.1}
                  onCommit={(e) => set(t.id, { at: [e, t.at[1]] })}
                />
              </td>
              <td>
                <NumberField
                  label={`${t.name}, north`}
                  bare
                  value={t.at[1]}
                  limit={PLACE_LIMITS.at}
                  step={0.1}
                  onCommit={(n) => set(t.id, { at: [t.at[0], n] })}
                />
              </td>
              <td className="quiet">{knownOf(t, units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function knownOf(t: Thing, units: UnitChoice): string {
  const m = (x: number): string => say(x, 'length', units);
  switch (t.kind) {
    case 'tree':
    case 'sapling':
      return `${WOODS.find((w) => w.id === t.wood)?.name ?? t.wood}, ${m(t.girth)} round${t.signs.length > 0 ? `; ruled out: ${t.signs.map((s) => SIGNS[s]).join(', ')}` : ''}`;
    case 'post':
      return `${m(t.girth)} round, ${m(t.depth)} in the ground${t.fixed ? ', immovable on your word' : ''}`;
    case 'boulder':
    case 'log':
      return `${say(t.mass, 'mass', units)}${t.fixed ? ', immovable on your word' : ''}`;
    case 'hollow':
      return `${m(t.depth)} deep, ${m(t.radius)} to its rim`;
    case 'hazard':
      return `${t.what}, ${m(t.height)}`;
    case 'soil':
      return SOILS.find((s) => s.id === t.soil)?.name ?? t.soil;
    default:
      return '';
  }
}

/** A name that nothing of the place has: "tree 4". */
export function nextName(place: Place, kind: ThingKind): string {
  const base = KIND_NAMES[kind];
  for (let k = place.things.filter((t) => t.kind === kind).length + 1; ; k++)
    if (!place.things.some((t) => t.name === `${base} ${k}`)) return `${base} ${k}`;
}
