import { atMost, part } from '@rough-bight/core/document';
import { MOST_AT_ONCE, entryDocument } from '@rough-bight/core/log';
import { bodyOf } from '../errors/body.js';

/** Entries in the order in which they were written. */
export class LogEntriesDto extends bodyOf(
  part({ entries: atMost(entryDocument, MOST_AT_ONCE, `At most ${MOST_AT_ONCE} entries can be sent at once.`) }),
) {}
