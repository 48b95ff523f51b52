import type { PitchResult } from '@rough-bight/core/pitch';
import type { RidgeResult } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';

/** A judged rig whose line stands alone, or that has a roof on it. */
export type LineReport = RigReport & { readonly line: RidgeResult };
export type RoofReport = RigReport & { readonly roof: PitchResult };

export const isLine = (r: RigReport): r is LineReport => r.line !== null;
export const isRoof = (r: RigReport): r is RoofReport => r.roof !== null;

/** A report as that of a roof; null where there is none. */
export const roofOf = (report: RigReport | null): RoofReport | null =>
  report !== null && isRoof(report) ? report : null;
