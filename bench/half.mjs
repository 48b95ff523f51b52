// Half of a full judgement, in a thread of its own.
import { parentPort } from 'node:worker_threads';
import { solvePitch } from '@rough-bight/core/pitch';

parentPort.on('message', ({ rig, around }) => {
  parentPort.postMessage(solvePitch(rig, around, { full: true }, 1).states);
});
