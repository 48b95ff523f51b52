import { z } from 'zod';
import type { Described } from '../document/index.js';
import { atMost, id, oneOf, part, pair, within, words } from '../document/index.js';
import { DRILL_KINDS } from '../drill/drill.js';
import type { Asked, Drill, DrillKind, Guess, Said, Shown } from '../drill/drill.js';
import { limit } from '../quantity/index.js';
import type { Picture } from '../picture/index.js';

/** Ends of what may be sent; beyond them it is no guess. */
const L = {
  said: limit('guess', 'ratio', 1e-6, 1e6),
  place: limit('place', 'length', -200, 200),
  sure: limit('how sure', 'share', 0, 1),
  seed: limit('seed of the drill', 'count', 0, 2_147_483_647),
  code: limit('code', 'count', 0, 9999),
} as const;

const option = part({ id: words('id', 1, 80), name: words('name', 1, 120) });
const askedDocument = z.discriminatedUnion('form', [
  part({
    form: z.literal('number'),
    limit: part({
      name: words('name', 1, 60),
      quantity: oneOf('quantity', ['force', 'length', 'speed', 'count'] as const),
      min: z.number(),
      max: z.number(),
    }),
    whole: z.boolean(),
    truth: z.number().positive(),
  }),
  part({
    form: z.literal('choice'),
    options: atMost(option, 12, 'At most 12 can be chosen among.'),
    truth: words('truth', 1, 80),
  }),
  part({ form: z.literal('place'), from: pair(within(L.place)), truth: pair(within(L.place)) }),
]);
/** What is drawn is the core's own; what matters of it here is that it is a picture. */
const pictureDocument = z.object({ width: z.number(), height: z.number(), strokes: z.array(z.unknown()).max(400) });

/** A drill that a class is asked: as it was made, with the picture of what is true. */
export const liveDrillDocument = part({
  camp: id('camp'),
  rig: id('rig'),
  name: words('name of the rig', 1, 80),
  kind: oneOf('drill', DRILL_KINDS),
  seed: within(L.seed),
  facts: z.record(z.string(), z.unknown()),
  truths: z.record(z.string(), z.unknown()).nullable(),
  asked: askedDocument,
  shown: z.object({ picture: pictureDocument, upright: z.number(), hand: z.unknown() }),
  after: pictureDocument.nullable(),
});
export type LiveDrill = Pick<Drill, 'kind' | 'seed' | 'facts' | 'truths' | 'asked' | 'shown'> & {
  readonly camp: string;
  readonly rig: string;
  readonly name: string;
  readonly after: Picture | null;
};

/** A guess as a learner sends it, and for which round. */
export const liveGuessDocument = part({
  round: within(limit('round', 'count', 0, 1e6)),
  said: z.union([within(L.said), words('guess', 1, 80), pair(within(L.place))], {
    error: 'The guess is a number, a choice or a place.',
  }),
  sure: within(L.sure),
});
export type LiveGuess = Described<typeof liveGuessDocument>;
/** What lets somebody in. */
export const joinDocument = part({
  code: words('code', 1, 12),
  passphrase: words('passphrase', 1, 120),
  name: words('name', 1, 40),
});
/** A rig that the class may look at: its card as a page. */
export const sharedRigDocument = part({
  id: id('rig'),
  name: words('name of the rig', 1, 80),
  html: z.string({ error: 'The card is a page.' }).max(180_000, { error: 'The card is too long to be shared.' }),
});
export type SharedRig = Described<typeof sharedRigDocument>;

/** What is asked, without what is true. */
export type AskedOpen =
  | Omit<Extract<Asked, { readonly form: 'number' }>, 'truth'>
  | Omit<Extract<Asked, { readonly form: 'choice' }>, 'truth'>
  | Omit<Extract<Asked, { readonly form: 'place' }>, 'truth'>;
export interface LiveQuestion {
  readonly round: number;
  readonly name: string;
  readonly kind: DrillKind;
  readonly facts: Drill['facts'];
  readonly asked: AskedOpen;
  readonly shown: Shown;
}
/** What a learner may know of a drill before its truth is shown. */
export function questionOf({ name, kind, facts, asked, shown }: LiveDrill, round: number): LiveQuestion {
  const open: AskedOpen =
    asked.form === 'number'
      ? { form: 'number', limit: asked.limit, whole: asked.whole }
      : asked.form === 'choice'
        ? { form: 'choice', options: asked.options }
        : { form: 'place', from: asked.from };
  return { round, name, kind, facts, asked: open, shown };
}

/** Nothing asked yet, asked, or shown what is true. */
export type Phase = 'waiting' | 'asked' | 'shown';
/** How a class stands, as one of its learners sees it. */
export interface LearnerView {
  readonly camp: string;
  readonly name: string;
  readonly phase: Phase;
  readonly question: LiveQuestion | null;
  readonly mine: Guess | null;
  /** Once shown: the drill with its truth, and what all guessed, without names. */
  readonly truth: { readonly drill: LiveDrill; readonly all: readonly Said[] } | null;
  readonly rigs: readonly { readonly id: string; readonly name: string }[];
}
/** The same as whoever teaches sees it. */
export interface RoomView {
  readonly on: boolean;
  /** Where phones find it, what lets them in, and until when it has been asked for. */
  readonly addresses: readonly string[];
  readonly code: string;
  readonly passphrase: string;
  readonly phase: Phase;
  readonly round: number;
  readonly drill: LiveDrill | null;
  readonly learners: readonly {
    readonly id: string;
    readonly name: string;
    readonly here: boolean;
    readonly said: boolean;
  }[];
  readonly guesses: readonly { readonly learner: string; readonly said: Said; readonly sure: number }[];
  readonly rigs: readonly { readonly id: string; readonly name: string }[];
}
