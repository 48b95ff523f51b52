import { CORDS, EVIDENCE_WORDS } from '@rough-bight/core/catalogue';
import type { Output } from './main.js';
import { readOptions } from './options.js';

/** `rb cords [--json]`: the catalogue with its evidence. */
export function cords(args: readonly string[], io: Output): void {
  const options = readOptions(args, [], ['json']);
  if (options.has('json')) {
    io.out(JSON.stringify(CORDS, null, 2));
    return;
  }
  const rows = CORDS.map((c) => [
    c.id,
    c.name,
    `${c.strength.low.toFixed(0)} / ${c.strength.typical.toFixed(0)} / ${c.strength.high.toFixed(0)} N`,
    `${(c.breakStrain.typical * 100).toFixed(0)} %`,
    `${(c.massPerMetre.typical * 1000).toFixed(1)} g/m`,
    c.bears ? EVIDENCE_WORDS[c.strength.kind] : 'never counted as strength',
  ]);
  const head = ['id', 'cord', 'minimum strength, low / typical / high', 'stretch at break', 'mass', 'strength from'];
  const widths = head.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i]!.length)));
  for (const row of [head, ...rows])
    io.out(
      row
        .map((cell, i) => cell.padEnd(widths[i]!))
        .join('  ')
        .trimEnd(),
    );
}
