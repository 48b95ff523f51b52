import { loopAt, webbingOf } from '@rough-bight/core/bed';
import { ADJUSTMENTS, SUN, WEAR, acrossOf, findBedCloth, findCloth } from '@rough-bight/core/catalogue';
import { cordOf, onHand } from '@rough-bight/core/cordage';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { sayGiven } from '@rough-bight/core/quantity';
import type { Kit, KitList } from '@rough-bight/core/rig';
import { freshRoof } from '@rough-bight/core/roof';
import { pegOf } from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import type { DocumentForm } from '../../parts/document-form.js';
import { RoofShape } from '../../parts/roof-shape.js';
import { BED_SCALE, BedDrawn, StrapsDrawn } from './drawn/bed-drawn.js';
import { HANK_SCALE, HankDrawn, PIECE_SCALE, PieceDrawn } from './drawn/cord-drawn.js';
import { PEG_SCALE, PegsDrawn } from './drawn/pegs-drawn.js';
import { ScaleBar } from './drawn/scale-bar.js';
import { BedFields } from './fields/bed-fields.js';
import { CordFields } from './fields/cord-fields.js';
import { PegsFields } from './fields/pegs-fields.js';
import { RoofFields } from './fields/roof-fields.js';
import { StrapsFields } from './fields/straps-fields.js';

type Thing<L extends KitList> = Kit[L][number];

/** What one list of the kit is on the page. */
export interface KitKind<L extends KitList> {
  readonly title: string;
  /** What to do where there is none. */
  readonly empty: string;
  /** What one more is called on its button, and what it begins as. */
  readonly add: string;
  readonly fresh: Omit<Thing<L>, 'id'>;
  /** What its drawings are to the scale of. */
  readonly scales: ReactElement;
  /** All of it, counted. */
  readonly total: (things: Kit[L], units: UnitChoice) => string;
  /** Things alike lie beside each other. */
  readonly order: (a: Thing<L>, b: Thing<L>) => number;
  readonly drawn: (thing: Thing<L>) => ReactElement;
  /** Its few measures. */
  readonly told: (thing: Thing<L>, units: UnitChoice) => string;
  readonly fields: (of: DocumentForm<Thing<L>>, thing: Thing<L>, body: BodyMeasures) => ReactElement;
}

/** Pixels a metre: roofs, and the width of webbing. */
const ROOF_SCALE = 28;
const WEBBING_SCALE = 1300;

const byName = (a: { readonly name: string }, b: { readonly name: string }): number => a.name.localeCompare(b.name);
const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

