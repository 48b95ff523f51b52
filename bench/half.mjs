// Half of a full judgement, in a thread of its own.
import { parentPort } from 'node:worker_threads';
import { solvePitch } from '@rough-bight/core/pitch';

parentPort.on('message', ({ rig, context }) => {
  parentPort.postMessage(solvePitch(rig, context, { full: true }, 1).states);
});
