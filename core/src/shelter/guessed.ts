import { cordOf } from '../cordage/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import { usedBy } from '../rig/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { webbingOf } from '../bed/index.js';

/** Ids of the cords from which someone hangs. */
function underSomeone({ use, cord, bed }: RidgeRig): ReadonlySet<string> {
  const stays = (bed?.ends ?? []).flatMap(({ anchor }) => (anchor.kind === 'pole' ? [anchor.cord] : []));
  return new Set(use === 'person' ? [cord, ...stays] : stays);
}

/** Cords and straps of a rig whose strength or fibre is only guessed: kept off people, and told wherever they hold something. */
export function guessedOf(rig: RidgeRig, context: Pick<RigContext, 'kit' | 'straps'>): Finding[] {
  const { cords, straps } = usedBy(rig);
  const people = underSomeone(rig);
  return [
    ...context.straps
      .filter((s) => straps.has(s.id) && webbingOf(s)?.known === false)
      .map(({ id, name }) => finding('guessed-under-someone', { name, many: true }, id)),
    ...context.kit
      .filter((hank) => cords.has(hank.id) && cordOf(hank)?.known === false)
      .map(({ id, name }) =>
        people.has(id) ? finding('guessed-under-someone', { name, many: false }, id) : finding('guessed', { name }, id),
      ),
  ];
}
