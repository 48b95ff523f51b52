import { cordOf } from '@rough-bight/core/cordage';
import { FileProblem, readDistances, readGeoJson, readGpx } from '@rough-bight/core/formats';
import type { TakenIn } from '@rough-bight/core/formats';
import {
  fireSpot,
  prepareGround,
  rankSpans,
  reasonsFor,
  spanById,
  spanSummary,
  spanTitle,
  offDrawing,
  survey,
  usualOf,
} from '@rough-bight/core/ground';
import type {
  AdjustedPoint,
  FireSpot,
  Fit,
  JudgedSpan,
  Reader,
  Place,
  Ranking,
  Reason,
  Residual,
  Survey,
} from '@rough-bight/core/ground';
import { tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { KitCord } from '@rough-bight/core/rig';
import { expose } from 'comlink';
import type { Answer } from './answer.js';

export interface GroundQuestion {
  readonly place: Place;
  readonly who: Reader;
  readonly kit: readonly KitCord[];
  readonly units: UnitChoice;
}

/** A span as the list shows it. */
export interface ListedSpan {
  readonly span: JudgedSpan;
  readonly title: string;
  readonly summary: string;
}

/** A survey without its functions, so that it can cross to the page. */
export interface SurveyShown {
  readonly points: readonly AdjustedPoint[];
  readonly residuals: readonly Residual[];
  readonly findings: Survey['findings'];
  readonly leftOut: readonly string[];
  readonly redundancy: number;
}

export interface GroundJudgement {
  readonly place: Place;
  readonly fit: Fit;
  readonly good: readonly ListedSpan[];
  readonly out: readonly ListedSpan[];
  readonly goodCount: number;
  readonly outCount: number;
  readonly tooClose: number;
  readonly tooFar: number;
  readonly survey: SurveyShown | null;
  /** How far the drawing that is ranked is from what the measures say, m. */
  readonly offDrawing: number;
}

export type GroundAnswer = Answer<GroundJudgement>;

/** A span's breakdown, and where a fire could be. */
export interface Explained {
  readonly span: JudgedSpan;
  readonly title: string;
  readonly reasons: readonly Reason[];
  readonly fire: FireSpot | { readonly at: null; readonly text: string };
}

export type FileAnswer =
  { readonly ok: true; readonly value: TakenIn } | { readonly ok: false; readonly message: string };
const READERS = { geojson: readGeoJson, gpx: readGpx, csv: readDistances } as const;
export type FileKind = keyof typeof READERS;

/** Spans that the list holds; the rest are counted. */
const LISTED = 40;

let last: { readonly ranking: Ranking; readonly units: UnitChoice } | null = null;
let surveyed: { readonly found: Survey | null; readonly shown: SurveyShown | null } = { found: null, shown: null };

const service = {
  /** Ranks the spans; measures are worked anew unless the hand is moving. */
  judge({ place, who, kit, units }: GroundQuestion, moving: boolean): GroundAnswer {
    const hank = kit.find((k) => k.id === place.wish.cord);
    const cord = hank === undefined ? undefined : cordOf(hank);
    if (hank === undefined || cord === undefined)
      return {
        ok: false,
        field: 'wish.cord',
        message: 'The cord chosen for the ridgeline is no longer in the kit. Choose another under Choose.',
      };
    if (!moving) {
      try {
        const found = survey(place, who, units);
        surveyed = {
          found,
          shown:
            found === null
              ? null
              : {
                  points: found.adjustment.points,
                  residuals: found.adjustment.residuals,
                  findings: found.findings,
                  leftOut: [...found.leftOut],
                  redundancy: found.adjustment.redundancy,
                },
        };
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        // the spans are ranked all the same, from the drawing
        const text = `The measures are too many to be worked together (${error.message}). Take some out; until then everything stands as drawn.`;
        surveyed = {
          found: null,
          shown: {
            points: [],
            residuals: [],
            findings: [{ text, measures: [], grave: true }],
            leftOut: [],
            redundancy: 0,
          },
        };
      }
    }
    const ground = prepareGround(place, who, { cord, length: hank.length }, surveyed.found?.adjustment.spreadBetween);
    const ranking = rankSpans(ground);
    last = { ranking, units };
    const usual = usualOf(ranking.good);
    const listed = (s: JudgedSpan, i: number): ListedSpan => ({
      span: s,
      title: spanTitle(s),
      summary: spanSummary(ground, s, units, i === 0 ? undefined : usual),
    });
    return {
      ok: true,
      value: {
        place,
        fit: ground.fit,
        good: ranking.good.slice(0, LISTED).map(listed),
        out: ranking.out.map(listed),
        goodCount: ranking.good.length,
        outCount: ranking.ruledOut,
        tooClose: ranking.tooClose,
        tooFar: ranking.tooFar,
        survey: surveyed.shown,
        offDrawing: offDrawing(place, surveyed.shown?.points ?? []),
      },
    };
  },
  /** The breakdown of a span of the last ranking; null where it is gone. */
  explain(id: string): Explained | null {
    const span = last === null ? undefined : spanById(last.ranking, id);
    if (last === null || span === undefined) return null;
    const { ground } = last.ranking;
    return {
      span,
      title: spanTitle(span),
      reasons: reasonsFor(ground, span, last.units),
      fire: fireSpot(ground, span, last.units),
    };
  },
  /** Takes a file into a place. */
  take(kind: FileKind, text: string, place: Place, units: UnitChoice): FileAnswer {
    try {
      return { ok: true, value: READERS[kind](text, place) };
    } catch (error) {
      if (error instanceof FileProblem) return { ok: false, message: tell(error.said, units) };
      throw error;
    }
  },
};

export type GroundService = typeof service;
expose(service);
