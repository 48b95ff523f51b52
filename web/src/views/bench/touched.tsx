import { WALL_NAMES } from '@rough-bight/core/around';
import { Button, IconButton, Popover, Portal } from '@chakra-ui/react';
import { PITCH_LIMITS } from '@rough-bight/core/rig';
import { capital } from '@rough-bight/core/quantity';
import type { KitPegs } from '@rough-bight/core/support';
import { X } from 'lucide-react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { ControlRow, PanelHead } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import type { RoofReport } from '../../workers/report.js';
import { EndFields } from './bed-controls.js';
import type { BedProps } from './bed-controls.js';
import { BearingField } from './bearing-field.js';
import type { Editing } from './editing.js';
import { TrunkFields } from './ground-controls.js';
import { FireFields, WallFields } from './around-controls.js';
import { LyingFields } from './under-controls.js';
import { GuyAlone } from './guy-controls.js';
import { HungFields } from './hang-controls.js';
import { TensioningFields, TieFields } from './ridge-controls.js';
import { HitchFields } from './roof-controls.js';
import type { Thing, Touched } from './things.js';
import { guyOfRow } from './things.js';

interface Props {
  readonly touched: Touched | null;
  readonly editing: Editing;
  readonly pegs: readonly KitPegs[];
  readonly report: RoofReport | null;
  /** What the bed's own fields want; null without a bed. */
  readonly bed: BedProps | null;
  readonly onClose: () => void;
}

