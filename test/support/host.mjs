import { serve } from '../../dist/program/starting.mjs';

/** Runs the built program on one data folder after the other, as it is told; ends with whoever began it. */
let served = null;

process.on('disconnect', () => process.exit());
process.on('message', async ({ folder, port }) => {
  await served?.stop();
  served = null;
  if (folder !== null) {
    process.env.NEAT_RELAY_DATA = folder;
    served = await serve('127.0.0.1', port);
  }
  process.send(null);
});
