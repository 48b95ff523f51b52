import type { Remote } from 'comlink';
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { RidgeRig, TradeoffPoint, Verdict } from '@rough-bight/core/rig';
import type { HangAnswer, HangTogether, RoofAdvice } from '@rough-bight/core/shelter';
import type { Advice, SizeAim, SizedCord, SizedRig } from '@rough-bight/core/sizing';
import type { Answer, Judgement, PitchJudgement, PitchQuestion, Question, RigService } from './rig.worker.js';

function startWorker(): { readonly worker: Worker; readonly service: Remote<RigService> } {
  const worker = new Worker(new URL('./rig.worker.ts', import.meta.url), { type: 'module' });
  return { worker, service: wrap<RigService>(worker) };
}

let shared: ReturnType<typeof startWorker> | undefined;
/** The worker that answers while the hand moves. */
function judgeWorker(): Remote<RigService> {
  shared ??= startWorker();
  return shared.service;
}

/** The worker that judges in full when the hand rests: stopped where the rig has changed meanwhile, so that no hand waits for it. */
let thorough: ReturnType<typeof startWorker> | undefined;
function stopThorough(): void {
  thorough?.worker.terminate();
  thorough = undefined;
}

export interface Judged<J> {
  /** The last rig that could be judged, even while a newer one cannot. */
  readonly judgement: J | null;
  /** Why the newest cannot be: nothing of the older judgement is true of it then. */
  readonly problem: { readonly field: string; readonly message: string } | null;
  readonly advice: readonly Advice[];
}

/** How one sort of rig is asked about: quickly while the hand moves, in full when it rests, and for advice. */
interface Asking<Q, J> {
  readonly judge: (service: Remote<RigService>, question: Q, full: boolean) => Promise<Answer<J>>;
  readonly advise: (service: Remote<RigService>, question: Q) => Promise<readonly Advice[]>;
}

/** Shows what a hand causes with the hand's own next move: one picture painted for both. */
class NextFrame<S> {
  private frame = 0;
  private change: ((before: S) => S) | null = null;
  constructor(private readonly set: (change: (before: S) => S) => void) {}

  put(moving: boolean, change: (before: S) => S): void {
    this.change = change;
    if (!moving) this.now();
    else if (this.frame === 0) this.frame = requestAnimationFrame(() => this.now());
  }

  private now(): void {
    cancelAnimationFrame(this.frame);
    this.frame = 0;
    if (this.change !== null) this.set(this.change);
    this.change = null;
  }
}

const nothing = (): void => undefined;

/**
 * Judges the newest rig, never queueing: while one is being judged, only the newest of those that follow
 * waits. Spreads and advice are left out while the hand moves, and follow when it rests.
 */
function useJudged<Q, J>(question: Q | null, moving: boolean, asking: Asking<Q, J>): Judged<J> {
  const [state, setState] = useState<Judged<J>>({ judgement: null, problem: null, advice: [] });
  const busy = useRef(false);
  const waiting = useRef<{ question: Q; moving: boolean } | null>(null);
  /** Tells a full judgement under way that a newer rig waits. */
  const superseded = useRef(nothing);
  const [show] = useState(() => new NextFrame<Judged<J>>(setState));
  useEffect(() => {
    if (question === null) return;
    waiting.current = { question, moving };
    superseded.current();
    if (busy.current) return;
    busy.current = true;
    void (async () => {
      try {
        for (let next = waiting.current; next !== null; next = waiting.current) {
          waiting.current = null;
          const service = judgeWorker();
          const fast = await asking.judge(service, next.question, false);
          show.put(next.moving, (before) =>
            fast.ok ? { ...before, judgement: fast.value, problem: null } : { ...before, problem: fast, advice: [] },
          );
          if (next.moving || waiting.current !== null || !fast.ok) continue;
          const full = await Promise.race([
            asking.judge((thorough ??= startWorker()).service, next.question, true),
            new Promise<null>((stopped) => (superseded.current = () => stopped(null))),
          ]);
          superseded.current = nothing;
          if (full === null) stopThorough();
          if (full === null || waiting.current !== null) continue;
          setState((before) =>
            full.ok ? { ...before, judgement: full.value, problem: null } : { ...before, problem: full, advice: [] },
          );
          const advice = await asking.advise(service, next.question);
          if (waiting.current === null) setState((before) => ({ ...before, advice }));
        }
      } catch (error) {
        setState((before) => ({
          ...before,
          problem: { field: '', message: `The computation failed: ${String(error)}. Undo the last change.` },
        }));
      } finally {
        busy.current = false;
      }
    })();
  }, [question, moving, asking, show]);
  return state;
}

const RIDGE: Asking<PitchQuestion, Judgement> = {
  judge: (service, question, full) => service.judge(question, full) as Promise<Answer<Judgement>>,
  advise: async (service, question) => {
    const advice = await service.advise(question);
    return advice.ok ? advice.value : [];
  },
};
const PITCH: Asking<PitchQuestion, PitchJudgement> = {
  judge: (service, question, full) => service.judgePitch(question, full) as Promise<Answer<PitchJudgement>>,
  advise: () => Promise.resolve([]),
};
/** A ridgeline judged as it changes. */
export const useJudge = (question: PitchQuestion | null, moving: boolean): Judged<Judgement> =>
  useJudged(question, moving, RIDGE);
/** A pitched rig judged as it changes. */
export const usePitch = (question: PitchQuestion | null, moving: boolean): Judged<PitchJudgement> =>
  useJudged(question, moving, PITCH);

