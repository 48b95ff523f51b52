import { part } from '@rough-bight/core/document';
import { joinDocument, liveDrillDocument, liveGuessDocument, sharedRigDocument } from '@rough-bight/core/teach';
import { bodyOf } from '../errors/body.js';

/** Code, passphrase and name. */
export class JoinDto extends bodyOf(joinDocument) {}
export class LiveDrillDto extends bodyOf(part({ drill: liveDrillDocument })) {}
export class LiveGuessDto extends bodyOf(liveGuessDocument) {}
export class SharedRigDto extends bodyOf(sharedRigDocument) {}
