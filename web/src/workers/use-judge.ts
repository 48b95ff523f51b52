import type { Remote } from 'comlink';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Doubt, DoubtAsked } from '@rough-bight/core/doubt';
import type { DryBed, DryNight } from '@rough-bight/core/dry';
import type { Fall, Ladder, Turned } from '@rough-bight/core/ladder';
import type { Night } from '@rough-bight/core/night';
import type { PitchResult, Retension } from '@rough-bight/core/pitch';
import type { RidgeRig, TradeoffPoint } from '@rough-bight/core/rig';
import type { HangAnswer, HangTogether, RigReport, RoofAdvice } from '@rough-bight/core/shelter';
import type { SizeAim, SizedCord, SizedRig, Unmet } from '@rough-bight/core/sizing';
import type { AtHour, Trim } from '@rough-bight/core/trim';
import type { WeatherReading } from '@rough-bight/core/weather';
import type { Answer } from './answer.js';
import { newRigWorker } from './judge.js';
import type { Question, RigQuestion, RigService } from './rig.worker.js';
import { inOwnThread } from './thread.js';
import { withoutWorkings } from './without-workings.js';

/** Long work on a rig in a worker of its own; returns what cancels it. */
const onRig = <T>(
  work: (service: Remote<RigService>) => Promise<Answer<T>>,
  done: (answer: Answer<T>) => void,
): (() => void) => inOwnThread<RigService, T>(newRigWorker, work, done);

/** What long work found of the question that is asked now; null until it is known, and where nothing is asked. */
function useFound<Q, T>(
  question: Q | null,
  work: (service: Remote<RigService>, question: Q) => Promise<Answer<T>>,
): Answer<T> | null {
  const [found, setFound] = useState<{ readonly question: Q; readonly answer: Answer<T> } | null>(null);
  const asking = useRef(work);
  useEffect(() => {
    if (question === null) return undefined;
    return onRig(
      (service) => asking.current(service, question),
      (answer) => setFound({ question, answer }),
    );
  }, [question]);
  return found !== null && found.question === question ? found.answer : null;
}

/** Another rig judged in full, to stand beside this one; no report where it cannot be. */
export interface Other {
  readonly rig: RidgeRig;
  readonly report: RigReport | null;
  readonly problem: string;
}

/** Another rig judged in a worker of its own; null until it is known, and where none is asked for. */
export function useOther(question: RigQuestion | null): Other | null {
  const found = useFound(question, async (s, q: RigQuestion) => (await s.judge(q, true)) as Answer<RigReport>);
  if (found === null || question === null) return null;
  const { rig } = question;
  return found.ok ? { rig, report: found.value, problem: '' } : { rig, report: null, problem: found.message };
}

/** What to change about the roof over the bed; null until it is known. */
export function useRoofAdvice(question: RigQuestion | null): readonly RoofAdvice[] | null {
  const found = useFound(question, async (s, q: RigQuestion) => (await s.roofAdvice(q)) as Answer<RoofAdvice[]>);
  return found === null ? null : found.ok ? found.value : [];
}

/**
 * How to hang the bed as it is wished, and the one proposal for bed, straps and ridge; returns what cancels it.
 * @param straps told first, at once: the ways of setting the straps alone
 */
export function startHanging(
  question: RigQuestion,
  straps: (answer: Answer<HangAnswer>) => void,
  done: (answer: Answer<HangTogether>) => void,
): () => void {
  let open = true;
  const stop = onRig(async (service) => {
    const alone = (await service.hangIt(question)) as Answer<HangAnswer>;
    if (open) straps(alone);
    return (await service.proposeHang(question)) as Answer<HangTogether>;
  }, done);
  return () => {
    open = false;
    stop();
  };
}

/** Sizes the kit; returns what cancels it. */
export const startSizing = (
  question: Question,
  progress: (done: number) => void,
  done: (answer: Answer<SizedCord[]>) => void,
): (() => void) =>
  onRig(async (service) => (await service.size(question, proxy(progress))) as Answer<SizedCord[]>, done);

