/** Letters and figures that are not taken for each other when they are read aloud or by a lamp. */
const SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const LENGTH = 5;

/** A short code by which a rig is found again: the same for the same id, on every device. */
export function codeOf(id: string): string {
  // FNV-1a, 32 bits: of some hundred rigs of a camp two hardly ever share 25 of them
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(id)) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return Array.from({ length: LENGTH }, (_, i) => SIGNS[(hash >>> (5 * i)) & 31]!).join('');
}
