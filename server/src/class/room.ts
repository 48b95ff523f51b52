import { scoreOf } from '@rough-bight/core/drill';
import type { Guess } from '@rough-bight/core/drill';
import type { LogEntry } from '@rough-bight/core/log';
import { MOST_LEARNERS, questionOf } from '@rough-bight/core/teach';
import type { Learner, LearnerView, LiveDrill, LiveGuess, Phase, RoomView, SharedRig } from '@rough-bight/core/teach';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { Subject } from 'rxjs';
import type { Store } from '../db/database.js';
import { camps, logEntries } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';
import { isIt, keep, newCode, newPassphrase } from './passphrase.js';
import type { Kept } from './passphrase.js';
import { Rate } from './rate.js';
import { Sessions } from './sessions.js';
import type { Session } from './sessions.js';

/** ms after which a page that listens is told that nothing is new, so that a dead line is noticed. */
export const BEAT = 20_000;

/** Wrong passphrases that one address may try in a minute. */
const WRONG = { most: 5, seconds: 60 } as const;
/** What one session may ask for in ten seconds. */
const ASKED = { most: 40, seconds: 10 } as const;

interface Here extends Learner {
  /** Pages of theirs that listen. */
  listening: number;
}

/** A class that answers the same drill together. It is in memory alone; what was guessed goes to the camp's log when it is shown. */
export class Room {
  readonly sessions = new Sessions();
  readonly rate = new Rate(ASKED.most, ASKED.seconds);
  private readonly wrong = new Rate(WRONG.most, WRONG.seconds);
  private readonly learners = new Map<string, Here>();
  private readonly guesses = new Map<string, Guess>();
  private readonly rigs = new Map<string, SharedRig>();
  private phase: Phase = 'waiting';
  private round = 0;
  private drill: LiveDrill | null = null;
  private campId: string | null = null;
  private campName = '';
  /** New learners are written down one after the other: each list is made of the one before. */
  private writing: Promise<unknown> = Promise.resolve();
  /** Told when learners see something else, and when whoever teaches does. */
  readonly forLearners = new Subject<void>();
  readonly forTeacher = new Subject<void>();

  private constructor(
    private readonly store: Store,
    readonly code: string,
    readonly passphrase: string,
    private readonly kept: Kept,
    /** Where phones find it. */
    public addresses: readonly string[] = [],
  ) {}

  static async open(store: Store): Promise<Room> {
    const passphrase = newPassphrase();
    return new Room(store, newCode(), passphrase, await keep(passphrase));
  }

  private async camp(id: string | null): Promise<{ id: string; name: string; learners: readonly Learner[] }> {
    const rows = await this.store.db.select().from(camps);
    const row = id === null ? rows.find((c) => !c.away) : rows.find((c) => c.id === id);
    if (row === undefined) throw notFound('camp of that name');
    return row;
  }

  /**
   * Lets somebody in who knows code and passphrase.
   * @param from the address they come from: after some wrong ones it waits
   */
  async join(
    given: { readonly code: string; readonly passphrase: string; readonly name: string },
    from: string,
  ): Promise<string> {
    const wait = this.wrong.wait(from);
    if (wait > 0)
      throw new ProblemException({
        code: 'busy',
        message: `That was wrong too often. Wait ${wait} s, and ask whoever teaches.`,
      });
    // counted before it is looked at: many at once are many
    this.wrong.count(from);
    const right = (await isIt(given.passphrase, this.kept)) && given.code.trim() === this.code;
    if (!right)
      throw new ProblemException({
        code: 'forbidden',
        message: 'Code and passphrase do not go together. Look at the instructor’s screen.',
      });
    this.wrong.forgive(from);
    const name = given.name.trim();
    const same = (l: Learner): boolean => l.name.toLowerCase() === name.toLowerCase();
    const now = [...this.learners.values()].find(same);
    if (now !== undefined && now.listening > 0)
      throw new ProblemException({ code: 'conflict', message: `Somebody is here as ${now.name}. Take another name.` });
    const learner = now ?? (await this.inTurn(() => this.learnerOf(name, same)));
    this.learners.set(learner.id, { ...learner, listening: 0 });
    this.forTeacher.next();
    return this.sessions.open({ role: 'learner', learner: learner.id, name: learner.name });
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = this.writing.then(work, work);
    this.writing = done.catch(() => undefined);
    return done;
  }

  /** Whose class it is from now on: of the camp that whoever teaches looks at. */
  async of(campId: string): Promise<void> {
    const { id, name } = await this.camp(campId);
    if (this.campId === id) return;
    [this.campId, this.campName] = [id, name];
    this.forLearners.next();
  }

