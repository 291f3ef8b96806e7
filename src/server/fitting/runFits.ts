import { parentPort } from 'node:worker_threads';
import { allAtOnce } from '../../core/steps';
import { RunningFit } from '../../core/time/RunningFit';
import type { StoredLogRow } from '../../core/views/stored';
import { fittedLog, GOES_ON_FROM } from './fitter';
import { fingerprintOf, type HandedFit } from './handedFit';
import type { FitMessage } from './ThreadFitter';

/** The log as it was told so far. */
const rows = new Map<string, StoredLogRow>();
const running = new RunningFit<StoredLogRow>(GOES_ON_FROM);

parentPort!.on('message', (message: FitMessage) => {
  if ('put' in message) for (const row of message.put) rows.set(row.id, row);
  else if ('drop' in message) for (const id of message.drop) rows.delete(id);
  else parentPort!.postMessage(fit(message));
});

function fit({ hour, spreads }: Extract<FitMessage, { hour: Date }>): HandedFit {
  const log = [...rows.values()];
  return { ...fittedLog(allAtOnce(running.fit(log, hour, spreads))), hour, fingerprint: fingerprintOf(log) };
}
