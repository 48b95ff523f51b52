/** What is to be done with the next picture: all of it together, so that one picture is made of it. */
const due = new Set<() => void>();
/** Who waits for a turn, in the order they came. */
const waiting = new Set<() => void>();
let asked = 0;
/** Whether the picture before gave a turn: every other one is the scene's alone. */
let given = false;

function picture(): void {
  asked = 0;
  const now = [...due];
  due.clear();
  for (const work of now) work();
  const next = given ? undefined : waiting.values().next().value;
  given = next !== undefined;
  if (next !== undefined) {
    waiting.delete(next);
    next();
  }
  if (waiting.size > 0) ask();
}

function ask(): void {
  if (asked === 0) asked = requestAnimationFrame(picture);
}

/** Does work with the next picture, once however often it is asked for. */
export function withNextFrame(work: () => void): void {
  due.add(work);
  ask();
}

/** A place in the row of those who wait, once however often it is asked for. */
export interface Turn {
  readonly wait: () => void;
  readonly leave: () => void;
}

/** Work that takes turns with others: one of them every other picture. */
export const inTurn = (work: () => void): Turn => ({
  wait: () => {
    waiting.add(work);
    ask();
  },
  leave: () => void waiting.delete(work),
});
