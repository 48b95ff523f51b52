import type { Hands } from '../rig/index.js';
import type { Step } from './step.js';

/** People at work at once. A class works in pairs: two of them are as many as do not stand in each other's way on one rig. Judgement. */
const PEOPLE: Readonly<Record<Hands, number>> = { alone: 1, two: 2, class: 4 };

/** A step, who does it, and when. */
export interface Planned {
  readonly step: Step;
  /** Which of the people, from 0. */
  readonly by: readonly number[];
  /** s from the beginning. */
  readonly from: number;
  readonly to: number;
}

/**
 * Steps given to hands: whoever is free takes the first step whose forerunners are done. One alone keeps the list's own order.
 * @param secondsOf what a step takes, s
 */
export function scheduleOf(steps: readonly Step[], hands: Hands, secondsOf: (step: Step) => number): Planned[] {
  const people = PEOPLE[hands];
  const free = Array.from({ length: people }, () => 0);
  const done = new Map<string, number>();
  const out: Planned[] = [];
  const waiting = [...steps];
  while (waiting.length > 0) {
    let best: { k: number; from: number; by: number[] } | null = null;
    for (const [k, step] of waiting.entries()) {
      if (step.after.some((id) => !done.has(id))) continue;
      const wants = Math.min(step.hands, people);
      const by = free
        .map((at, i) => [at, i] as const)
        .sort((a, b) => a[0] - b[0] || a[1] - b[1])
        .slice(0, wants)
        .map(([, i]) => i);
      const from = Math.max(...by.map((i) => free[i]!), ...step.after.map((id) => done.get(id)!));
      if (best === null || from < best.from - 1e-9) best = { k, from, by };
      if (people === 1) break;
    }
    if (best === null) throw new RangeError(`Steps wait for each other: ${waiting.map((s) => s.id).join(', ')}`);
    const [step] = waiting.splice(best.k, 1);
    const to = best.from + secondsOf(step!);
    for (const i of best.by) free[i] = to;
    done.set(step!.id, to);
    out.push({ step: step!, by: best.by.sort(), from: best.from, to });
  }
  return out;
}

/** When the last of them is done, s. */
export const lasts = (plan: readonly Planned[]): number => Math.max(0, ...plan.map((p) => p.to));