/** The few numbers of what was touched, beside it. */
export default function TouchedThing({ touched, onClose, ...props }: Props): ReactElement {
  const found = touched === null ? null : opened(touched.thing, props, onClose);
  return (
    <Popover.Root
      open={found !== null}
      onOpenChange={(e) => !e.open && onClose()}
      lazyMount
      unmountOnExit
      positioning={{
        getAnchorRect: () => touched?.at ?? null,
        placement: 'right-start',
        gutter: 14,
        overflowPadding: 8,
        // on a phone there is no room beside what was touched: it lies over it, whole
        overlap: true,
      }}
      finalFocusEl={() => touched?.from as HTMLElement | null}
    >
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            aria-label={found?.name ?? ''}
            maxHeight="min(70dvh, 460px)"
            overflowY="auto"
            width="min(400px, calc(100vw - 16px))"
            css={{ '& :has(> * > select)': { flexBasis: '168px' } }}
          >
            {found !== null && (
              <>
                <PanelHead>
                  <Popover.Title paddingTop="10px">{capital(found.name)}</Popover.Title>
                  <Popover.CloseTrigger asChild>
                    <IconButton variant="ghost" aria-label="Close">
                      <X size={18} />
                    </IconButton>
                  </Popover.CloseTrigger>
                </PanelHead>
                {found.fields}
              </>
            )}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

/** A thing's name and fields; null where it is no longer there. */
function opened(
  thing: Thing,
  { editing, pegs, report, bed }: Omit<Props, 'touched' | 'onClose'>,
  onClose: () => void,
): { readonly name: string; readonly fields: ReactElement } | null {
  const { rig, edit } = editing;
  const { pitch } = rig;
  switch (thing.is) {
    case 'trunk':
      return {
        name: rig.trunks[thing.index].name,
        fields: (
          <>
            <TieFields editing={editing} i={thing.index} />
            <TrunkFields {...editing} i={thing.index} />
          </>
        ),
      };
    case 'line':
      return {
        name: 'the ridgeline',
        fields: (
          <ControlRow>
            <Choice
              label="Cord"
              value={rig.cord}
              options={editing.kit.map((k) => ({ id: k.id, name: k.name }))}
              onChange={(cord) => edit({ ...rig, cord })}
            />
            <TensioningFields editing={editing} />
          </ControlRow>
        ),
      };
    case 'hung':
      return rig.hung[thing.index] === undefined
        ? null
        : {
            name: rig.hung[thing.index]!.name || 'what hangs here',
            fields: (
              <ControlRow>
                <HungFields rig={rig} edit={edit} i={thing.index} />
              </ControlRow>
            ),
          };
    case 'guy': {
      const guy = pitch === undefined ? undefined : guyOfRow(thing.row, report);
      return guy === undefined
        ? null
        : {
            name: guy.name,
            fields: <GuyAlone editing={editing} pegs={pegs} report={report} guy={guy} />,
          };
    }
    case 'hitch':
      return pitch === undefined
        ? null
        : {
            name: thing.index === 0 ? 'first hitch' : 'second hitch',
            fields: <HitchFields editing={editing} i={thing.index} />,
          };
    case 'edge':
      return pitch === undefined
        ? null
        : {
            name: thing.index === 0 ? 'left edge' : 'right edge',
            fields: (
              <NumberField
                label="Over the ground"
                value={pitch.shape.edges[thing.index]}
                limit={PITCH_LIMITS.edge}
                step={0.05}
                hint="at nothing it is pegged down"
                onCommit={(z) => {
                  const [a, b] = pitch.shape.edges;
                  const edges = thing.index === 0 ? ([z, b] as const) : ([a, z] as const);
                  return edit({ ...rig, pitch: { ...pitch, shape: { ...pitch.shape, edges } } });
                }}
              />
            ),
          };
    case 'roof':
      return pitch === undefined
        ? null
        : {
            name: 'the roof',
            fields: (
              <ControlRow>
                <NumberField
                  label="Middle of the roof"
                  value={pitch.middle}
                  limit={PITCH_LIMITS.middle}
                  step={0.05}
                  hint="from the first tie"
                  onCommit={(middle) => edit({ ...rig, pitch: { ...pitch, middle } })}
                />
                <NumberField
                  label="Stretched along the ridge with"
                  value={pitch.spread}
                  limit={PITCH_LIMITS.spread}
                  step={5}
                  onCommit={(spread) => edit({ ...rig, pitch: { ...pitch, spread } })}
                />
              </ControlRow>
            ),
          };
    case 'wind':
      return pitch === undefined
        ? null
        : {
            name: 'wind and bearing',
            fields: (
              <ControlRow>
                <BearingField
                  label="Wind from"
                  value={pitch.windFrom}
                  onCommit={(windFrom) => edit({ ...rig, pitch: { ...pitch, windFrom } })}
                />
                <BearingField
                  label="The span runs toward"
                  value={pitch.bearing}
                  onCommit={(bearing) => edit({ ...rig, pitch: { ...pitch, bearing } })}
                />
              </ControlRow>
            ),
          };
    case 'lying': {
      const lying = rig.under?.find((l) => l.id === thing.id);
      return lying === undefined
        ? null
        : {
            name: lying.name === '' ? lying.kind : lying.name,
            fields: (
              <>
                <LyingFields editing={editing} lying={lying} under={report?.roof.under ?? null} />
                <Button
                  onClick={() => {
                    edit({ ...rig, under: rig.under!.filter((l) => l.id !== lying.id) });
                    onClose();
                  }}
                >
                  Take it out
                </Button>
              </>
            ),
          };
    }
    case 'wall': {
      const wall = rig.walls?.find((w) => w.id === thing.id);
      return wall === undefined
        ? null
        : { name: WALL_NAMES[wall.kind], fields: <WallFields editing={editing} wall={wall} onGone={onClose} /> };
    }
    case 'fire':
      return rig.fire === undefined
        ? null
        : {
            name: 'the fire',
            fields: (
              <FireFields editing={editing} fire={rig.fire} result={report?.roof.fire ?? null} onGone={onClose} />
            ),
          };
    case 'end':
      return bed === null
        ? null
        : {
            name: thing.index === 0 ? 'the bed’s first end' : 'the bed’s second end',
            fields: <EndFields i={thing.index} {...bed} />,
          };
  }
}
