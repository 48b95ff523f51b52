/** A line of the rig by what it is told with: a guy by the key of its tie-out, or the back-stays of one of the bed's ends. */
export type LineId = `guy ${string}` | 'stays0' | 'stays1';

const GUY = 'guy ';
export const guyLine = (key: string): LineId => `${GUY}${key}`;
/** Key of the guy that a line is; null for back-stays. */
export const keyOfLine = (id: LineId): string | null => (id.startsWith(GUY) ? id.slice(GUY.length) : null);

/** What holds more than one line on the ground, by the line that it is told with. */
export type HoldId = `hold ${LineId}`;
const HOLD = 'hold ';
export const holdWith = (line: LineId): HoldId => `${HOLD}${line}`;
export const isHold = (id: string): id is HoldId => id.startsWith(HOLD);
export const lineOfHold = (id: HoldId): LineId => id.slice(HOLD.length) as LineId;
