import { treeSentence } from '../anchor/index.js';
import { acrossOf, looked } from '../catalogue/index.js';
import { cordNeeded } from '../cordage/index.js';
import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { Z95, capital, say, tell } from '../quantity/index.js';
import { compassPoint } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { fallFigure } from './fall.js';
import { TRAVEL, endsOf, strapHeight } from './fit.js';
import { wished } from './forms.js';
import { mayHoldFigure } from './holding.js';
import type { Criterion } from './place.js';
import { CRITERIA } from './place.js';
import type { JudgedSpan, Prepared } from './spans.js';
import { kindOf, roundOf } from './thing/index.js';

export const CRITERION_NAMES: Readonly<Record<Criterion, string>> = {
  length: 'Length',
  cord: 'Cord',
  anchors: 'Anchors',
  wind: 'Wind',
  ground: 'Ground beneath',
  overhead: 'Overhead',
  guys: 'Room for guys',
  near: 'Near the sleeping place',
};

/** How a form shows the wind what it should: "a closed flank to it", "a closed flank partly to it". */
const windSaid = (words: string, score: number): string =>
  score > 0.75 ? words : words.replace(/ (to|into) it$/, score > 0.45 ? ' only partly $1 it' : ' turned away from it');

/** One line of a breakdown: a criterion, its score, why, and the numbers behind it. */
export interface Reason {
  readonly criterion: Criterion;
  readonly score: number;
  readonly text: string;
  /** True where this rules the span out. */
  readonly rules: boolean;
  readonly figures: readonly Figure[];
}

const percent = (v: number): string => `${Math.abs(v * 100).toFixed(0)} %`;

/** "Upstream alder to mooring post, 6.2 m". */
export function spanTitle(s: JudgedSpan): string {
  return s.newPole ? `${capital(s.from.name)} and a pole` : `${capital(s.from.name)} to ${s.to.name}`;
}

/** Every criterion of a span as a sentence with its figures, in their order. */
export function reasonsFor(ground: Prepared, s: JudgedSpan, units: UnitChoice): Reason[] {
  return CRITERIA.map((criterion) => ({ criterion, score: s.scores[criterion], ...said(ground, s, criterion, units) }));
}

/** Scores to compare with, so that what all spans share is not told of each. */
export type Usual = Readonly<Record<Criterion, number>>;

/** The middle score of each criterion among spans; all ones where there are none. */
export function usualOf(spans: readonly JudgedSpan[]): Usual {
  return Object.fromEntries(
    CRITERIA.map((c) => {
      const sorted = spans.map((s) => s.scores[c]).sort((a, b) => a - b);
      return [c, sorted[sorted.length >> 1] ?? 1];
    }),
  ) as unknown as Usual;
}

/**
 * What rules a span out; or of one that is not, what speaks for its ground and what counts most against it.
 * @param usual scores of the others: then only what is worse than theirs is told
 */
export function spanSummary(ground: Prepared, s: JudgedSpan, units: UnitChoice, usual?: Usual): string {
  if (s.ruled.length > 0)
    return reasonsFor(ground, s, units)
      .filter((r) => r.rules)
      .map((r) => r.text)
      .join(' ');
  const weights = ground.place.wish.weights;
  const against = CRITERIA.filter(
    (c) => weights[c] > 0 && s.scores[c] < 0.7 && (usual === undefined || s.scores[c] < usual[c] - 0.08),
  ).sort((a, b) => (1 - s.scores[b]) * weights[b] - (1 - s.scores[a]) * weights[a]);
  const told = (c: Criterion): string => said(ground, s, c, units).text;
  if (usual !== undefined)
    return against.length === 0
      ? 'As good as the others in what counts here.'
      : against.slice(0, 2).map(told).join(' ');
  const speaks = (['near', 'ground'] as const).filter((c) => s.scores[c] >= 0.7 && (c !== 'near' || s.away !== null));
  const all = [...speaks, ...against.slice(0, 1)];
  return all.length === 0 ? 'Nothing speaks against it that this plan knows.' : all.map(told).join(' ');
}

type Said = Pick<Reason, 'text' | 'rules' | 'figures'>;

