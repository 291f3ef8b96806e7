import { parentPort } from 'node:worker_threads';
import { allAtOnce } from '../../core/kernel/steps';
import { RunningFit } from '../../core/time/fit/RunningFit';
import type { StoredLogRow } from '../../core/log/definitions';
import { fittedLog, GOES_ON_FROM } from '../work/fitter';
import { fingerprintOf, type HandedFit } from '../work/handedFit';
import type { FitMessage } from '../work/ThreadFitter';

/** The log as it was told so far. */
const rows = new Map<string, StoredLogRow>();
let running = new RunningFit<StoredLogRow>(GOES_ON_FROM);

parentPort!.on('message', (message: FitMessage) => {
  if (message === 'forget') {
    rows.clear();
    running = new RunningFit(GOES_ON_FROM);
  } else if ('put' in message) for (const row of message.put) rows.set(row.id, row);
  else if ('drop' in message) for (const id of message.drop) rows.delete(id);
  else parentPort!.postMessage(fit(message));
});

function fit({ hour, spreads }: Extract<FitMessage, { hour: Date }>): HandedFit {
  const log = [...rows.values()];
  return { ...fittedLog(allAtOnce(running.fit(log, hour, spreads))), hour, fingerprint: fingerprintOf(log) };
}
