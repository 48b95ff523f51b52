import type { Hold } from '../catalogue/index.js';
import { HOLDS, findCloth } from '../catalogue/index.js';
import type { Problem } from '../document/index.js';
import { problem } from '../document/index.js';
import { metres, phrase } from '../quantity/index.js';
import type { KitRoof, TieOut } from './document.js';

/** Common layouts of tie-outs, to begin with. */
export const LAYOUTS = {
  corners: 'corners only',
  middles: 'corners and middles of the edges',
  thirds: 'corners and thirds of the edges',
  full: 'corners, quarters of the edges and the ridge',
} as const;
export type Layout = keyof typeof LAYOUTS;

const SHARES: Readonly<Record<Layout, readonly number[]>> = {
  corners: [-0.5, 0.5],
  middles: [-0.5, 0, 0.5],
  thirds: [-0.5, -1 / 6, 1 / 6, 0.5],
  full: [-0.5, -0.25, 0, 0.25, 0.5],
};

/** Tie-outs of a layout on a cloth of this size, named by where they are. */
export function tieOutsOf(layout: Layout, length: number, width: number, hold: Hold): TieOut[] {
  const out: TieOut[] = [];
  const shares = SHARES[layout];
  const add = (p: number, q: number): void => {
    out.push({ id: tieOutId(p, q), at: [round(p * length), round(q * width)], hold });
  };
  for (const q of [-0.5, 0.5]) for (const p of shares) add(p, q);
  for (const p of [-0.5, 0.5]) for (const q of shares) if (Math.abs(q) < 0.5) add(p, q);
  if (layout === 'full') for (const p of [-0.25, 0, 0.25]) add(p, 0);
  if (layout === 'thirds') for (const p of [-0.5, 0.5]) add(p, 0);
  return out;
}

/** Which of the usual layouts a roof's tie-outs are; `own` where they are none. */
export function layoutOf(roof: Pick<KitRoof, 'length' | 'width' | 'tieOuts'>): Layout | 'own' {
  const places = (list: KitRoof['tieOuts']): string =>
    list
      .map((t) => t.at.map((x) => x.toFixed(2)).join())
      .sort()
      .join(' ');
  const is = places(roof.tieOuts);
  return (
    (Object.keys(LAYOUTS) as Layout[]).find((l) => places(tieOutsOf(l, roof.length, roof.width, 'loop')) === is) ??
    'own'
  );
}

/** A roof measured anew: its tie-outs keep their layout, or else their shares of its length and width. */
export function resized(roof: KitRoof, part: Partial<Pick<KitRoof, 'length' | 'width'>>): KitRoof {
  const next = { ...roof, ...part };
  const layout = layoutOf(roof);
  const hold = roof.tieOuts[0]?.hold;
  if (hold === undefined) return next;
  return layout === 'own'
    ? {
        ...next,
        tieOuts: roof.tieOuts.map((t) => ({
          ...t,
          at: [round((t.at[0] * next.length) / roof.length), round((t.at[1] * next.width) / roof.width)] as const,
        })),
      }
    : { ...next, tieOuts: tieOutsOf(layout, next.length, next.width, hold) };
}
const round = (x: number): number => Math.round(x * 1000) / 1000;
const tieOutId = (p: number, q: number): string => `${(p * 100).toFixed(0)},${(q * 100).toFixed(0)}`;

/** A roof nobody has looked at closely: of nylon, as good as new, with a tie-out wherever most have one. @param length m @param width m */
export const freshRoof = (name: string, length: number, width: number): Omit<KitRoof, 'id'> => ({
  name,
  cloth: 'nylon',
  length,
  width,
  hollow: 0,
  tieOuts: tieOutsOf('full', length, width, 'loop'),
  mass: 0,
  sun: 'new',
  wear: 'sound',
});

/** What a roof weighs dry, kg. */
export function roofMass(roof: KitRoof): number {
  return roof.mass > 0 ? roof.mass : (findCloth(roof.cloth)?.mass.typical ?? 0.1) * roofArea(roof);
}

/** Area of the cloth, m^2: the rectangle less four parabolic hollows. */
export function roofArea(roof: KitRoof): number {
  return roof.length * roof.width - (4 / 3) * roof.hollow * (roof.length + roof.width);
}

/** What the fields allow but the whole does not. */
export function roofProblems(roof: KitRoof): Problem[] {
  const out: Problem[] = [];
  if (findCloth(roof.cloth) === undefined)
    out.push({ field: 'cloth', message: `The catalogue has no cloth “${roof.cloth}”. Choose another.` });
  if (roof.hollow > 0.12 * Math.min(roof.length, roof.width))
    out.push(
      problem(
        'hollow',
        phrase`Edges can be hollowed by at most 12 % of the shorter side, ${metres(0.12 * Math.min(roof.length, roof.width))}.`,
      ),
    );
  const seen = new Set<string>();
  roof.tieOuts.forEach((t, i) => {
    if (seen.has(t.id)) out.push({ field: `tieOuts.${i}.id`, message: `Two tie-outs share the id “${t.id}”.` });
    seen.add(t.id);
    if (!Object.hasOwn(HOLDS, t.hold))
      out.push({ field: `tieOuts.${i}.hold`, message: `A tie-out is one of ${Object.keys(HOLDS).join(', ')}.` });
    if (Math.abs(t.at[0]) > roof.length / 2 + 1e-6 || Math.abs(t.at[1]) > roof.width / 2 + 1e-6)
      out.push({ field: `tieOuts.${i}.at`, message: `Tie-out “${t.id}” lies off the cloth. Move it onto it.` });
  });
  return out;
}

/** The tie-out at a spot of the cloth, within 4 cm; undefined where the cloth must be gathered. */
export function tieOutAt(roof: KitRoof, s: number, t: number): TieOut | undefined {
  return roof.tieOuts.find((o) => Math.hypot(o.at[0] - s, o.at[1] - t) <= 0.04);
}
