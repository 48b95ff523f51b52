import type { Problem } from '../document/index.js';
import { UnknownVersion, jsonSchemaOf, misfit, part, prose, under, words } from '../document/index.js';
import type { Described } from '../document/index.js';
import { bodyDocument, checkPlace, placeDocument } from '../ground/index.js';
import type { Place } from '../ground/index.js';
import { kitDocument, misfitInKit, rigDocument, rigProblems, usedBy } from '../rig/index.js';
import type { BedEnd, Guy, RigContext, RidgeRig, RoofHitch, Trunk } from '../rig/index.js';
import { requiredDocument } from '../strength/index.js';
import { z } from 'zod';
import type { GuyAnchor } from '../support/index.js';
import { withKitIds } from '../support/index.js';
import { FileProblem, checkSize } from './place-file.js';
import { RIG_FORMAT, bringUpFile, noteWith } from './versions.js';

/** A whole rig as a file: what is tied, the part of the kit it uses, the measures and margins it is judged by, its ground. */
export const rigFileDocument = part({
  format: z.literal(RIG_FORMAT, { error: `The format must be ${RIG_FORMAT}.` }),
  name: words('name', 1, 80),
  note: prose('note', 400),
  rig: rigDocument,
  kit: kitDocument,
  settings: part({ body: bodyDocument, required: requiredDocument }),
  place: placeDocument.nullable(),
}).meta({
  title: `A whole rig, ${RIG_FORMAT}`,
  description:
    'SI units: m, N, kg, rad; bearings clockwise from north. docs/formats/rig.md tells what each field means.',
});
export type RigFile = Described<typeof rigFileDocument>;

/**
 * Reads a rig file of this version or an older one.
 * @throws FileProblem naming the field and what is allowed
 */
export function readRigFile(text: string): RigFile {
  checkSize(text);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new FileProblem('file', `is not JSON: ${(error as Error).message}`);
  }
  return checkedRigFile(value);
}

/**
 * The same, parsed already.
 * @throws FileProblem naming the field and what is allowed
 */
export function checkedRigFile(value: unknown): RigFile {
  const refuse = ({ field, message }: Problem): never => {
    throw new FileProblem(field === '' ? 'file' : field, message);
  };
  let brought: ReturnType<typeof bringUpFile>;
  try {
    brought = bringUpFile(value);
  } catch (error) {
    if (error instanceof UnknownVersion) return refuse({ field: error.field, message: error.message });
    throw error;
  }
  const problem = misfit(rigFileDocument, brought.document);
  if (problem !== null) return refuse(problem);
  const read = brought.document as RigFile;
  const file = brought.lost.length === 0 ? read : { ...read, note: noteWith(read.note, brought.lost) };
  if (file.place !== null) {
    const checked = checkPlace(file.place);
    if ('problem' in checked) return refuse({ ...checked.problem, field: under('place', checked.problem.field) });
  }
  const unfit = misfitInKit(file.kit);
  if (unfit !== null) return refuse({ ...unfit, field: under('kit', unfit.field) });
  const bad = rigProblems(file.rig, contextOf(file))[0];
  if (bad !== undefined) return refuse({ ...bad, field: under('rig', bad.field) });
  return file;
}

/** What the rig of a file is judged with. */
export function contextOf(file: RigFile): RigContext {
  return {
    kit: file.kit.cords,
    roofs: file.kit.roofs,
    pegs: file.kit.pegs,
    beds: file.kit.beds,
    straps: file.kit.straps,
    body: file.settings.body,
    required: file.settings.required,
  };
}

/** The same rig with every id of the kit changed; in another's kit nothing was left at home. */
export function renameKit(rig: RidgeRig, to: (id: string) => string): RidgeRig {
  const { pitch, bed } = rig;
  const anchored = (a: GuyAnchor): GuyAnchor => withKitIds(a, to);
  const guy = <G extends Partial<Guy>>(g: G): G => ({
    ...g,
    ...(g.cord === undefined ? {} : { cord: to(g.cord) }),
    ...(g.anchor === undefined ? {} : { anchor: anchored(g.anchor) }),
  });
  const hitch = (h: RoofHitch): RoofHitch => ({ ...h, cord: to(h.cord) });
  const end = (e: BedEnd): BedEnd =>
    e.anchor.kind === 'pole'
      ? { ...e, anchor: { ...e.anchor, cord: to(e.anchor.cord), anchor: anchored(e.anchor.anchor) } }
      : e;
  const trunk = (t: Trunk): Trunk =>
    t.stand?.kind === 'pole'
      ? { ...t, stand: { ...t.stand, cord: to(t.stand.cord), anchor: anchored(t.stand.anchor) } }
      : t;
  return {
    ...rig,
    ...(rig.home === undefined ? {} : { home: [] }),
    cord: to(rig.cord),
    ...(rig.joined === undefined ? {} : { joined: { ...rig.joined, cord: to(rig.joined.cord) } }),
    trunks: [trunk(rig.trunks[0]), trunk(rig.trunks[1])],
    ...(pitch === undefined
      ? {}
      : {
          pitch: {
            ...pitch,
            roof: to(pitch.roof),
            hitches: [hitch(pitch.hitches[0]), hitch(pitch.hitches[1])],
            ...(pitch.pulls === undefined ? {} : { pulls: pitch.pulls.map((p) => ({ ...p, pegs: to(p.pegs) })) }),
            guy: guy(pitch.guy),
            own: Object.fromEntries(Object.entries(pitch.own).map(([key, g]) => [key, guy(g)])),
          },
        }),
    ...(bed === undefined
      ? {}
      : {
          bed: {
            ...bed,
            bed: to(bed.bed),
            straps: to(bed.straps),
            ends: [end(bed.ends[0]), end(bed.ends[1])],
            sideStay:
              bed.sideStay === null
                ? null
                : { ...bed.sideStay, cord: to(bed.sideStay.cord), anchor: anchored(bed.sideStay.anchor) },
          },
        }),
  };
}

/** A rig as a file, with the part of the kit it uses. */
export function rigFile(
  named: { readonly name: string; readonly note: string; readonly rig: RidgeRig },
  context: RigContext,
  place: Place | null,
): RigFile {
  const used = usedBy(named.rig);
  const { body, required } = context;
  return {
    format: RIG_FORMAT,
    name: named.name,
    note: named.note,
    rig: named.rig,
    kit: {
      cords: context.kit.filter((c) => used.cords.has(c.id)),
      roofs: context.roofs.filter((r) => used.roofs.has(r.id)),
      pegs: context.pegs.filter((p) => used.pegs.has(p.id)),
      beds: context.beds.filter((b) => used.beds.has(b.id)),
      straps: context.straps.filter((x) => used.straps.has(x.id)),
    },
    settings: {
      body: bodyDocument.strip().parse(body),
      required,
    },
    place,
  };
}

/** The text of a rig file; read again it is the same, to the last digit. */
export function writeRigFile(file: RigFile): string {
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** The published JSON Schema of the format (draft 2020-12). */
export const rigFileJsonSchema = (): object => jsonSchemaOf(rigFileDocument);