/** Verdicts asked for and not yet given, in order; the first is being worked out. */
const asked: { readonly question: PitchQuestion; readonly done: (verdict: Verdict) => void }[] = [];
/** Their worker: not the one that follows a hand, which must not wait for a list. */
let teller: ReturnType<typeof startWorker> | undefined;

function tellNext(): void {
  const next = asked[0];
  if (next === undefined) return;
  teller ??= startWorker();
  void teller.service.verdict(next.question).then((answer) => {
    if (asked[0] !== next) return;
    next.done(answer.ok ? answer.value : { holds: false, sentence: answer.message, detail: '' });
    asked.shift();
    tellNext();
  });
}

/** What a rig comes to, in a sentence; null until it is known. */
export function useVerdict(question: PitchQuestion): Verdict | null {
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  useEffect(() => {
    const own = { question, done: setVerdict };
    asked.push(own);
    if (asked[0] === own) tellNext();
    return () => {
      const at = asked.indexOf(own);
      if (at < 0) return;
      asked.splice(at, 1);
      // what is being worked out is of no use any more
      if (at === 0) {
        teller?.worker.terminate();
        teller = undefined;
        tellNext();
      }
    };
  }, [question]);
  return verdict;
}

/** Another rig judged in full, to stand beside this one; no result where it cannot be. */
export interface Other {
  readonly rig: RidgeRig;
  readonly judgement: PitchJudgement | null;
  readonly problem: string;
}

/** Another rig judged in a worker of its own; null until it is known, and where none is asked for. */
export function useOther(question: PitchQuestion | null): Other | null {
  const [other, setOther] = useState<Other | null>(null);
  useEffect(() => {
    if (question === null) return undefined;
    return ownWorker(
      async (service) => (await service.judgePitch(question, true)) as Answer<PitchJudgement>,
      (answer) =>
        setOther({
          rig: question.rig,
          judgement: answer.ok ? answer.value : null,
          problem: answer.ok ? '' : answer.message,
        }),
    );
  }, [question]);
  return question !== null && other?.rig === question.rig ? other : null;
}

/** Runs long work in a worker of its own that can be stopped. */
function ownWorker<T>(
  work: (service: Remote<RigService>) => Promise<Answer<T>>,
  done: (answer: Answer<T>) => void,
): () => void {
  const { worker, service } = startWorker();
  let open = true;
  const stop = (): void => {
    open = false;
    worker.terminate();
  };
  const failed = (error: unknown): Answer<T> => ({
    ok: false,
    field: '',
    message: `The computation failed: ${String(error)}. Nothing was changed.`,
  });
  void work(service)
    .catch(failed)
    .then((answer) => {
      if (open) done(answer);
      stop();
    });
  return stop;
}

/**
 * How to hang the bed as it is wished, and the one proposal for bed, straps and ridge; returns what cancels it.
 * @param straps told first, at once: the ways of setting the straps alone
 */
export function startHanging(
  question: PitchQuestion,
  straps: (answer: Answer<HangAnswer>) => void,
  done: (answer: Answer<HangTogether>) => void,
): () => void {
  let open = true;
  const stop = ownWorker(async (service) => {
    const alone = (await service.hangIt(question)) as Answer<HangAnswer>;
    if (open) straps(alone);
    return (await service.proposeHang(question)) as Answer<HangTogether>;
  }, done);
  return () => {
    open = false;
    stop();
  };
}

/** What to change about the roof over the bed; null until it is known. */
export function useRoofAdvice(question: PitchQuestion | null): readonly RoofAdvice[] | null {
  const [known, setKnown] = useState<{
    readonly question: PitchQuestion;
    readonly advice: readonly RoofAdvice[];
  } | null>(null);
  useEffect(() => {
    if (question === null) return undefined;
    return ownWorker(
      async (service) => (await service.roofAdvice(question)) as Answer<RoofAdvice[]>,
      (answer) => setKnown({ question, advice: answer.ok ? answer.value : [] }),
    );
  }, [question]);
  return known !== null && known.question === question ? known.advice : null;
}

/** Sizes the kit; returns what cancels it. */
export function startSizing(
  question: Question,
  progress: (done: number) => void,
  done: (answer: Answer<SizedCord[]>) => void,
): () => void {
  return ownWorker(async (service) => (await service.size(question, proxy(progress))) as Answer<SizedCord[]>, done);
}

/** Sizes a whole pitched rig from the kit; returns what cancels it. */
export function startSizingRig(
  question: PitchQuestion,
  aim: SizeAim,
  progress: (done: number) => void,
  done: (answer: Answer<SizedRig>) => void,
): () => void {
  return ownWorker(
    async (service) => (await service.sizeRig(question, aim, proxy(progress))) as Answer<SizedRig>,
    done,
  );
}

/** The strongest wind a rig bears, Beaufort; null where none. Returns what cancels it. */
export function startStrongestWind(question: PitchQuestion, done: (answer: Answer<number | null>) => void): () => void {
  return ownWorker(async (service) => (await service.strongestWind(question)) as Answer<number | null>, done);
}

/** Tension against sag; returns what cancels it. */
export function startTradeoff(
  question: Question,
  count: number,
  done: (answer: Answer<TradeoffPoint[]>) => void,
): () => void {
  return ownWorker(async (service) => (await service.tradeoff(question, count)) as Answer<TradeoffPoint[]>, done);
}
