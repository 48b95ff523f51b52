import type { Binding, KitCord } from '../cordage/index.js';
import { NoSuchLine } from '../line/index.js';
import type { Phrase } from '../quantity/index.js';
import { RigProblem } from '../rig/index.js';
import type { Gear } from '../rig/index.js';
import { judgeRig } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Fight } from './fight.js';
import { fightsOf } from './fight.js';
import type { Joining } from './join.js';
import { joiningOf } from './join.js';
import type { SolveMip } from './mip.js';
import type { Need } from './need.js';
import type { Plan } from './plan.js';
import { planCuts } from './plan.js';
import type { Stock } from './stock.js';
import { stocksOf } from './stock.js';
import type { Sticks, Thing } from './things.js';
import { sticksOf, thingsOf } from './things.js';
import type { Planned } from './wanted.js';
import { bindingsOf, needsOf } from './wanted.js';

/** The cord of some rigs together, and all else that they take from one bag. */
export interface Budget {
  readonly needs: readonly Need[];
  readonly stocks: readonly Stock[];
  readonly plan: Plan;
  readonly fights: readonly Fight[];
  /** Of each line that no single length does: how it may be joined, or why not. By its need's id. */
  readonly joinings: ReadonlyMap<string, Joining>;
  readonly things: readonly Thing[];
  readonly sticks: readonly Sticks[];
  /** Rigs that cannot be worked out, and are not in it. */
  readonly left: readonly { readonly of: string; readonly why: Phrase }[];
}

/** What a budget is made of besides the rigs. */
export interface Bag extends Gear {
  readonly cords: readonly KitCord[];
  /** What the camp itself binds. */
  readonly bindings: readonly Binding[];
}

/**
 * Plans the cord of rigs that draw on one bag.
 * @param progress told the share that is done; false stops it
 * @returns null where it was stopped
 */
export function budgetOf(
  planned: readonly Planned[],
  bag: Bag,
  solve: SolveMip,
  progress: (done: number) => boolean = () => true,
): Budget | null {
  const reports = new Map<string, RigReport>();
  const left: Budget['left'][number][] = [];
  for (const [k, one] of planned.entries()) {
    if (!progress((0.8 * k) / planned.length)) return null;
    try {
      reports.set(one.id, judgeRig(one.rig, one.context, { full: false }).report);
    } catch (error) {
      if (!(error instanceof RigProblem || error instanceof NoSuchLine)) throw error;
      left.push({ of: one.id, why: error.said });
    }
  }
  const needs = [
    ...planned.flatMap((one) => needsOf(one, reports.get(one.id)?.rows ?? [])),
    ...bindingsOf(bag.bindings, bag.cords),
  ];
  const stocks = stocksOf(bag.cords);
  const joinings = new Map<string, Joining>();
  const judged = new Map<string, RigReport>();
  /** Lines are judged whole before they are joined: under every case, not only as pitched. */
  const joinable = (among: readonly Need[]): { readonly need: Need; readonly takes: number }[] =>
    among.flatMap((need) => {
      const one = planned.find((p) => p.id === need.of);
      if (one === undefined || stocks.some((s) => s.length >= need.length && need.from.has(s.hank))) return [];
      const full =
        judged.get(one.id) ?? judgeRig(one.rig, one.context, { full: true, spreads: true, rising: false }).report;
      judged.set(one.id, full);
      const row = full.rows.find((r) => `${one.id}/${r.id}` === need.id);
      if (row === undefined) return [];
      const joining = joiningOf(one.rig, one.context, row);
      joinings.set(need.id, joining);
      return joining.may ? [{ need, takes: joining.takes }] : [];
    });
  const plan = planCuts(needs, stocks, solve, joinable);
  if (!progress(0.95)) return null;
  return {
    needs,
    stocks,
    plan,
    fights: fightsOf(plan, needs, stocks, solve),
    joinings,
    things: thingsOf(planned, reports, bag),
    sticks: planned.map((one) => sticksOf(one, reports.get(one.id))),
    left,
  };
}
