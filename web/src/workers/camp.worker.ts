import { budgetOf, loadSolver } from '@rough-bight/core/budget';
import type { Bag, Budget, Planned, SolveMip } from '@rough-bight/core/budget';
import { campCardOf, cardHtml, cardOf } from '@rough-bight/core/card';
import type { CampOnCard, Card, RigOnCard } from '@rough-bight/core/card';
import type { Timed } from '@rough-bight/core/order';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { judgeRig } from '@rough-bight/core/shelter';
import { expose } from 'comlink';
import wasm from 'highs/runtime?url';
import type { Answer } from './answer.js';
import { answer } from './answer.js';

let solver: Promise<SolveMip> | undefined;

/** A rig of a camp whose card is made. */
export interface Carded extends Planned {
  readonly note: string;
  /** Where it is found on the instructor's own network. */
  readonly address: string;
}

/** What cards are made of. */
export interface CardsAsked {
  readonly rigs: readonly Carded[];
  readonly units: UnitChoice;
  readonly timed: readonly Timed[];
  /** The camp whose night it is, where they are the cards of one. */
  readonly night:
    | (Pick<CampOnCard, 'id' | 'name' | 'about' | 'address' | 'body'> & {
        /** What all of them draw on. */
        readonly bag: Bag;
      })
    | null;
}

const service = {
  /**
   * Cards of some rigs, each judged in full; a rig that cannot be worked out says why instead. Before them that of the night, where
   * they are a camp's.
   */
  cards: async (
    { rigs, units, timed, night }: CardsAsked,
    progress: (done: number) => void,
  ): Promise<readonly Answer<Card>[]> => {
    const share = night === null ? 1 : 0.8;
    const made = rigs.map((one, i) => {
      progress((share * i) / rigs.length);
      return answer(units, (): { readonly of: RigOnCard; readonly card: Card } => {
        const { report } = judgeRig(one.rig, one.context, { full: true, rising: true });
        const of = { ...one, report, units, timed };
        return { of, card: cardOf(of) };
      });
    });
    const cards = made.map((m): Answer<Card> => (m.ok ? { ok: true, value: m.value.card } : m));
    if (night === null) return cards;
    const { bag, body, ...camp } = night;
    const budget = await service.budget(rigs, bag, (done) => progress(share + (1 - share) * done));
    if (budget === null) return cards;
    const names = new Map([...rigs, ...bag.bindings, ...bag.cords].map((x) => [x.id, x.name]));
    const named = (id: string): string => names.get(id) ?? id;
    return [
      answer(units, () =>
        campCardOf({
          ...camp,
          rigs: made.flatMap((m) => (m.ok ? [m.value.of] : [])),
          left: made.flatMap((m, i) => (m.ok ? [] : [rigs[i]!.name])),
          budget,
          nameOf: named,
          hankOf: named,
          body,
          units,
        }),
      ),
      ...cards,
    ];
  },
  /** The card of the first of them as a page that stands by itself. */
  page: async (asked: CardsAsked): Promise<Answer<string>> => {
    const [card] = await service.cards(asked, () => undefined);
    return card?.ok === true ? { ok: true, value: cardHtml(card.value.title, [card.value]) } : card!;
  },
  /** The cord of some rigs of a camp together. */
  budget: async (planned: readonly Planned[], bag: Bag, progress: (done: number) => void): Promise<Budget | null> => {
    solver ??= loadSolver(wasm);
    const solve = await solver;
    return budgetOf(planned, bag, solve, (done) => {
      progress(done);
      return true;
    });
  },
};

export type CampService = typeof service;
expose(service);
