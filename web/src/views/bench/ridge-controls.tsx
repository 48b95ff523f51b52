import { ToggleFields } from './toggle-fields.js';
import { cordOf, inOne } from '@rough-bight/core/cordage';
import { ControlGroup, ControlRow, Controls, Facts } from '../../parts/layout.js';
import { Box, Button, Menu, Portal, Span, Text } from '@chakra-ui/react';
import { MoveVertical } from 'lucide-react';
import { BENDS, PULLS, PULL_NAMES, TERMINATIONS, findTermination } from '@rough-bight/core/catalogue';
import type { Pull } from '@rough-bight/core/catalogue';
import { capital, say } from '@rough-bight/core/quantity';
import {
  BOTH_ENDS,
  PURPOSES,
  RIDGE_LIMITS,
  TENSIONINGS,
  bothEnds,
  freshJoined,
  straightDistance,
  tiedAt,
} from '@rough-bight/core/rig';
import type { BothEnds, End, Joined, Purpose, RidgeResult, RidgeRig, Tensioning } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';
import { sayEnd } from '@rough-bight/core/words';
import { lazy, Suspense, useState } from 'react';
import type { ReactElement } from 'react';
import { Check, Choice, Segments } from '../../parts/choice.js';
import { Refused } from '../../parts/field.js';
import { FigureValue } from '../../parts/figure.js';
import { BodyMarkChoice } from '../../parts/body-mark.js';
import { NumberField } from '../../parts/number-field.js';
import { Sheets } from '../../parts/sheets.js';
import { useUnits } from '../../parts/units.js';
import { isLine } from '../../workers/report.js';
import type { Question } from '../../workers/rig.worker.js';
import type { Editing } from './editing.js';

const L = RIDGE_LIMITS;
const TensionSag = lazy(() => import('./tension-sag.js'));

const HOW: Readonly<Record<Tensioning, string>> = {
  tension: 'Tension',
  sag: 'Sag',
  dip: 'Dip test',
  passes: 'Passes',
  pulley: 'Pulley hitch',
};
const METHODS = TENSIONINGS.map((id) => ({ id, name: HOW[id] }));

/** The line: heights, cord, ends, and how it was made tight. */
export function RidgeControls({
  editing,
  report,
  question,
}: {
  readonly editing: Editing;
  readonly report: RigReport | null;
  /** Asked of the line alone; null where a roof is pitched on it, and while something moves. */
  readonly question: Question | null;
}): ReactElement {
  const { rig, edit } = editing;
  const bare = report !== null && isLine(report) ? report : null;
  return (
    <Sheets
      label="Of the ridge"
      of={[
        { id: 'tight', name: 'How tight', sheet: <HowTight editing={editing} report={report} /> },
        { id: 'line', name: 'Cord and ends', sheet: <CordAndEnds editing={editing} line={bare?.line ?? null} /> },
        ...(rig.pitch !== undefined
          ? []
          : [
              {
                id: 'chart',
                name: 'Tension and sag',
                sheet: (
                  <Suspense fallback={<Text textStyle="quiet">Drawing…</Text>}>
                    <TensionSag
                      question={question}
                      report={bare}
                      onHaul={(tension) => edit({ ...rig, tensioning: { ...rig.tensioning, how: 'tension', tension } })}
                    />
                  </Suspense>
                ),
              },
            ]),
      ]}
    />
  );
}