function said(ground: Prepared, s: JudgedSpan, criterion: Criterion, units: UnitChoice): Said {
  const length = (v: number): string => say(v, 'length', units);
  const has = (...codes: readonly JudgedSpan['ruled'][number][]): boolean => codes.some((c) => s.ruled.includes(c));
  const { place, fit } = ground;
  const { wish } = place;
  const trait = wished(wish.form);
  switch (criterion) {
    case 'length': {
      const figures = [spanFigure(s), ...fit.shortest.map((b) => b.figure), ...fit.longest.map((b) => b.figure)];
      if (has('short')) {
        const by = fit.shortest.reduce((a, b) => (b.figure.value > a.figure.value ? b : a));
        return {
          rules: true,
          figures,
          text: `${length(s.span)} clear is too short: the ${by.what} wants ${length(by.figure.value)}.`,
        };
      }
      if (has('long')) {
        const by = fit.longest
          .filter((b) => b.what !== 'cord')
          .reduce((a, b) => (b.figure.value < a.figure.value ? b : a));
        return {
          rules: true,
          figures,
          text: `${length(s.span)} clear is too long: ${by.what === 'reach' ? 'the straps would have to be tied above your reach' : 'the straps reach'} beyond ${length(by.figure.value)}.`,
        };
      }
      return {
        rules: false,
        figures,
        text: `${length(s.span)} clear, ${length(s.span - fit.least)} more than the least that takes ${wish.form === 'none' ? 'the bed' : 'the roof with its hitches'}${s.sd > 0.15 ? `; known to within ${length(Z95 * s.sd)}` : ''}.`,
      };
    }
    case 'cord': {
      if (wish.form === 'none') return { rules: false, figures: [], text: 'No ridgeline is wanted.' };
      const figures = [cordFigure(ground, s)];
      return {
        rules: has('cord'),
        figures,
        text: has('cord')
          ? `It wants ${length(s.cord)} of cord with wraps, knots and tail; there is ${length(ground.cord.length)}.`
          : `${length(s.cord)} of the ${length(ground.cord.length)} of cord, wraps and tails counted.`,
      };
    }
    case 'anchors':
      return anchorsSaid(ground, s, units);
    case 'wind': {
      const from = compassPoint(place.wind.from);
      const angle = `${((s.windAngle * 180) / Math.PI).toFixed(0)}°`;
      const lee = s.lee === null ? '' : ` In the lee of ${s.lee.name}.`;
      return {
        rules: false,
        figures: [],
        text:
          ground.windMatters < 0.1
            ? `Hardly any wind to mind: the ridge lies ${angle} off it.${lee}`
            : trait.wind === 'any'
              ? `Ridge ${angle} off the wind, from the ${from}: ${trait.windWords}.${lee}`
              : `Ridge ${angle} off the wind, from the ${from}: ${windSaid(trait.windWords, s.scores.wind)}.${lee}`,
      };
    }
    case 'ground':
      return groundSaid(ground, s, units);
    case 'overhead': {
      if (s.overhead === null)
        return { rules: false, figures: [], text: 'Nothing overhead is marked. Look up all the same.' };
      const f = s.overhead;
      const figures = [fallFigure(f, place.slope.fall)];
      const what = f.whole ? `${f.name}` : `what hangs in ${f.name}`;
      return {
        rules: has('overhead'),
        figures,
        text: has('overhead')
          ? s.reachIn > 0
            ? `${capital(what)} can reach ${length(s.reachIn)} into it. Nobody sleeps there.`
            : `${capital(what)} can reach to within ${length(-s.reachIn)} of it, and heights are told by eye. Nobody sleeps there.`
          : `${length(-s.reachIn)} clear of the reach of ${what}.`,
      };
    }
    case 'guys': {
      if (s.guys === 0) return { rules: false, figures: [], text: 'No guys are wanted.' };
      const pegs = s.guys - s.nearGuys;
      const peg = say(ground.pegHold, 'force', units);
      const natural = s.nearGuys > 0 ? `${s.nearGuys} of ${s.guys} guys can go to what grows or lies there. ` : '';
      const held =
        pegs === 0
          ? ''
          : s.scores.guys > 0.75
            ? 'Pegs hold well enough here.'
            : `A cut peg holds about ${peg} here and a guy may pull ${say(s.guyPull, 'force', units)}, which leaves too little to spare: longer pegs, two in a row, or buried.`;
      return { rules: false, figures: [], text: `${natural}${held}`.trim() };
    }
    case 'near':
      return {
        rules: false,
        figures: [],
        text:
          s.away === null
            ? 'No sleeping place is marked.'
            : s.away < 0.05
              ? 'It covers where they want to sleep.'
              : `${length(s.away)} from where they want to sleep.`,
      };
  }
}