export const KIT_KINDS: { readonly [L in KitList]: KitKind<L> } = {
  cords: {
    title: 'Cord',
    empty: 'No cord in the kit. Add a hank and say how long it is.',
    add: 'Add a hank',
    fresh: { name: 'new hank', cord: 'nylon-550-4', length: 10, sun: 'new', wear: 'sound' },
    scales: (
      <>
        <ScaleBar size={0.1} scale={HANK_SCALE} of="hank" />
        <ScaleBar size={0.005} scale={PIECE_SCALE} quantity="diameter" of="cord" />
      </>
    ),
    total: (hanks, units) =>
      `${many(hanks.length, 'hank')}, ${sayGiven(
        hanks.reduce((sum, h) => sum + onHand(h), 0),
        'length',
        units,
      )}`,
    order: (a, b) => a.cord.localeCompare(b.cord) || b.length - a.length,
    drawn: (hank) => {
      const cord = cordOf(hank);
      const thick = cord === undefined ? 0.004 : cord.diameter;
      const wide = cord === undefined ? 0.004 : acrossOf(cord);
      return (
        <>
          <HankDrawn length={hank.length} thickness={wide} sun={hank.sun} />
          <PieceDrawn
            thickness={Math.max(thick, Math.min(wide, 0.02))}
            sun={hank.sun}
            wear={hank.wear}
            flat={wide > thick}
          />
        </>
      );
    },
    told: (hank, units) => {
      const cord = cordOf(hank);
      const thick = cord === undefined ? '' : `, ${sayGiven(cord.diameter, 'diameter', units)} thick`;
      return `${sayGiven(hank.length, 'length', units)}${thick}`;
    },
    fields: (of, hank) => <CordFields of={of} hank={hank} />,
  },
  roofs: {
    title: 'Roofs',
    empty: 'No roof in the kit. Add one and measure its edges, by a tape or by your own feet.',
    add: 'Add a roof',
    fresh: freshRoof('new roof', 3, 3),
    scales: <ScaleBar size={1} scale={ROOF_SCALE} />,
    total: (roofs) => many(roofs.length, 'roof'),
    order: byName,
    drawn: (roof) => <RoofShape roofs={[roof]} scale={Math.min(ROOF_SCALE, 150 / roof.length)} />,
    told: (roof, units) =>
      `${sayGiven(roof.length, 'length', units)} by ${sayGiven(roof.width, 'length', units)}, ${findCloth(roof.cloth)?.name ?? roof.cloth}`,
    fields: (of, _, body) => <RoofFields of={of} body={body} />,
  },
  pegs: {
    title: 'Pegs',
    empty: 'No pegs in the kit. Cut some, or count those in the bag.',
    add: 'Add pegs',
    fresh: { name: 'new pegs', shape: 'cut-wood', count: 8 },
    scales: <ScaleBar size={0.1} scale={PEG_SCALE} />,
    total: (pegs) => `${pegs.reduce((sum, p) => sum + p.count, 0)} of ${many(pegs.length, 'sort')}`,
    order: byName,
    drawn: (pegs) => {
      const shape = pegOf(pegs);
      return shape === undefined ? <span /> : <PegsDrawn shape={shape} count={pegs.count} />;
    },
    told: (pegs, units) => {
      const shape = pegOf(pegs);
      return `${pegs.count}${shape === undefined ? '' : `, ${sayGiven(shape.length, 'length', units)} long, ${sayGiven(shape.width, 'diameter', units)} across`}`;
    },
    fields: (of) => <PegsFields of={of} />,
  },
  beds: {
    title: 'Beds',
    empty: 'No hammock in the kit. Add one and measure it from gather to gather.',
    add: 'Add a bed',
    fresh: {
      name: 'new bed',
      cloth: 'nylon',
      length: 3,
      width: 1.5,
      mass: 0,
      ridgeLength: 0,
      ridgeCord: 'accessory-4',
      connector: 'hook',
      limit: 0,
      people: 1,
      sun: 'new',
      wear: 'sound',
    },
    scales: <ScaleBar size={0.5} scale={BED_SCALE} />,
    total: (beds) => many(beds.length, 'bed'),
    order: byName,
    drawn: (bed) => <BedDrawn bed={bed} />,
    told: (bed, units) =>
      `${sayGiven(bed.length, 'length', units)} by ${sayGiven(bed.width, 'length', units)}, ${findBedCloth(bed.cloth)?.name ?? bed.cloth}`,
    fields: (of) => <BedFields of={of} />,
  },
  straps: {
    title: 'Straps',
    empty: 'No straps in the kit. Cord round a trunk bruises it: add a pair of wide ones.',
    add: 'Add straps',
    fresh: {
      name: 'new straps',
      webbing: 'polyester-25',
      length: 3,
      adjust: 'loops',
      first: 1,
      spacing: 0.1,
      count: 20,
      limit: 0,
      sun: 'new',
      wear: 'sound',
    },
    scales: (
      <>
        <ScaleBar size={0.5} scale={BED_SCALE} />
        <ScaleBar size={0.025} scale={WEBBING_SCALE} quantity="diameter" of="width" />
      </>
    ),
    total: (straps) => many(straps.length, 'pair'),
    order: byName,
    drawn: (straps) => {
      const webbing = webbingOf(straps);
      return (
        <>
          <StrapsDrawn straps={straps} />
          <PieceDrawn
            flat
            thickness={webbing?.width ?? 0.025}
            scale={WEBBING_SCALE}
            sun={straps.sun}
            wear={straps.wear}
          />
        </>
      );
    },
    told: (s, units) => {
      const webbing = webbingOf(s);
      const loops =
        s.adjust === 'hitch'
          ? ADJUSTMENTS.hitch.name
          : `${s.count} ${ADJUSTMENTS[s.adjust].one}s to ${sayGiven(loopAt(s, s.count), 'length', units)}`;
      return `2 of ${sayGiven(s.length, 'length', units)}${webbing === undefined ? '' : `, ${sayGiven(webbing.width, 'diameter', units)} wide`}, ${loops}`;
    },
    fields: (of) => <StrapsFields of={of} />,
  },
};

/** What a thing has been through, where it shows. */
export function lifeOf(thing: Kit[KitList][number]): string | null {
  if (!('sun' in thing)) return null;
  const said = [
    ...(thing.sun === 'new' ? [] : [SUN[thing.sun].title]),
    ...(thing.wear === 'sound' ? [] : [WEAR[thing.wear].title]),
  ];
  return said.length === 0 ? null : said.join(', ');
}
