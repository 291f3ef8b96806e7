import { Worker } from 'node:worker_threads';
import type { Spreads } from '../../core/time/fit/spreads';
import type { StoredLogRow } from '../../core/log/definitions';
import { letOthersIn } from '../running/inSlices';
import type { Fitter } from './fitter';
import { builtFile } from './places';
import { keepLatestFit, type HandedFit } from './handedFit';

/** So many rows are handed over in one go: copying more would hold up whoever else asks for something. */
const ROWS_AT_ONCE = 1000;

const ENDED = 'The thread that fits the log ended without an answer.';

/** Rows that came or were changed, rows that are gone, forget everything, or: fit what you know now. */
export type FitMessage = { put: StoredLogRow[] } | { drop: string[] } | 'forget' | { hour: Date; spreads: Spreads | undefined };

/** A thread, and the rows of the log that it knows. */
interface Fitting {
  thread: Worker;
  known: Map<string, StoredLogRow>;
  hasEnded: boolean;
}

/** What knows nothing and nobody uses: who follows, as after a restore, finds its code made fast. */
let spare: Fitting | null = null;

/** Fits in a thread of its own that knows the log: it is told what has changed since, and nobody else waits for it. */
export class ThreadFitter implements Fitter {
  /** It takes half a second to begin: it does while the log is read. */
  private fitting: Fitting | null = begin();
  private turn: Promise<unknown> = Promise.resolve();
  /** Fits that somebody waits for. */
  private asked = 0;

  /** One fit after the other; one that fails does not fail the next. */
  fit(log: readonly StoredLogRow[], hour: Date, spreads: Spreads | undefined): Promise<HandedFit> {
    this.asked++;
    const fitted = this.turn.then(() => this.fitNow(log, hour, spreads)).finally(() => this.asked--);
    this.turn = fitted.then(keepLatestFit, () => undefined);
    return fitted;
  }

  async stop(): Promise<void> {
    keepLatestFit(null);
    if (!this.fitting) return;
    if (this.asked > 0 || spare) await this.fitting.thread.terminate();
    else {
      keepSpare(this.fitting);
      this.fitting = null;
    }
  }

  private async fitNow(log: readonly StoredLogRow[], hour: Date, spreads: Spreads | undefined): Promise<HandedFit> {
    if (this.fitting?.hasEnded !== false) this.fitting = begin();
    const { fitting } = this;
    await tellChanges(fitting, log);
    if (fitting.hasEnded) throw new Error(ENDED);
    return fitIn(fitting.thread, { hour, spreads });
  }
}

function begin(): Fitting {
  const known = spare;
  spare = null;
  if (known?.hasEnded === false) return known;
  const thread = new Worker(builtFile('program/fits.mjs'));
  const fitting = { thread, known: new Map<string, StoredLogRow>(), hasEnded: false };
  // Whoever waits for an answer hears of an error too; the next fit begins another thread, which knows nothing yet.
  thread.on('error', () => undefined).once('exit', () => (fitting.hasEnded = true));
  thread.unref();
  return fitting;
}

function keepSpare(fitting: Fitting): void {
  fitting.thread.postMessage('forget' satisfies FitMessage);
  fitting.known.clear();
  spare = fitting;
}

function fitIn(thread: Worker, asked: Extract<FitMessage, { hour: Date }>): Promise<HandedFit> {
  return new Promise<HandedFit>((resolve, reject) => {
    const end = (act: () => void) => {
      thread.off('message', hear).off('error', fail).off('exit', leave).unref();
      act();
    };
    const hear = (answer: HandedFit) => end(() => resolve(answer));
    const fail = (error: Error) => end(() => reject(error));
    const leave = () => end(() => reject(new Error(ENDED)));
    thread.on('message', hear).on('error', fail).on('exit', leave).ref();
    thread.postMessage(asked);
  });
}

async function tellChanges({ thread, known }: Fitting, log: readonly StoredLogRow[]): Promise<void> {
  const fresh = log.filter((row) => known.get(row.id) !== row);
  for (let at = 0; at < fresh.length; at += ROWS_AT_ONCE) {
    if (at > 0) await letOthersIn();
    const put = fresh.slice(at, at + ROWS_AT_ONCE);
    thread.postMessage({ put } satisfies FitMessage);
    for (const row of put) known.set(row.id, row);
  }
  if (known.size === log.length) return;
  const ids = new Set(log.map((row) => row.id));
  const drop = [...known.keys()].filter((id) => !ids.has(id));
  thread.postMessage({ drop } satisfies FitMessage);
  for (const id of drop) known.delete(id);
}
