import { apart, simulatedRangefinder } from '@rough-bight/core/ground';
import type { Place, Rangefinder } from '@rough-bight/core/ground';

/**
 * The rangefinder at hand. No device is known to this browser, so it is the stand-in, which takes the plan as it is drawn
 * for the wood; a real one would be opened here behind the same interface.
 */
export function openRangefinder({ things }: Place): Rangefinder {
  return simulatedRangefinder((from, to) => {
    const [a, b] = [things.find((t) => t.id === from), things.find((t) => t.id === to)];
    return a === undefined || b === undefined ? null : apart(a.at, b.at);
  });
}