/** What it is of, what for, and how it is tied at each end. */
function CordAndEnds({
  editing,
  line,
}: {
  readonly editing: Editing;
  readonly line: RidgeResult | null;
}): ReactElement {
  const { rig, kit, edit } = editing;
  const units = useUnits();
  const known = kit.some((k) => k.id === rig.cord);
  return (
    <Controls>
      <ControlGroup>
        <h3>Cord</h3>
        <Choice
          label="From the kit"
          value={known ? rig.cord : ''}
          options={[
            ...(known ? [] : [{ id: '', name: 'choose a cord' }]),
            ...kit.map((k) => ({
              id: k.id,
              name: `${k.name} (${cordOf(k)?.name ?? k.cord}), ${say(k.length, 'length', units)}`,
            })),
          ]}
          onChange={(cord) => edit({ ...rig, cord })}
          {...(line === null ? {} : { hint: `${say(line.cordNeeded.value, 'length', units)} wanted in hand` })}
        />
        <JoinedFields editing={editing} />
        <Choice
          label="It is for"
          value={rig.use}
          options={[
            { id: 'ridge', name: 'a ridge or guy' },
            { id: 'hangers', name: 'a ridge with things hung on it' },
            { id: 'person', name: 'something that carries a person' },
          ]}
          onChange={(use) => edit({ ...rig, use })}
        />
      </ControlGroup>
      {([0, 1] as const).map((i) => (
        <ControlGroup key={i}>
          <h3>At {rig.trunks[i].name}</h3>
          <TieFields editing={editing} i={i} />
        </ControlGroup>
      ))}
    </Controls>
  );
}

/** Another cord that the line goes on in, where one is too short. */
function JoinedFields({ editing: { rig, kit, body, edit } }: { readonly editing: Editing }): ReactElement {
  const { joined, ...single } = rig;
  const set = (part: Partial<Joined>): string | null => edit({ ...rig, joined: { ...joined!, ...part } });
  const other = kit.find((k) => k.id !== rig.cord) ?? kit[0];
  const first = kit.find((k) => k.id === rig.cord);
  return (
    <>
      <Check
        checked={joined !== undefined}
        onChange={(on) =>
          edit(
            on && other !== undefined
              ? {
                  ...rig,
                  joined: freshJoined(other.id, first === undefined ? 0 : inOne(first), straightDistance(rig, body)),
                }
              : single,
          )
        }
      >
        Too short: it goes on in another
      </Check>
      {joined !== undefined && (
        <ControlRow>
          <Choice
            label="Goes on in"
            value={joined.cord}
            options={kit.map((k) => ({ id: k.id, name: k.name }))}
            onChange={(cord) => set({ cord })}
          />
          <Choice
            label="Joined by"
            value={joined.bend}
            options={BENDS.map((b) => ({ id: b.id, name: b.name }))}
            hint={BENDS.find((b) => b.id === joined.bend)?.words ?? ''}
            onChange={(bend) => set({ bend })}
          />
          <NumberField
            label="At"
            value={joined.at}
            limit={L.at}
            step={0.05}
            hint="from the first tie"
            onCommit={(at) => set({ at })}
          />
        </ControlRow>
      )}
    </>
  );
}

/** How it is made tight, how much sag still counts as that, and what it comes to. */
function HowTight({
  editing: { rig, edit },
  report,
}: {
  readonly editing: Editing;
  readonly report: RigReport | null;
}): ReactElement {
  const units = useUnits();
  const line = report !== null && isLine(report) ? report.line : null;
  return (
    <Controls>
      <ControlGroup wide>
        <h3>Made tight by</h3>
        <Segments
          label="Made tight by"
          value={rig.tensioning.how}
          options={METHODS}
          onChange={(how) => edit({ ...rig, tensioning: { ...rig.tensioning, how } })}
        />
        <NumberField
          label="Most sag that is still tight"
          value={rig.tightness}
          limit={L.tightness}
          step={0.005}
          suffix="% of span"
          {...(line === null ? {} : { hint: `${say(line.sagLimit, 'length', units)} here` })}
          onCommit={(tightness) => edit({ ...rig, tightness })}
        />
      </ControlGroup>
      <ControlGroup>
        <h3>Which comes to</h3>
        {report !== null && (line === null ? <RoofFacts report={report} /> : <LineFacts line={line} />)}
      </ControlGroup>
    </Controls>
  );
}

/** How tight a bare line then is. */
function LineFacts({ line }: { readonly line: RidgeResult }): ReactElement {
  return (
    <Facts>
      <dt>straight and bare</dt>
      <dd>
        <FigureValue figure={line.pretension} band />
      </dd>
      <dt>with its loads</dt>
      <dd>
        <FigureValue figure={line.tension} band />
      </dd>
      <dt>sag</dt>
      <dd>
        <FigureValue figure={line.sag} band />
      </dd>
      {line.hauling.slice(0, 2).map((f, i) => (
        <Box display="contents" key={f.symbol}>
          <dt>{i === 0 ? 'the hitch gains' : 'hauled'}</dt>
          <dd>
            <FigureValue figure={f} />
          </dd>
        </Box>
      ))}
      <dt>travel wanted</dt>
      <dd>
        <FigureValue figure={line.travel.needed} />
      </dd>
    </Facts>
  );
}

