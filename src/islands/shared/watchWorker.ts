const FAILED = 'The browser broke off what was being worked out here: reload the page to try again.';

/** Tells when a worker fails, in words: without that whoever waits for it would wait for good. */
export function watchWorker(worker: Worker, onFailed: (message: string) => void): void {
  for (const kind of ['error', 'messageerror'] as const) worker.addEventListener(kind, () => onFailed(FAILED));
}
