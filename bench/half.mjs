// Half of a full judgement, or of the rigs that one may be, in a thread of its own.
import { parentPort } from 'node:worker_threads';
import { solveDrawn } from '@rough-bight/core/doubt';
import { solvePitch } from '@rough-bight/core/pitch';

parentPort.on('message', ({ rig, context, asked, parts }) => {
  parentPort.postMessage(
    asked === undefined ? solvePitch(rig, context, { full: true }, 1).states : solveDrawn(rig, context, asked, parts),
  );
});