/** How tight a line then is that carries a roof: as pitched, and at its hardest. */
function RoofFacts({ report }: { readonly report: RigReport }): ReactElement {
  const units = useUnits();
  const rows = report.rows.filter((r) => r.role === 'ridge' || r.role === 'tie');
  return (
    <Facts>
      {rows.map((r) => (
        <Box display="contents" key={r.id}>
          <dt>{r.name}, as pitched</dt>
          <dd>{say(r.pitched, 'force', units)}</dd>
          <dt>{report.full ? 'at its hardest' : 'now'}</dt>
          <dd>
            <FigureValue figure={r.demand} band />
          </dd>
        </Box>
      ))}
      {report.roof !== null && report.roof.sag !== null && (
        <>
          <dt>sag with the roof on</dt>
          <dd>{say(report.roof.sag, 'length', units)}</dd>
        </>
      )}
    </Facts>
  );
}

/** Puts another tie height in place. */
const tied = ({ rig, edit }: Editing, i: 0 | 1, tieHeight: number): string | null =>
  edit({
    ...rig,
    trunks: rig.trunks.map((t, k) => (k === i ? { ...t, tieHeight } : t)) as unknown as RidgeRig['trunks'],
  });

/** How high it is tied, and how tight. */
export function RidgeQuick({ editing }: { readonly editing: Editing }): ReactElement {
  const { rig } = editing;
  return (
    <>
      {([0, 1] as const).map((i) => (
        <NumberField
          key={i}
          label={i === 0 ? 'First tie' : 'Second tie'}
          hint={rig.trunks[i].name}
          value={rig.trunks[i].tieHeight}
          limit={L.tieHeight}
          step={0.05}
          onCommit={(h) => tied(editing, i, h)}
        />
      ))}
      <BothEndsMenu editing={editing} />
      <TensioningFields editing={editing} />
    </>
  );
}

const LEVELS = { level: 'Level', 'first-low': 'Falling to the first end', 'second-low': 'Falling to the second end' };

/** Both ends by one touch: level, sloped on purpose, or as high as what it is for wants. */
function BothEndsMenu({ editing: { rig, body, edit } }: { readonly editing: Editing }): ReactElement {
  const units = useUnits();
  const [refused, setRefused] = useState<string | null>(null);
  return (
    <Box alignSelf="center" flex="none !important">
      <Menu.Root
        onSelect={({ value }) => setRefused(edit(tiedAt(rig, bothEnds(rig, body, value as BothEnds))) ?? null)}
      >
        <Menu.Trigger asChild>
          <Button>
            <MoveVertical size={16} aria-hidden="true" /> Both ends
          </Button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              {BOTH_ENDS.map((to) => {
                const [a, b] = bothEnds(rig, body, to);
                const purpose = to in PURPOSES ? PURPOSES[to as Purpose] : null;
                return (
                  <Menu.Item key={to} value={to}>
                    {purpose === null ? LEVELS[to as keyof typeof LEVELS] : capital(purpose.name)}
                    <Span textStyle="quiet">
                      {purpose === null ? '' : `${purpose.why}: `}
                      {a === b ? say(a, 'length', units) : `${say(a, 'length', units)} and ${say(b, 'length', units)}`}
                    </Span>
                  </Menu.Item>
                );
              })}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      <Refused>{refused}</Refused>
    </Box>
  );
}