/** Sizes a whole pitched rig from the kit; returns what cancels it. */
export const startSizingRig = (
  question: RigQuestion,
  aim: SizeAim,
  progress: (done: number) => void,
  done: (answer: Answer<SizedRig>) => void,
): (() => void) =>
  onRig(async (service) => (await service.sizeRig(question, aim, proxy(progress))) as Answer<SizedRig>, done);

/** Wind or snow turned up over a rig; returns what cancels it. */
export const startLadder = (
  question: RigQuestion,
  turned: Turned,
  progress: (done: number) => void,
  done: (answer: Answer<Ladder>) => void,
): (() => void) =>
  onRig(async (service) => (await service.ladder(question, turned, proxy(progress))) as Answer<Ladder>, done);

/** A rig sampled within what is not known of it; returns what cancels it. */
export const startDoubt = (
  question: RigQuestion,
  asked: DoubtAsked,
  samples: number,
  progress: (done: number) => void,
  done: (answer: Answer<Doubt>) => void,
): (() => void) =>
  onRig(async (service) => (await service.doubt(question, asked, samples, proxy(progress))) as Answer<Doubt>, done);

/** What a night in the forecast asks of a rig; returns what cancels it. */
export const startNight = (
  question: RigQuestion,
  { takeUp, rows }: Pick<PitchResult, 'takeUp' | 'rows'>,
  forecast: readonly WeatherReading[],
  progress: (done: number) => void,
  done: (answer: Answer<Night>) => void,
): (() => void) =>
  onRig(
    async (service) =>
      (await service.night(
        question,
        { takeUp, rows: withoutWorkings(rows) },
        forecast,
        proxy(progress),
      )) as Answer<Night>,
    done,
  );

/** How a roof feels, creases and is put on; returns what cancels it. */
export const startTrim = (
  question: RigQuestion,
  progress: (done: number) => void,
  done: (answer: Answer<Trim>) => void,
): (() => void) => onRig(async (service) => (await service.trim(question, proxy(progress))) as Answer<Trim>, done);

/** A roof at an hour. */
export interface AskedAgain extends AtHour {
  readonly question: RigQuestion;
}
/** What every line of a roof wants at an hour; null until it is known. */
export const useAgain = (asked: AskedAgain): Answer<Retension> | null =>
  useFound(asked, async (s, { question, ...at }: AskedAgain) => (await s.again(question, at)) as Answer<Retension>);

/** What stays dry under a roof, hour by hour; returns what cancels it. */
export const startDry = (
  question: RigQuestion,
  bed: DryBed | null,
  forecast: readonly WeatherReading[],
  done: (answer: Answer<DryNight>) => void,
): (() => void) => onRig(async (service) => (await service.dry(question, bed, forecast)) as Answer<DryNight>, done);

/**
 * What to change so that what gave first on a ladder gives later: null until it is known and where nothing is asked; its value null
 * where nothing is short there by the rig's own rule.
 */
export const useFirmer = (
  asked: { readonly question: RigQuestion; readonly turned: Turned; readonly fall: Fall } | null,
): Answer<Unmet | null> | null =>
  useFound(
    asked,
    async (s, { question, turned, fall }: NonNullable<typeof asked>) =>
      (await s.firmer(question, turned, fall)) as Answer<Unmet | null>,
  );

/** The strongest wind a rig bears, Beaufort; null where none. Returns what cancels it. */
export const startStrongestWind = (
  question: RigQuestion,
  done: (answer: Answer<number | null>) => void,
): (() => void) => onRig(async (service) => (await service.strongestWind(question)) as Answer<number | null>, done);

/** Tension against sag; returns what cancels it. */
export const startTradeoff = (
  question: Question,
  count: number,
  done: (answer: Answer<TradeoffPoint[]>) => void,
): (() => void) => onRig(async (service) => (await service.tradeoff(question, count)) as Answer<TradeoffPoint[]>, done);