  /** A learner of the camp by their name, or a new one. */
  private async learnerOf(name: string, same: (l: Learner) => boolean): Promise<Learner> {
    const { id, learners } = await this.camp(this.campId);
    const known = learners.find(same);
    if (known !== undefined) return known;
    if (learners.length >= MOST_LEARNERS)
      throw new ProblemException({ code: 'conflict', message: `This class is full: ${MOST_LEARNERS} learners.` });
    const made: Learner = { id: randomUUID(), name };
    await this.store.db
      .update(camps)
      .set({ learners: [...learners, made] })
      .where(eq(camps.id, id));
    this.store.touched();
    return made;
  }

  /** Somebody's page listens, or no longer does. */
  listens({ learner }: Session, by: 1 | -1): void {
    const here = this.learners.get(learner);
    if (here === undefined) return;
    here.listening = Math.max(0, here.listening + by);
    this.forTeacher.next();
  }

  leave({ learner }: Session): void {
    this.learners.delete(learner);
    this.guesses.delete(learner);
    this.forTeacher.next();
  }

  async ask(drill: LiveDrill): Promise<void> {
    await this.of(drill.camp);
    this.drill = drill;
    this.round += 1;
    this.phase = 'asked';
    this.guesses.clear();
    this.forLearners.next();
    this.forTeacher.next();
  }

  guess({ learner }: Session, { round, said, sure }: LiveGuess): void {
    if (this.phase !== 'asked' || this.drill === null || round !== this.round)
      throw new ProblemException({ code: 'conflict', message: 'That question is over. The next one comes by itself.' });
    const guess: Guess = { said: typeof said === 'object' ? [said[0], said[1]] : said, sure };
    const { asked } = this.drill;
    const fits =
      asked.form === 'number'
        ? typeof said === 'number' &&
          said >= asked.limit.min &&
          said <= asked.limit.max &&
          (!asked.whole || Number.isInteger(said))
        : asked.form === 'choice'
          ? asked.options.some((o) => o.id === said)
          : typeof said === 'object';
    if (!fits)
      throw new ProblemException({ code: 'invalid', message: 'That is no answer to this question. Look at it again.' });
    this.guesses.set(learner, guess);
    this.forTeacher.next();
  }

  /** Shows what is true, and writes every guess into the camp's log, once. */
  async show(): Promise<void> {
    const { drill } = this;
    if (this.phase !== 'asked' || drill === null)
      throw new ProblemException({ code: 'conflict', message: 'Nothing is asked that could be shown. Ask first.' });
    this.phase = 'shown';
    const at = new Date().toISOString();
    const entries = [...this.guesses].map(([by, guess]): LogEntry => {
      const { kind, seed, rig } = drill;
      return {
        id: randomUUID(),
        at,
        by,
        rig,
        what: { kind: 'guess', drill: kind, seed, ...scoreOf(drill, guess), sure: guess.sure },
      };
    });
    if (entries.length > 0) {
      await this.store.db.insert(logEntries).values(entries.map((e) => ({ campId: drill.camp, ...e })));
      this.store.touched();
    }
    this.forLearners.next();
    this.forTeacher.next();
  }

  share(rig: SharedRig): void {
    this.rigs.set(rig.id, rig);
    this.forLearners.next();
    this.forTeacher.next();
  }
  unshare(id: string): void {
    this.rigs.delete(id);
    this.forLearners.next();
    this.forTeacher.next();
  }
  /** A shared rig's card; null for one that is not shared. */
  card = (id: string): string | null => this.rigs.get(id)?.html ?? null;

  private shared = (): { readonly id: string; readonly name: string }[] =>
    [...this.rigs.values()].map(({ id, name }) => ({ id, name }));

  forLearner({ learner, name }: Session): LearnerView {
    const { phase, drill, round, guesses } = this;
    return {
      camp: this.campName,
      name,
      phase,
      question: drill === null ? null : questionOf(drill, round),
      mine: guesses.get(learner) ?? null,
      truth: phase === 'shown' && drill !== null ? { drill, all: [...guesses.values()].map((g) => g.said) } : null,
      rigs: this.shared(),
    };
  }

  view(): RoomView {
    const { addresses, code, passphrase, phase, round, drill, learners, guesses } = this;
    return {
      on: true,
      addresses,
      code,
      passphrase,
      phase,
      round,
      drill,
      learners: [...learners.values()].map(({ id, name, listening }) => ({
        id,
        name,
        here: listening > 0,
        said: guesses.has(id),
      })),
      guesses: [...guesses].map(([learner, g]) => ({ learner, ...g })),
      rigs: this.shared(),
    };
  }

  /** Lets nobody in any more, and everybody out. */
  close(): void {
    this.sessions.closeAll();
    this.learners.clear();
    this.forLearners.complete();
    this.forTeacher.complete();
  }
}