/** One end: its hitch, wraps and height. */
export function TieFields({ editing, i }: { readonly editing: Editing; readonly i: 0 | 1 }): ReactElement {
  const { rig, body, edit } = editing;
  const end = (change: Partial<End>): string | null =>
    edit({ ...rig, ends: rig.ends.map((e, k) => (k === i ? { ...e, ...change } : e)) as unknown as RidgeRig['ends'] });
  return (
    <ControlRow>
      <Choice
        wide
        label="Hitch"
        value={rig.ends[i].termination}
        options={TERMINATIONS.map((t) => ({ id: t.id, name: t.name }))}
        hint={sayEnd(findTermination(rig.ends[i].termination)!)}
        onChange={(termination) => end({ termination })}
      />
      <NumberField
        label="Wraps"
        value={rig.ends[i].wraps}
        whole
        limit={L.wraps}
        step={1}
        onCommit={(wraps) => end({ wraps })}
      />
      {findTermination(rig.ends[i].termination)?.toggled === true && (
        <ToggleFields toggle={rig.ends[i].toggle} onChange={(toggle) => end({ toggle })} />
      )}
      <NumberField
        label="Tie height"
        value={rig.trunks[i].tieHeight}
        limit={L.tieHeight}
        step={0.05}
        onCommit={(h) => tied(editing, i, h)}
      />
      <BodyMarkChoice height={rig.trunks[i].tieHeight} body={body} onHeight={(h) => tied(editing, i, h)} />
    </ControlRow>
  );
}

/** How it was made tight, in the numbers of that way. */
export function TensioningFields({ editing }: { readonly editing: Editing }): ReactElement {
  const { rig, edit } = editing;
  const t = rig.tensioning;
  const set = (part: Partial<RidgeRig['tensioning']>): string | null => edit({ ...rig, tensioning: { ...t, ...part } });
  switch (t.how) {
    case 'tension':
      return (
        <NumberField
          label="Tension at tying off"
          value={t.tension}
          limit={L.tension}
          step={10}
          hint="straight, nothing on it"
          onCommit={(tension) => set({ tension })}
        />
      );
    case 'sag':
      return (
        <NumberField
          label="Sag with everything on"
          value={t.sag}
          limit={L.sag}
          step={0.01}
          hint="largest drop below tie to tie"
          onCommit={(sag) => set({ sag })}
        />
      );
    case 'dip':
      return (
        <>
          <NumberField
            label="Test mass"
            value={t.dip.mass}
            limit={L.testMass}
            step={0.1}
            hint="a full bottle, weighed"
            onCommit={(mass) => set({ dip: { ...t.dip, mass } })}
          />
          <NumberField
            label="Hung at"
            value={t.dip.at}
            limit={L.at}
            step={0.05}
            hint="from the first tie"
            onCommit={(at) => set({ dip: { ...t.dip, at } })}
          />
          <NumberField
            label="It drops by"
            value={t.dip.drop}
            limit={L.dip}
            step={0.005}
            hint="on the bare line"
            onCommit={(drop) => set({ dip: { ...t.dip, drop } })}
          />
        </>
      );
    case 'passes':
      return (
        <>
          <NumberField
            label="Passes round the trunk"
            value={t.passes.count}
            whole
            limit={L.passes}
            step={1}
            onCommit={(count) => set({ passes: { ...t.passes, count } })}
          />
          <NumberField
            label="Each takes in"
            value={t.passes.takeUp}
            limit={L.takeUp}
            step={0.005}
            hint="since just straight"
            onCommit={(takeUp) => set({ passes: { ...t.passes, takeUp } })}
          />
        </>
      );
    case 'pulley':
      return (
        <>
          <Choice
            label="Hauled with"
            value={t.pulley.pull}
            options={(Object.keys(PULLS) as Pull[]).map((id) => ({ id, name: PULL_NAMES[id] }))}
            onChange={(pull) => set({ pulley: { ...t.pulley, pull } })}
          />
          <NumberField
            label="Loop out from trunk"
            value={t.pulley.loopOut}
            limit={L.loopOut}
            step={0.05}
            onCommit={(loopOut) => set({ pulley: { ...t.pulley, loopOut } })}
          />
          <NumberField
            label="Lost on tying off"
            value={t.pulley.setBack}
            limit={L.setBack}
            step={0.005}
            onCommit={(setBack) => set({ pulley: { ...t.pulley, setBack } })}
          />
        </>
      );
  }
}