function anchorsSaid(ground: Prepared, s: JudgedSpan, units: UnitChoice): Said {
  const { wish } = ground.place;
  const person = wish.bed === 'hammock';
  const against = [s.from, s.to].flatMap((t) => kindOf(t).against(t, person));
  const figures: Figure[] = [];
  if (ground.pull.roof !== null) figures.push(ground.pull.roof);
  if (ground.pull.bed !== null) figures.push(ground.pull.bed);
  for (const t of [s.from, s.to]) {
    const f = mayHoldFigure(ground.place, t, wish.ridgeHeight);
    if (f !== null && Number.isFinite(f.value)) figures.push(f);
  }
  if (against.length > 0)
    return { rules: true, figures, text: against.map((a) => tell(treeSentence(a), units)).join(' ') };
  const weak = s.margins[0] <= s.margins[1] ? s.from : s.to;
  const margin = Math.min(...s.margins);
  const pull = say((ground.pull.roof?.value ?? 0) + (ground.pull.bed?.value ?? 0), 'force', units);
  const stay = s.newPole || s.to.kind === 'pole' || s.from.kind === 'pole';
  const staying = s.backstay === null ? 'its back-stay goes to pegs' : `its back-stay goes to ${s.backstay.name}`;
  if (s.ruled.includes('backstay'))
    return {
      rules: true,
      figures,
      text: `The pole's back-stay cannot be held: ${staying}, which may bear ${margin.toFixed(1)} times the ${pull} to expect. Find a log or a stem behind it.`,
    };
  if (s.ruled.includes('weak'))
    return {
      rules: true,
      figures,
      text: `${capital(weak.name)} is too weak at ${say(wish.ridgeHeight, 'length', units)}: ${margin.toFixed(1)} times the ${pull} to expect, factor taken off.`,
    };
  const enough = Number.isFinite(margin)
    ? `${capital(weak.name)} may bear ${margin > 20 ? 'over twenty' : margin.toFixed(1)} times the ${pull} to expect`
    : 'Both are taken as immovable';
  const over = s.to.kind === 'tree' && person ? strapHeight(s.span) : null;
  return {
    rules: false,
    figures,
    text: `${enough}${stay ? `; ${staying}` : ''}${over !== null ? `; straps at ${say(over, 'length', units)}` : ''}. Look up, knock, push.`,
  };
}

function groundSaid(ground: Prepared, s: JudgedSpan, units: UnitChoice): Said {
  const length = (v: number): string => say(v, 'length', units);
  const onGround = ground.place.wish.bed === 'ground';
  const rules: string[] = [];
  const notes: string[] = [];
  if (s.ruled.includes('pond'))
    rules.push(`Water stands ${length(s.pond!.depth)} deep in ${s.pond!.hollow.name}, where they would lie.`);
  else if (s.pond !== null) notes.push(`${capital(s.pond.hollow.name)} pools under part of it.`);
  if (s.ruled.includes('run-off')) rules.push(`${capital(s.run!)} runs through where they would lie.`);
  else if (s.run !== null) notes.push(`${capital(s.run)} crosses under it.`);
  if (s.ruled.includes('trees')) rules.push(`${capital(s.lying!.name)} stands in the way.`);
  else if (s.lying !== null) notes.push(`${capital(s.lying.name)} lies under it.`);
  if (s.ruled.includes('keep')) rules.push(`It stands on ground to keep off: ${s.keep!.name}.`);
  if (rules.length > 0) return { rules: true, figures: [], text: rules.join(' ') };
  const even = onGround ? Math.abs(s.slopeAcross) < 0.03 && Math.abs(s.slopeAlong) < 0.06 : Math.abs(s.rise) < 0.1;
  const slope = onGround
    ? even
      ? 'Level enough to lie on'
      : `Falls ${percent(s.slopeAlong)} along and ${percent(s.slopeAcross)} across whoever lies there`
    : even
      ? 'Both feet level'
      : `${capital(s.rise > 0 ? s.to.name : s.from.name)} stands ${length(Math.abs(s.rise))} higher: tie that end lower`;
  return {
    rules: false,
    figures: [],
    text: [
      `${slope}${notes.length > 0 ? '.' : even ? ', dry and clear as far as drawn.' : '. Dry and clear as far as drawn.'}`,
      ...notes,
    ].join(' '),
  };
}

/** The clear span with its range. */
export function spanFigure(s: JudgedSpan): Figure {
  return given(
    { symbol: 'L', title: `clear span, ${spanTitle(s)}`, quantity: 'length' },
    s.span,
    { kind: 'measured', text: s.newPole ? 'set out to this length' : 'from the plan, half of both stems taken off' },
    [Math.max(0.01, s.span - Z95 * s.sd), s.span + Z95 * s.sd],
  );
}

function cordFigure(ground: Prepared, s: JudgedSpan): Figure {
  return derive(
    {
      symbol: 'C',
      title: 'cord to have in hand',
      quantity: 'length',
      formula: 'C = √(L² + Δz²) + Σ (πD + k d + 0.3) + r',
    },
    [
      spanFigure(s),
      given({ symbol: 'Δz', title: 'rise from foot to foot', quantity: 'length' }, s.rise, {
        kind: 'measured',
        text: 'from the slope',
      }),
      looked(TRAVEL),
    ],
    (L, z, r) => cordNeeded(Math.hypot(L!, z!), endsOf(roundOf(s.from), roundOf(s.to)), acrossOf(ground.cord.cord), r!),
  );
}

/** "7.5 m, ten of my paces". */
export function inPaces(v: number, body: BodyMeasures): string {
  const paces = Math.round((v / body.pace) * 2) / 2;
  return `${paces} of my paces`;
}
