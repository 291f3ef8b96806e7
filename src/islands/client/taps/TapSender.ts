import type { BenchEvent } from '../../../core/bench/definitions';
import { ApiError } from '../api';
import { dropFromOutbox, readOutbox } from './outbox';

/** Taps go to the server in pieces, so that a long evening offline is taken too. */
const SENT_AT_ONCE = 400;

interface Listeners {
  /** The server has these now. */
  onStored: (events: readonly BenchEvent[]) => void;
  /** After every attempt: what is wrong, or null; and how many taps are not sent. */
  onTried: (problem: string | null, unsent: number) => void;
}

/** Sends the taps of the outbox, oldest first, one piece at a time: what the server has not confirmed stays there. */
export class TapSender {
  private isSending = false;

  /** `send` may be called with the same taps again: the server has each once. */
  constructor(
    private readonly send: (events: readonly BenchEvent[]) => Promise<unknown>,
    private readonly storage?: Storage,
  ) {}

  async flush({ onStored, onTried }: Listeners): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    const { storage } = this;
    const next = () => readOutbox(storage).slice(0, SENT_AT_ONCE);
    let problem: string | null = null;
    try {
      for (let batch = next(); batch.length > 0; batch = next()) {
        await this.send(batch);
        dropFromOutbox(
          batch.map((event) => event.id),
          storage,
        );
        onStored(batch);
      }
    } catch (error) {
      const isUnanswered = error instanceof ApiError && (error.status === 0 || error.status >= 500);
      problem = isUnanswered
        ? 'The program does not answer. Go on: every tap is kept here and sent when it is back.'
        : `Taps are kept here but were refused: ${(error as Error).message}`;
    } finally {
      this.isSending = false;
      onTried(problem, readOutbox(storage).length);
    }
  }
}
