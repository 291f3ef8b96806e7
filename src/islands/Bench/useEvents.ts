import { useCallback, useEffect, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { BenchEvent } from '../../core/bench/definitions';
import type { StoredEvent } from '../../core/views/stored';
import { ApiError, send } from '../shared/api';
import { addToOutbox, dropFromOutbox, isOutboxKey, readOutbox } from './outbox';

export type NewEvent = Pick<BenchEvent, 'kind'> & Partial<Pick<BenchEvent, 'job' | 'model' | 'target' | 'note' | 'at'>>;

const RETRY_MS = 1500;
const POLL_MS = 4000;

/**
 * The events of a run in this window: those the server has, and those still on their way. A tap is written to the
 * browser's store first, shown next, and sent until the server has it; other tabs and devices are heard by polling.
 */
export function useEvents(runId: string, initial: StoredEvent[], onStored: (events: BenchEvent[]) => void) {
  const [events, setEvents] = useState<BenchEvent[]>(initial);
  const [unsent, setUnsent] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const lastSeq = useRef(initial.reduce((seq, event) => Math.max(seq, event.seq), 0));
  const lastAt = useRef(initial.reduce((at, event) => Math.max(at, Date.parse(event.at)), 0));
  const sending = useRef(false);
  const onStoredRef = useRef(onStored);
  useEffect(() => {
    onStoredRef.current = onStored;
  });

  const merge = useCallback((more: BenchEvent[]) => {
    for (const event of more) lastAt.current = Math.max(lastAt.current, Date.parse(event.at));
    setEvents((known) => {
      const ids = new Set(known.map((event) => event.id));
      const fresh = more.filter((event) => !ids.has(event.id));
      return fresh.length === 0 ? known : [...known, ...fresh];
    });
  }, []);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (let batch = readOutbox(runId); batch.length > 0; batch = readOutbox(runId)) {
        await send('POST', `/api/runs/${runId}/events`, { events: batch });
        dropFromOutbox(
          runId,
          batch.map((event) => event.id),
        );
        onStoredRef.current(batch);
      }
      setProblem(null);
    } catch (error) {
      const unanswered = error instanceof ApiError && (error.status === 0 || error.status >= 500);
      setProblem(
        unanswered
          ? 'The program does not answer. Go on: every tap is kept here and sent when it is back.'
          : `Taps are kept here but were refused: ${(error as Error).message}`,
      );
    } finally {
      sending.current = false;
      setUnsent(readOutbox(runId).length);
    }
  }, [runId]);

  /** Writes taps down, shows them, and sends them on. */
  const record = useCallback(
    (...taps: NewEvent[]) => {
      const made = taps.map((tap): BenchEvent => {
        // Two taps in one millisecond still need an order, and a clock set back must not put a tap before the last one.
        const at = tap.at ?? new Date(Math.max(Date.now(), lastAt.current + 1)).toISOString();
        lastAt.current = Math.max(lastAt.current, Date.parse(at));
        return {
          id: ulid(),
          at,
          kind: tap.kind,
          job: tap.job ?? null,
          model: tap.model ?? null,
          target: tap.target ?? null,
          note: tap.note ?? '',
        };
      });
      try {
        addToOutbox(runId, made);
      } catch {
        setProblem('This browser refuses to keep anything, so the tap was not taken: leave private browsing or free some space.');
        return;
      }
      merge(made);
      setUnsent(readOutbox(runId).length);
      void flush();
    },
    [runId, merge, flush],
  );

  useEffect(() => {
    // Taps of an earlier visit that never left the browser; shown from the first effect on, since the server cannot know them.
    const start = setTimeout(() => {
      merge(readOutbox(runId));
      void flush();
    });
    const retry = setInterval(() => {
      if (readOutbox(runId).length > 0) void flush();
    }, RETRY_MS);
    const poll = setInterval(() => {
      send<{ events: StoredEvent[] }>('GET', `/api/runs/${runId}/events?after=${lastSeq.current}`).then(
        ({ events: news }) => {
          lastSeq.current = news.reduce((seq, event) => Math.max(seq, event.seq), lastSeq.current);
          merge(news);
        },
        () => undefined, // The next tap or poll tries again; nothing depends on this one.
      );
    }, POLL_MS);
    const onStorage = (event: StorageEvent) => {
      if (isOutboxKey(event.key, runId)) merge(readOutbox(runId));
    };
    window.addEventListener('storage', onStorage);
    return () => {
      clearTimeout(start);
      clearInterval(retry);
      clearInterval(poll);
      window.removeEventListener('storage', onStorage);
    };
  }, [runId, merge, flush]);

  return { events, unsent, problem, record };
}
