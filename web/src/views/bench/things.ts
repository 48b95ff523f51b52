import type { GuyReport } from '@rough-bight/core/pitch';
import type { Row } from '@rough-bight/core/rig';
import { isHold, keyOfLine, lineOfHold } from '@rough-bight/core/support';
import type { RigGrip } from '../../scene/moved.js';
import type { RoofReport } from '../../workers/report.js';

/** A thing of the rig, by which its few numbers are opened. */
export type Thing =
  | { readonly is: 'trunk' | 'hitch' | 'end'; readonly index: 0 | 1 }
  | { readonly is: 'hung'; readonly index: number }
  | { readonly is: 'edge'; readonly index: 0 | 1 }
  | { readonly is: 'line' | 'roof' | 'wind' }
  | { readonly is: 'guy'; readonly row: string }
  | { readonly is: 'lying' | 'wall'; readonly id: string }
  | { readonly is: 'fire' };

/** A thing that was touched, and where, px of the window. */
export interface Touched {
  readonly thing: Thing;
  readonly at: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Where the keyboard goes back to. */
  readonly from: Element | null;
}

/** The thing a handle of the scene belongs to; null where it is its own number. */
export function thingOfGrip(grip: RigGrip, report: RoofReport | null): Thing | null {
  switch (grip.kind) {
    case 'trunk':
    case 'tie':
      return { is: 'trunk', index: grip.index };
    case 'hitch':
      return { is: 'hitch', index: grip.index };
    case 'strap':
    case 'loop':
      return { is: 'end', index: grip.index };
    case 'hung':
      return { is: 'hung', index: grip.index };
    case 'edge':
      return { is: 'edge', index: grip.index };
    case 'sag':
      return { is: 'line' };
    case 'roof':
      return { is: 'roof' };
    case 'wind':
    case 'north':
      return { is: 'wind' };
    case 'lying':
    case 'head':
      return { is: 'lying', id: grip.key };
    case 'wall':
    case 'wall-end':
      return { is: 'wall', id: grip.key };
    case 'fire':
      return { is: 'fire' };
    case 'foot':
    case 'stick': {
      const guy = report?.roof.guys.find((g) => g.key === grip.key && g.kind !== 'tie');
      return guy === undefined ? null : { is: 'guy', row: guy.id };
    }
  }
}

/** The thing a row of the ledger is about; null where nothing of it can be changed. */
export function thingOfRow(row: Row, report: RoofReport | null): Thing | null {
  const index = row.id.includes('1') ? 1 : 0;
  switch (row.role) {
    case 'trunk':
      return { is: 'trunk', index };
    case 'ridge':
    case 'extension':
    case 'tie':
      return { is: 'line' };
    case 'loop':
      return { is: 'hitch', index };
    case 'strap':
    case 'pole':
    case 'stay':
      return { is: 'end', index };
    case 'guy':
    case 'peg':
    case 'hold':
    case 'stick':
      return guyOfRow(row.id, report) === undefined ? null : { is: 'guy', row: row.id };
    case 'cloth':
    case 'bed':
      return null;
  }
}

/** The guy that a row of the ledger is about; what holds several is told with the line that has it. */
export function guyOfRow(row: string, report: RoofReport | null): GuyReport | undefined {
  const held = isHold(row) ? keyOfLine(lineOfHold(row)) : null;
  return report?.roof.guys.find((g) => g.kind !== 'tie' && (g.id === row || g.key === held));
}
